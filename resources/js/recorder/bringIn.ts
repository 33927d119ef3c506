import { api, ApiProblem, Unreachable } from '../api/client';
import type { Take } from '../api/types';
import { Subscribable } from '../ui/Subscribable';
import { httpDelivery } from './delivery';

export interface BringInSnapshot {
    state: 'idle' | 'sending' | 'waiting' | 'done' | 'failed';
    /** Bytes that have arrived, of how many. */
    sent: number;
    of: number;
    take: string | null;
    problem: string | null;
}

/** What is being brought in, so that a broken upload goes on where it stopped. */
interface Begun {
    take: string;
    track: string;
    name: string;
    size: number;
    changed: number;
}

const PIECE = 4 * 1024 * 1024;
const AGAIN_MS = 2000;
/** As the server has it, in its limits. */
const LARGEST = 8 * 1024 ** 3;
const PLACE = 'reel.bringing';

/** Sends a recording that was made elsewhere, piece by piece; waits while the server is away. */
export class BringIn extends Subscribable<BringInSnapshot> {
    private stopped = false;

    constructor() {
        super({ state: 'idle', sent: 0, of: 0, take: null, problem: null });
    }

    /** @param whole it may hold all of the lesson, not just this section */
    async send(file: File, section: string, whole: boolean): Promise<string | null> {
        this.stopped = false;
        if (file.size === 0 || file.size > LARGEST) {
            this.set({
                state: 'failed',
                problem: file.size === 0 ? 'This file is empty.' : 'A file has at most 8 GB.',
            });
            return null;
        }
        this.set({ state: 'sending', sent: 0, of: file.size, take: null, problem: null });
        try {
            const { take, track, next } = await this.begin(file, section, whole);
            this.set({ take });
            let number = next;
            while (number * PIECE < file.size) {
                this.set({ sent: number * PIECE });
                const piece = file.slice(number * PIECE, (number + 1) * PIECE);
                number = await this.patiently(() => httpDelivery.sendChunk(track, number, piece));
            }
            const tracks = [{ id: track, chunks: number, bytes: file.size }];
            await this.patiently(() => api.post(`takes/${take}/finish`, { tracks }));
            localStorage.removeItem(PLACE);
            this.set({ state: 'done', sent: file.size });
            return take;
        } catch (error) {
            if (!this.stopped) {
                const problem = error instanceof ApiProblem ? error.message : 'The file could not be read.';
                this.set({ state: 'failed', problem });
            }
            return null;
        }
    }

    /** Gives it up: nothing of it stays. */
    async cancel(): Promise<void> {
        this.stopped = true;
        const { take } = this.snapshot();
        localStorage.removeItem(PLACE);
        this.set({ state: 'idle', take: null, sent: 0 });
        if (take) {
            await api.delete(`takes/${take}`).catch(() => undefined);
        }
    }

    private async begin(file: File, section: string, whole: boolean) {
        const begun = await this.begun(file);
        if (begun) {
            return begun;
        }
        const made = await this.patiently(() =>
            api.post<Take>(`sections/${section}/takes`, {
                tracks: [{ kind: 'camera', mime: file.type || 'application/octet-stream' }],
                brought: true,
                whole,
            }),
        );
        const track = made.tracks[0]?.id ?? '';
        const kept: Begun = { take: made.id, track, name: file.name, size: file.size, changed: file.lastModified };
        localStorage.setItem(PLACE, JSON.stringify(kept));
        return { take: made.id, track, next: 0 };
    }

    /** The same file, of which some has arrived already. */
    private async begun(file: File): Promise<{ take: string; track: string; next: number } | null> {
        const kept = JSON.parse(localStorage.getItem(PLACE) ?? 'null') as Begun | null;
        if (kept?.name !== file.name || kept.size !== file.size || kept.changed !== file.lastModified) {
            return null;
        }
        const take = await api.get<Take>(`takes/${kept.take}`).catch(() => null);
        const track = take?.state === 'recording' ? take.tracks.find(({ id }) => id === kept.track) : undefined;
        return track ? { take: kept.take, track: kept.track, next: track.next_chunk } : null;
    }

    private async patiently<T>(ask: () => Promise<T>): Promise<T> {
        for (;;) {
            if (this.stopped) {
                throw new Error('given up');
            }
            try {
                const answer = await ask();
                this.set({ state: 'sending' });
                return answer;
            } catch (error) {
                if (!(error instanceof Unreachable)) {
                    throw error;
                }
                this.set({ state: 'waiting' });
                await new Promise((wait) => setTimeout(wait, AGAIN_MS));
            }
        }
    }
}
