import { type ReactNode, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Modal from 'react-bootstrap/Modal';

interface Props {
    children: ReactNode;
    /** Without one it goes by itself. */
    verb?: string;
    label?: string;
    /** What is asked first: it cannot be undone. */
    ask?: string;
    disabled?: boolean;
    onGo?: () => void;
}

/** Something that takes up room and could go: what it is, what that means, and the way to do it. */
export function CanGo({ children, verb, label, ask, disabled, onGo }: Props) {
    const [asking, setAsking] = useState(false);
    return (
        <div className="can-go">
            <p className="times">{children}</p>
            {verb && (
                <Button
                    size="sm"
                    variant="quiet"
                    aria-label={label}
                    disabled={disabled}
                    onClick={() => (ask ? setAsking(true) : onGo?.())}
                >
                    {verb}
                </Button>
            )}
            {ask && (
                <Modal show={asking} onHide={() => setAsking(false)} aria-label={label}>
                    <Modal.Body>{ask}</Modal.Body>
                    <Modal.Footer>
                        <Button variant="quiet" autoFocus onClick={() => setAsking(false)}>
                            Keep it all
                        </Button>
                        <Button
                            onClick={() => {
                                setAsking(false);
                                onGo?.();
                            }}
                        >
                            {verb}
                        </Button>
                    </Modal.Footer>
                </Modal>
            )}
        </div>
    );
}
