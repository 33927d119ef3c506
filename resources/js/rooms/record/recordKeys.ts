import { type Action, ACTIONS, keyNames, keysOf, type OwnKeys } from '../../recorder/keys';
import type { SessionState } from '../../recorder/session';
import type { Key } from '../../ui/useKeys';

/** The keys of the Record room: each act with the keys the presenter chose for it. */
export function recordKeys(
    state: SessionState,
    own: OwnKeys,
    acts: Record<Action, () => void>,
    unmute: () => void,
): Key[] {
    const rolling = state === 'rolling' || state === 'paused';
    const when: Partial<Record<Action, boolean>> = {
        record: state === 'armed',
        cancel: state === 'counting',
        pause: rolling,
        finish: rolling,
        goOn: rolling,
        drop: rolling,
        again: rolling,
        marker: rolling,
        mute: rolling,
    };
    return (Object.keys(ACTIONS) as Action[]).map((action) => ({
        keys: [...keysOf(action, own)],
        name: keyNames(keysOf(action, own)),
        does: ACTIONS[action].does,
        act: acts[action],
        release: action === 'mute' ? unmute : undefined,
        when: when[action],
    }));
}
