import { useEffect } from 'react';
import Button from 'react-bootstrap/Button';
import Modal from 'react-bootstrap/Modal';
import { useBlocker } from 'react-router';
import type { SessionState } from '../../recorder/sessionStates';

interface Props {
    state: SessionState;
    onLeave: () => Promise<unknown>;
}

const busy: SessionState[] = ['counting', 'rolling', 'paused', 'finishing'];

/** Leaving while recording warns: within the application by a dialog, elsewhere by the browser's own. */
export function LeaveDialog({ state, onLeave }: Props) {
    const rolling = busy.includes(state);
    const counting = state === 'counting';
    const blocker = useBlocker(
        ({ currentLocation, nextLocation }) => rolling && currentLocation.pathname !== nextLocation.pathname,
    );
    useEffect(() => {
        if (!rolling) {
            return;
        }
        const warn = (event: BeforeUnloadEvent) => event.preventDefault();
        window.addEventListener('beforeunload', warn);
        return () => window.removeEventListener('beforeunload', warn);
    }, [rolling]);
    const stay = () => blocker.reset?.();
    const leave = async () => {
        await onLeave();
        blocker.proceed?.();
    };
    return (
        <Modal show={blocker.state === 'blocked'} onHide={stay} aria-labelledby="leave-title">
            <Modal.Header closeButton>
                <Modal.Title id="leave-title" as="h2" className="h5">
                    {counting ? 'The countdown is running' : 'The take is still rolling'}
                </Modal.Title>
            </Modal.Header>
            <Modal.Body>
                {counting
                    ? 'Nothing is recorded yet.'
                    : 'What is recorded so far is safe either way. Finish the take before you go, or stay and go on.'}
            </Modal.Body>
            <Modal.Footer>
                <Button variant="quiet" onClick={() => void leave()}>
                    {counting ? 'Cancel it and leave' : 'Finish the take and leave'}
                </Button>
                <Button autoFocus onClick={stay}>
                    {counting ? 'Stay and record' : 'Keep recording'}
                </Button>
            </Modal.Footer>
        </Modal>
    );
}
