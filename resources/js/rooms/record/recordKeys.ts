import { type Action, ACTIONS, keyNames, keysOf, type OwnKeys } from '../../recorder/keys';
import { can, type SessionAct, type SessionState } from '../../recorder/sessionStates';
import type { Key } from '../../ui/useKeys';

/** What of the session each key needs; others can be pressed at any time. */
const needs: Partial<Record<Action, SessionAct[]>> = {
    record: ['record'],
    cancel: ['cancel'],
    pause: ['pause', 'resume'],
    finish: ['finish'],
    goOn: ['goOn'],
    drop: ['drop'],
    again: ['again'],
    marker: ['marker'],
    mute: ['mute'],
};

/** The keys of the Record room: each act with the keys the presenter chose for it. */
export function recordKeys(
    state: SessionState,
    own: OwnKeys,
    acts: Record<Action, () => void>,
    unmute: () => void,
): Key[] {
    return (Object.keys(ACTIONS) as Action[]).map((action) => ({
        keys: [...keysOf(action, own)],
        name: keyNames(keysOf(action, own)),
        does: ACTIONS[action].does,
        act: acts[action],
        release: action === 'mute' ? unmute : undefined,
        when: needs[action]?.some((act) => can(act, state)),
    }));
}
