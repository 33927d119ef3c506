import type { Attempt, Take } from '../api/types';

export interface PlayedRead {
    key: string;
    take: Pick<Take, 'media_url' | 'loudness'>;
    read: Pick<Attempt, 'from_ms' | 'until_ms'>;
}

const BETWEEN_MS = 400;
const AROUND_MS = 120;

/** How loud a take is played beside others, so that none wins by being louder: 0 to 1, the quietest at 1. */
export function levelled(loudness: number | null, all: (number | null)[]): number {
    const known = all.filter((one) => one !== null);
    return loudness === null || known.length === 0 ? 1 : 10 ** ((Math.min(...known) - loudness) / 20);
}

/** Plays reads one after the other. */
export class AttemptPlayer {
    private readonly audio = new Audio();
    private queue: PlayedRead[] = [];
    private all: PlayedRead[] = [];
    private timer: ReturnType<typeof setTimeout> | undefined;
    private current: string | null = null;

    constructor(private readonly onPlaying: (key: string | null) => void) {
        // What cannot be played is passed over.
        this.audio.onerror = () => this.audio.src && this.next();
    }

    /** Plays these; again while the one of them is playing, stops. */
    play(reads: PlayedRead[]): void {
        const stops = this.current !== null && reads.length === 1 && reads[0]?.key === this.current;
        this.stop();
        if (!stops) {
            this.all = reads;
            this.queue = [...reads];
            this.next();
        }
    }

    close(): void {
        this.stop();
        this.audio.removeAttribute('src');
    }

    private stop(): void {
        clearTimeout(this.timer);
        this.queue = [];
        this.audio.onloadedmetadata = null;
        this.audio.pause();
        this.tell(null);
    }

    private next(): void {
        const read = this.queue.shift();
        if (!read) {
            this.tell(null);
            return;
        }
        const from = Math.max(0, read.read.from_ms - AROUND_MS) / 1000;
        const begin = () => {
            this.audio.currentTime = from;
            this.audio.volume = levelled(
                read.take.loudness,
                this.all.map(({ take }) => take.loudness),
            );
            this.tell(read.key);
            void this.audio.play().catch(() => this.tell(null));
            const length = read.read.until_ms + AROUND_MS - from * 1000;
            this.timer = setTimeout(() => {
                this.audio.pause();
                this.timer = setTimeout(() => this.next(), BETWEEN_MS);
            }, length);
        };
        if (this.audio.src.endsWith(read.take.media_url)) {
            begin();
        } else {
            this.audio.src = read.take.media_url;
            this.audio.onloadedmetadata = begin;
        }
    }

    private tell(key: string | null): void {
        this.current = key;
        this.onPlaying(key);
    }
}
