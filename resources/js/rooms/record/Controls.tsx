import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { RecordingSession, SessionState } from '../../recorder/session';
import { Icon } from '../../ui/Icon';
import { clock } from '../../ui/time';

interface Props {
    state: SessionState;
    session: RecordingSession;
    expectedMs: number;
    dropArmed: boolean;
    line: number;
    lines: number;
    onStart: () => void;
    onFinish: () => void;
    onDrop: () => void;
    onStep: (by: number) => void;
}

const words: Record<SessionState, string> = {
    idle: 'Choose a camera or a microphone',
    armed: 'Ready',
    counting: 'Counting down',
    rolling: 'Recording',
    paused: 'Paused',
    finishing: 'Sending the take to the server',
    failed: 'Could not record',
};

/** The one row of controls. */
export function Controls({
    state,
    session,
    expectedMs,
    dropArmed,
    line,
    lines,
    onStart,
    onFinish,
    onDrop,
    onStep,
}: Props) {
    const rolling = state === 'rolling' || state === 'paused';
    return (
        <div className="record-controls">
            <p className={`live-state is-${state}`} role="status">
                <span className="lamp" aria-hidden="true" />
                {words[state]}
            </p>
            <p className="elapsed times">
                <Elapsed session={session} running={rolling} />{' '}
                <span className="soft">of about {clock(expectedMs)}</span>
            </p>
            <div className="buttons">
                {(state === 'armed' || state === 'idle' || state === 'failed') && (
                    <Button size="lg" onClick={onStart} disabled={state !== 'armed'}>
                        <Icon name="dot" /> Record <kbd>R</kbd>
                    </Button>
                )}
                {state === 'counting' && (
                    <Button size="lg" variant="quiet" onClick={() => void session.cancel()}>
                        Cancel <kbd>Esc</kbd>
                    </Button>
                )}
                {state === 'finishing' && (
                    <Button size="lg" disabled>
                        Saving...
                    </Button>
                )}
                {rolling && (
                    <>
                        <Button size="lg" onClick={onFinish}>
                            <Icon name="stop" /> Finish <kbd>F</kbd>
                        </Button>
                        <Button
                            size="lg"
                            variant="quiet"
                            onClick={() => (state === 'paused' ? session.resume() : session.pause())}
                        >
                            <Icon name={state === 'paused' ? 'play' : 'pause'} />{' '}
                            {state === 'paused' ? 'Resume' : 'Pause'} <kbd>P</kbd>
                        </Button>
                        <Button size="lg" variant={dropArmed ? 'warning' : 'quiet'} onClick={onDrop}>
                            <Icon name="arrowCounter" /> {dropArmed ? 'Press again to drop' : 'Drop, go again'}{' '}
                            <kbd>D</kbd>
                        </Button>
                    </>
                )}
            </div>
            <div className="line-step">
                <Button variant="quiet" disabled={line === 0} onClick={() => onStep(-1)}>
                    Back
                </Button>
                <Button variant="quiet" disabled={line >= lines - 1} onClick={() => onStep(1)}>
                    Next line <kbd>↓</kbd>
                </Button>
            </div>
        </div>
    );
}

function Elapsed({ session, running }: { session: RecordingSession; running: boolean }) {
    const [, again] = useState(0);
    useEffect(() => {
        if (!running) {
            return;
        }
        const timer = setInterval(() => again((n) => n + 1), 200);
        return () => clearInterval(timer);
    }, [running]);
    return <time>{clock(running ? session.elapsed() : 0)}</time>;
}
