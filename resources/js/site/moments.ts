/** Index of the line that is said at a moment, by when each begins; -1 before the first. */
export function lineAt(begins: number[], milliseconds: number): number {
    return begins.findLastIndex((at) => at <= milliseconds);
}

/** Indexes of the texts that hold all of the words. */
export function findIn(texts: string[], words: string): number[] {
    const asked = words.toLocaleLowerCase().split(/\s+/).filter(Boolean);
    if (asked.length === 0) {
        return [];
    }
    return texts.flatMap((text, n) => (asked.every((word) => text.toLocaleLowerCase().includes(word)) ? [n] : []));
}

/** The moment that an address names (Media Fragments URI: `#t=130` or `#t=2:10`), in milliseconds. */
export function momentIn(hash: string): number | null {
    const [, hours = '', minutes = '', seconds] = /^#t=(?:(\d+):)??(?:(\d+):)?(\d+(?:\.\d+)?)$/.exec(hash) ?? [];
    if (seconds === undefined) {
        return null;
    }
    return Math.round(1000 * (3600 * Number(hours) + 60 * Number(minutes) + Number(seconds)));
}

export function momentLink(address: string, seconds: number): string {
    return `${address.split('#')[0]}#t=${Math.floor(seconds)}`;
}
