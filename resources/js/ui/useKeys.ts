import { useEffect, useRef } from 'react';

export interface Key {
    /** As `KeyboardEvent.key`; letters in lower case. */
    keys: string[];
    /** How the key is written, and what it does, for the list under `?`. */
    name: string;
    does: string;
    act: () => void;
    /** What happens when it is let go, for keys that are held. */
    release?: (() => void) | undefined;
    /** Left out of the list, and not heard, while false. */
    when?: boolean | undefined;
}

const typing = 'input, textarea, select, [contenteditable="true"], [role="menu"] *';
const dialog = '[role="dialog"]';

/**
 * Hears a room's keys anywhere on the page, except while something is typed or a dialog is open.
 *
 * @param inDialog these are the keys of a dialog, heard in it only
 */
export function useKeys(keys: Key[], inDialog = false): void {
    const current = useRef(keys);
    current.current = keys;
    useEffect(() => {
        const hear = (event: KeyboardEvent) => {
            const target = event.target as HTMLElement;
            if (event.ctrlKey || event.metaKey || event.altKey || event.repeat || target.closest(typing)) {
                return;
            }
            if ((target.closest(dialog) !== null) !== inDialog) {
                return;
            }
            const pressed = event.key.length === 1 ? event.key.toLowerCase() : event.key;
            const isButton = target.closest('button, a, [role="button"]') !== null;
            if (isButton && (pressed === ' ' || pressed === 'Enter')) {
                return;
            }
            const key = current.current.find((k) => k.when !== false && k.keys.includes(pressed));
            if (key) {
                event.preventDefault();
                key.act();
            }
        };
        const letGo = (event: KeyboardEvent) => {
            const pressed = event.key.length === 1 ? event.key.toLowerCase() : event.key;
            current.current.find((k) => k.release && k.keys.includes(pressed))?.release?.();
        };
        // A key that is held when the page loses the keyboard is never let go here.
        const leave = () => current.current.forEach((key) => key.release?.());
        window.addEventListener('keydown', hear);
        window.addEventListener('keyup', letGo);
        window.addEventListener('blur', leave);
        return () => {
            window.removeEventListener('keydown', hear);
            window.removeEventListener('keyup', letGo);
            window.removeEventListener('blur', leave);
        };
    }, [inDialog]);
}
