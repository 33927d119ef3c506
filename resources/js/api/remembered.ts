import { ownPlace } from './pageOwner';

/**
 * How somebody works, remembered by this browser for each person who uses it; whoever has nothing of their own begins with what
 * was remembered when nobody signed in.
 *
 * @returns null when there is nothing, or nothing that can be read
 */
export function recall(place: string): Record<string, unknown> | null {
    try {
        const stored: unknown = JSON.parse(
            localStorage.getItem(ownPlace(place)) ?? localStorage.getItem(place) ?? 'null',
        );
        return typeof stored === 'object' && !Array.isArray(stored) ? (stored as Record<string, unknown> | null) : null;
    } catch {
        return null;
    }
}

/** Without room in the browser it is chosen anew at the next visit. */
export function remember(place: string, value: object): void {
    try {
        localStorage.setItem(ownPlace(place), JSON.stringify(value));
    } catch {
        // It holds for this visit.
    }
}
