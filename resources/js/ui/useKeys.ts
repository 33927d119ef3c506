import { useEffect, useRef } from 'react';

export interface Key {
    /** As `KeyboardEvent.key`; letters in lower case. */
    keys: string[];
    /** How the key is written, and what it does, for the list under `?`. */
    name: string;
    does: string;
    act: () => void;
    /** Left out of the list, and not heard, while false. */
    when?: boolean;
}

const typing = 'input, textarea, select, [contenteditable="true"], [role="dialog"] *, [role="menu"] *';

/** Hears a room's keys anywhere on the page, except while something is typed or a dialog is open. */
export function useKeys(keys: Key[]): void {
    const current = useRef(keys);
    current.current = keys;
    useEffect(() => {
        const hear = (event: KeyboardEvent) => {
            const target = event.target as HTMLElement;
            if (event.ctrlKey || event.metaKey || event.altKey || event.repeat || target.closest(typing)) {
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
        window.addEventListener('keydown', hear);
        return () => window.removeEventListener('keydown', hear);
    }, []);
}
