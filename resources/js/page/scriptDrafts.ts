import { isOurs, pageOwner } from '../api/pageOwner';
import type { Draft, LeftDraft } from './ScriptSync';

/** This window's name among the windows of this browser; a lock of that name is held for as long as the window lives. */
const windowId = crypto.randomUUID?.() ?? String(Math.random()).slice(2);
const lockName = (id: string) => `open-reel-window-${id}`;
void globalThis.navigator?.locks?.request(lockName(windowId), () => new Promise(() => undefined));

interface Stored extends Draft {
    at: number;
    /** Who typed it; missing where nobody signs in. */
    person?: string | null;
}

function stored(key: string): Stored | null {
    try {
        const draft = JSON.parse(localStorage.getItem(key) ?? 'null') as Partial<Stored> | null;
        return typeof draft?.text === 'string' && typeof draft.revision === 'number'
            ? { text: draft.text, revision: draft.revision, at: draft.at ?? 0, person: draft.person }
            : null;
    } catch {
        return null;
    }
}

/** Words of a lesson's script that the server does not have yet, kept in this browser: a place for each window. */
export function scriptDrafts(lessonId: string) {
    const all = `reel.script.${lessonId}`;
    const mine = `${all}.${windowId}`;
    return {
        /** @returns false when the browser has no room for it */
        write(draft: Draft | null): boolean {
            try {
                if (draft) {
                    localStorage.setItem(
                        mine,
                        JSON.stringify({ ...draft, at: Date.now(), person: pageOwner } satisfies Stored),
                    );
                } else {
                    localStorage.removeItem(mine);
                }
                return true;
            } catch {
                return false;
            }
        },
        /** This person's, of windows that are gone, the newest first. */
        async left(): Promise<LeftDraft[]> {
            const held = (await navigator.locks?.query())?.held?.map((lock) => lock.name) ?? [];
            return Object.keys(localStorage)
                .filter((key) => key === all || key.startsWith(`${all}.`))
                .filter((key) => key !== mine && !held.includes(lockName(key.slice(all.length + 1))))
                .flatMap((key) => {
                    const draft = stored(key);
                    return draft && isOurs(draft) ? [{ key, ...draft }] : [];
                })
                .sort((a, b) => b.at - a.at);
        },
        forget: (key: string): void => localStorage.removeItem(key),
    };
}
