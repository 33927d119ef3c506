import { Subscribable } from '../lib/Subscribable';
import { ApiProblem, Unreachable } from './client';

export interface Sending {
    state: 'idle' | 'sending' | 'waiting' | 'done' | 'failed';
    /** Bytes that have arrived, of how many. */
    sent: number;
    of: number;
    problem: string | null;
}

/** Where a file goes: what the server calls it, and how it takes its pieces. `Handle` is what is remembered of it. */
export interface Receiver<Handle> {
    /** Where in the browser it is noted what is on its way. */
    place: string;
    begin(file: File): Promise<Handle>;
    /** The piece that is wanted next; null when it is over, or gone. */
    next(handle: Handle): Promise<number | null>;
    /** @returns the piece that is wanted then */
    piece(handle: Handle, number: number, piece: Blob): Promise<number>;
    finish(handle: Handle, pieces: number, bytes: number): Promise<void>;
    giveUp(handle: Handle): Promise<unknown>;
}

/** What is on its way, so that a broken upload goes on where it stopped. */
interface Begun<Handle> {
    handle: Handle;
    name: string;
    size: number;
    changed: number;
}

const PIECE = 4 * 1024 * 1024;
const AGAIN_MS = 2000;

/** Sends a large file piece by piece; waits while the server is away. */
export class FileSender<Handle> extends Subscribable<Sending> {
    private stopped = false;
    private handle: Handle | null = null;
    private receiver: Receiver<Handle> | null = null;

    constructor() {
        super({ state: 'idle', sent: 0, of: 0, problem: null });
    }

    /** @returns what the server calls it, once all of it is there */
    async send(file: File, receiver: Receiver<Handle>, largest: number): Promise<Handle | null> {
        this.stopped = false;
        this.receiver = receiver;
        if (file.size === 0 || file.size > largest) {
            const most = `A file has at most ${Math.round(largest / 1024 ** 3)} GB.`;
            this.set({ state: 'failed', problem: file.size === 0 ? 'This file is empty.' : most });
            return null;
        }
        this.set({ state: 'sending', sent: 0, of: file.size, problem: null });
        try {
            const [handle, next] = (await this.begun(file)) ?? (await this.begin(file));
            this.handle = handle;
            const pieces = Math.ceil(file.size / PIECE);
            for (let number = next; number < pieces;) {
                this.set({ sent: number * PIECE });
                const piece = file.slice(number * PIECE, (number + 1) * PIECE);
                const wanted = number;
                number = await this.patiently(() => receiver.piece(handle, wanted, piece));
            }
            await this.patiently(() => receiver.finish(handle, pieces, file.size));
            localStorage.removeItem(receiver.place);
            this.set({ state: 'done', sent: file.size });
            return handle;
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
        const { handle, receiver } = this;
        this.handle = null;
        this.set({ state: 'idle', sent: 0 });
        if (receiver) {
            localStorage.removeItem(receiver.place);
        }
        if (handle && receiver) {
            await receiver.giveUp(handle).catch(() => undefined);
        }
    }

    private async begin(file: File): Promise<[Handle, number]> {
        const receiver = this.receiver as Receiver<Handle>;
        const handle = await this.patiently(() => receiver.begin(file));
        const kept: Begun<Handle> = { handle, name: file.name, size: file.size, changed: file.lastModified };
        localStorage.setItem(receiver.place, JSON.stringify(kept));
        return [handle, 0];
    }

    /** The same file, of which some has arrived already. */
    private async begun(file: File): Promise<[Handle, number] | null> {
        const receiver = this.receiver as Receiver<Handle>;
        const kept = JSON.parse(localStorage.getItem(receiver.place) ?? 'null') as Begun<Handle> | null;
        if (kept?.name !== file.name || kept.size !== file.size || kept.changed !== file.lastModified) {
            return null;
        }
        const next = await receiver.next(kept.handle).catch(() => null);
        return next === null ? null : [kept.handle, next];
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
