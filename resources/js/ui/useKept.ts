import { useState } from 'react';

/**
 * A text that somebody types, which outlives the page until it has arrived.
 *
 * @param place where it is kept in this browser
 */
export function useKept(place: string): [string, (text: string) => void] {
    const [text, setText] = useState(() => {
        try {
            return localStorage.getItem(place) ?? '';
        } catch {
            return '';
        }
    });
    const keep = (now: string) => {
        setText(now);
        try {
            if (now === '') {
                localStorage.removeItem(place);
            } else {
                localStorage.setItem(place, now);
            }
        } catch {
            // It stays for as long as the page does.
        }
    };
    return [text, keep];
}
