import { useState } from 'react';
import { ownPlace } from '../api/pageOwner';

/**
 * A text that somebody types, which outlives the page until it has arrived.
 *
 * @param named where it is kept in this browser, for each person
 */
export function useStored(named: string): [string, (text: string) => void] {
    const place = ownPlace(named);
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
