import { useEffect } from 'react';
import type { RecordingSession } from '../../recorder/session';
import { isRolling, type SessionState } from '../../recorder/sessionStates';
import { presence } from '../../shell/useTogether';
import type { Sources } from './useSources';
import { useWakeLock } from './useWakeLock';

/**
 * What follows from how the session stands: it is armed while there is something to record from, the section is claimed from the
 * count-down on, and the stand-in voice speaks with the take.
 *
 * @param ready something is open, and nothing else is being opened
 */
export function useArmed(
    session: RecordingSession,
    state: SessionState,
    ready: boolean,
    microphone: Sources['microphone'],
): void {
    useEffect(() => {
        if (ready) {
            session.arm();
        } else {
            session.disarm();
        }
    }, [session, ready, state]);
    useWakeLock(ready);

    const rolling = isRolling(state);
    const busy = rolling || state === 'counting';
    useEffect(() => {
        presence.records(busy);
        return () => presence.records(false);
    }, [busy]);

    // The stand-in voice starts with the take, and holds its breath with it.
    useEffect(() => {
        if (state === 'rolling') {
            microphone?.go?.();
        } else if (state === 'paused') {
            microphone?.hold?.();
        }
    }, [state, microphone]);
    useEffect(() => {
        if (rolling) {
            microphone?.begin?.();
        } else {
            microphone?.rehearse?.();
        }
    }, [rolling, microphone]);
}
