/** Times as the interface writes them. */

/** m:ss, rounded to the second: 83400 -> "1:23". */
export function clock(milliseconds: number): string {
    const seconds = Math.max(0, Math.round(milliseconds / 1000));
    return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}

/** m:ss.t, for places where a person adjusts tenths: 83400 -> "1:23.4". */
export function tenths(milliseconds: number): string {
    const all = Math.max(0, Math.round(milliseconds / 100));
    const seconds = Math.floor(all / 10);
    return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}.${all % 10}`;
}

/** "about 0:42" */
export const about = (milliseconds: number): string => `about ${clock(milliseconds)}`;

/** "today, 14:05", "3 March" or "3 March 2025" in the reader's own language and zone. */
export function day(iso: string, now = new Date()): string {
    const date = new Date(iso);
    if (date.toDateString() === now.toDateString()) {
        return `today, ${date.toLocaleTimeString([], { hour: 'numeric', minute: '2-digit' })}`;
    }
    const year = date.getFullYear() === now.getFullYear() ? undefined : 'numeric';
    return date.toLocaleDateString([], { day: 'numeric', month: 'long', year });
}

/** "12.3 MB" */
export const megabytes = (bytes: number): string => `${(bytes / 1_000_000).toFixed(bytes < 10_000_000 ? 1 : 0)} MB`;

/** Of a file that may be small. */
export const size = (bytes: number): string =>
    bytes < 1_000_000 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : megabytes(bytes);

/** Of what takes up room on a disk. */
export const room = (bytes: number): string => {
    if (bytes === 0) {
        return '0';
    }
    return bytes < 1_000_000_000 ? size(bytes) : `${(bytes / 1_000_000_000).toFixed(1)} GB`;
};
