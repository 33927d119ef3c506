import { type ReactNode, useEffect, useState } from 'react';
import { createPortal } from 'react-dom';
import Button from 'react-bootstrap/Button';
import type { Line } from '../../api/types';
import type { RecordingSession } from '../../recorder/session';
import { isRolling, type SessionState } from '../../recorder/sessionStates';
import { Icon } from '../../ui/Icon';
import { clock } from '../../lib/time';

interface Pip {
    requestWindow(options: { width: number; height: number }): Promise<Window>;
}

const SIZE = { width: 360, height: 220 };

/** Styles of this page for a window that has none. */
function dress(target: Window): void {
    document.querySelectorAll('style, link[rel="stylesheet"]').forEach((style) => {
        target.document.head.append(style.cloneNode(true));
    });
    target.document.title = 'Recording - Open Reel';
    target.document.body.className = 'out-of-sight room-dark';
}

/**
 * A small window that stays on top while the presenter works elsewhere; where the browser has none, an ordinary second window.
 *
 * @returns a way to open it, null while it is open; and the window's content
 */
export function useOutOfSight(content: ReactNode): { open: (() => void) | null; portal: ReactNode } {
    const [target, setTarget] = useState<Window | null>(null);
    useEffect(() => () => target?.close(), [target]);
    const open = async () => {
        const pip = (window as Window & { documentPictureInPicture?: Pip }).documentPictureInPicture;
        const made =
            (await pip?.requestWindow(SIZE).catch(() => null)) ??
            window.open('', 'open-reel-out-of-sight', `popup,width=${SIZE.width},height=${SIZE.height}`);
        if (made) {
            dress(made);
            made.addEventListener('pagehide', () => setTarget(null));
            setTarget(made);
        }
    };
    return {
        open: target ? null : () => void open(),
        portal: target && createPortal(content, target.document.body),
    };
}

interface Props {
    session: RecordingSession;
    state: SessionState;
    line: Line | undefined;
    level: ReactNode;
    inPicture: boolean;
    onAgain: () => void;
    onResume: () => void;
    onFinish: () => void;
}

const words: Partial<Record<SessionState, string>> = {
    armed: 'Ready',
    counting: 'Counting down',
    rolling: 'Recording',
    paused: 'Paused',
    finishing: 'Saving',
};

/** What one needs of the room while one works elsewhere: state, time, level, the line, and three acts. */
export function SmallRoom({ session, state, line, level, inPicture, onAgain, onResume, onFinish }: Props) {
    const [, again] = useState(0);
    useEffect(() => {
        const timer = setInterval(() => again((n) => n + 1), 250);
        return () => clearInterval(timer);
    }, []);
    const rolling = isRolling(state);
    return (
        <div className="small-room">
            <p className={`live-state is-${state}`} role="status">
                <span className="lamp" aria-hidden="true" />
                {words[state] ?? 'Not ready'}
                <time className="times">{clock(rolling ? session.elapsed() : 0)}</time>
            </p>
            {inPicture && (
                <p className="flag">
                    <Icon name="exclamation" /> The whole screen is recorded: this window would be in the picture. Move
                    it to another screen, or{' '}
                    <Button
                        variant="quiet"
                        size="sm"
                        onClick={(event) => event.currentTarget.ownerDocument.defaultView?.close()}
                    >
                        hide it
                    </Button>
                </p>
            )}
            {level}
            <p className="line">{line?.text}</p>
            <div className="buttons">
                <Button
                    size="sm"
                    variant="quiet"
                    disabled={!rolling}
                    onClick={() => (state === 'paused' ? onResume() : session.pause())}
                >
                    <Icon name={state === 'paused' ? 'play' : 'pause'} /> {state === 'paused' ? 'Resume' : 'Pause'}
                </Button>
                <Button size="sm" variant="quiet" disabled={!rolling} onClick={onAgain}>
                    <Icon name="arrowCounter" /> Go again
                </Button>
                <Button size="sm" disabled={!rolling} onClick={onFinish}>
                    <Icon name="stop" /> Finish
                </Button>
            </div>
        </div>
    );
}
