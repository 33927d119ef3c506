import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { RecordingSession } from '../../recorder/session';
import { isRolling, type SessionState } from '../../recorder/sessionStates';
import type { Action } from '../../recorder/keys';
import { Icon } from '../../ui/Icon';
import { clock } from '../../lib/time';

interface Props {
    state: SessionState;
    session: RecordingSession;
    expectedMs: number;
    dropArmed: boolean;
    /** The first key of an act, as it is written. */
    keyFor: (action: Action) => string;
    isFirst: boolean;
    isLast: boolean;
    onStart: () => void;
    onFinish: () => void;
    /** Null when there is nothing to go on with. */
    onGoOn: (() => void) | null;
    onPause: () => void;
    onAgain: () => void;
    onMarker: () => void;
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
export function Controls({ state, session, expectedMs, dropArmed, isFirst, isLast, keyFor, ...acts }: Props) {
    const rolling = isRolling(state);
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
                    <Button size="lg" onClick={acts.onStart} disabled={state !== 'armed'}>
                        <Icon name="dot" /> Record <kbd>{keyFor('record')}</kbd>
                    </Button>
                )}
                {state === 'counting' && (
                    <Button size="lg" variant="quiet" onClick={() => void session.cancel()}>
                        Cancel <kbd>{keyFor('cancel')}</kbd>
                    </Button>
                )}
                {state === 'finishing' && (
                    <Button size="lg" disabled>
                        Saving...
                    </Button>
                )}
                {rolling && (
                    <>
                        <Button onClick={acts.onFinish}>
                            <Icon name="stop" /> Finish <kbd>{keyFor('finish')}</kbd>
                        </Button>
                        {acts.onGoOn && (
                            <Button variant="quiet" onClick={acts.onGoOn}>
                                Finish, go on <kbd>{keyFor('goOn')}</kbd>
                            </Button>
                        )}
                        <Button variant="quiet" onClick={acts.onPause}>
                            <Icon name={state === 'paused' ? 'play' : 'pause'} />{' '}
                            {state === 'paused' ? 'Resume' : 'Pause'} <kbd>{keyFor('pause')}</kbd>
                        </Button>
                        <Button variant="quiet" onClick={acts.onAgain}>
                            <Icon name="arrowCounter" /> Go again <kbd>{keyFor('again')}</kbd>
                        </Button>
                        <Button variant="quiet" onClick={acts.onMarker}>
                            Marker <kbd>{keyFor('marker')}</kbd>
                        </Button>
                        <Button variant={dropArmed ? 'warning' : 'quiet'} onClick={acts.onDrop}>
                            <Icon name="cross" /> {dropArmed ? 'Press again to drop' : 'Drop'}{' '}
                            <kbd>{keyFor('drop')}</kbd>
                        </Button>
                    </>
                )}
            </div>
            <div className="line-step">
                <Button variant="quiet" disabled={isFirst} onClick={() => acts.onStep(-1)}>
                    Back
                </Button>
                <Button variant="quiet" disabled={isLast} onClick={() => acts.onStep(1)}>
                    Next <kbd>{keyFor('next')}</kbd>
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
