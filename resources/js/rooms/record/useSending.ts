import { useSyncExternalStore } from 'react';
import { outbox } from '../../recorder/outbox';

/** A chunk or two are always on their way. */
const ALWAYS = 2;

/** What still has to reach the server, told only when it is more than what always is: nothing is drawn anew for every chunk. */
export function useSending(): { waiting: number; trouble: string | null } {
    const waiting = useSyncExternalStore(outbox.subscribe, () => {
        const count = outbox.snapshot().waiting;
        return count > ALWAYS ? count : 0;
    });
    const trouble = useSyncExternalStore(outbox.subscribe, () => outbox.snapshot().trouble);
    return { waiting, trouble };
}
