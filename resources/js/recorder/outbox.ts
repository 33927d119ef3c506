import { ApiProblem } from '../api/client';
import { isOurs, pageOwner } from '../api/pageOwner';
import { ChunkStore, type StoredTake } from './chunkStore';
import { type Delivery, httpDelivery } from './delivery';
import { Subscribable } from '../lib/Subscribable';

export interface OutboxSnapshot {
    /** Whole seconds that are here and not yet on the server. */
    waiting: number;
    /** Why sending does not get on; null while it does. */
    trouble: string | null;
}

const FIRST_WAIT_MS = 400;
const LONGEST_WAIT_MS = 4000;

const sum = (all: number[]) => all.reduce((before, one) => before + one, 0);

/** The lock that tells other windows that a take is still being recorded here. */
const takeLock = (takeId: string) => `open-reel-take-${takeId}`;

/**
 * Keeps every chunk in this browser until the server has it, and sends them in order, as often as it takes. A take that
 * was cut off by a reload or a crash is found again by `recover`.
 */
export class Outbox extends Subscribable<OutboxSnapshot> {
    private readonly takes = new Map<string, StoredTake>();
    private readonly writing = new Map<string, Promise<void>>();
    private readonly sending = new Map<string, Promise<void>>();
    private readonly releases = new Map<string, () => void>();
    /** Seconds in each chunk that waits, by track. */
    private readonly waiting = new Map<string, number[]>();

    constructor(
        private readonly store: ChunkStore,
        private readonly delivery: Delivery,
        private readonly locks: LockManager | undefined = globalThis.navigator?.locks,
    ) {
        super({ waiting: 0, trouble: null });
    }

    async open(take: Pick<StoredTake, 'takeId' | 'lessonId' | 'number' | 'tracks'>): Promise<void> {
        const stored: StoredTake = {
            ...take,
            person: pageOwner,
            events: [],
            eventsSent: 0,
            unsentOnly: true,
            finished: false,
            discard: false,
        };
        this.takes.set(take.takeId, stored);
        void this.locks?.request(
            takeLock(take.takeId),
            () => new Promise<void>((free) => this.releases.set(take.takeId, free)),
        );
        await this.store.putTake(stored);
    }

    /** Forgets a take in which nothing was recorded. */
    async forget(takeId: string): Promise<void> {
        const take = this.takes.get(takeId);
        this.takes.delete(takeId);
        this.releases.get(takeId)?.();
        if (take) {
            await this.store.deleteTake(take);
        }
    }

    /** Chunks of a track are numbered in the order of the calls. */
    add(takeId: string, trackId: string, chunk: Blob, seconds: number): Promise<void> {
        const take = this.takes.get(takeId);
        const track = take?.tracks.find((t) => t.id === trackId);
        if (!take || !track || chunk.size === 0) {
            return Promise.resolve();
        }
        const number = track.chunks++;
        track.bytes += chunk.size;
        this.waiting.set(track.id, [...(this.waiting.get(track.id) ?? []), seconds]);
        this.tell();
        const before = this.writing.get(takeId) ?? Promise.resolve();
        const written = before.then(async () => {
            await this.store.putChunk(trackId, number, chunk);
            await this.store.putTake(take);
            void this.send(take);
        });
        this.writing.set(takeId, written);
        return written;
    }

    /** Adds a row to the take's log, which is sent as it grows, like the chunks. */
    log(takeId: string, row: string): void {
        const take = this.takes.get(takeId);
        if (take) {
            take.events.push(row);
            void this.store.putTake(take).then(() => this.send(take));
        }
    }

    /** Resolves when the server has all of the take. */
    async finish(takeId: string, discard = false): Promise<void> {
        const take = this.takes.get(takeId);
        if (!take) {
            return;
        }
        await this.writing.get(takeId);
        take.finished = true;
        take.discard = discard;
        await this.store.putTake(take);
        await this.sending.get(takeId);
        if (this.takes.has(takeId)) {
            await this.send(take);
        }
        this.releases.get(takeId)?.();
    }

    /**
     * Delivers this person's takes of a lesson that were cut off in an earlier visit and are not being recorded in another
     * window.
     *
     * @returns those that have arrived whole
     */
    async recover(lessonId: string): Promise<StoredTake[]> {
        const recovered: StoredTake[] = [];
        for (const take of await this.store.takes()) {
            if (
                take.lessonId !== lessonId ||
                !isOurs(take) ||
                this.takes.has(take.takeId) ||
                (await this.isBusyElsewhere(take.takeId))
            ) {
                continue;
            }
            // A crash may come between storing a chunk and storing the count: the chunks themselves decide.
            for (const track of take.tracks) {
                for (const number of (await this.store.chunkNumbers(track.id)).filter((n) => n >= track.chunks)) {
                    track.chunks = number + 1;
                    track.bytes += (await this.store.chunk(track.id, number))?.size ?? 0;
                }
            }
            if (!take.unsentOnly) {
                take.eventsSent ??= 0;
                take.events = take.events.slice(take.eventsSent);
                take.unsentOnly = true;
            }
            const wasFinished = take.finished;
            take.finished = true;
            this.takes.set(take.takeId, take);
            await this.send(take);
            if (!wasFinished) {
                recovered.push(take);
            }
        }
        return recovered;
    }

    private async isBusyElsewhere(takeId: string): Promise<boolean> {
        const held = (await this.locks?.query())?.held ?? [];
        return held.some((lock) => lock.name === takeLock(takeId));
    }

    /** One sender a take: a call while one is at work waits for that one. */
    private send(take: StoredTake): Promise<void> {
        const running = this.sending.get(take.takeId);
        if (running) {
            return running;
        }
        const run = this.sendAll(take).finally(() => this.sending.delete(take.takeId));
        this.sending.set(take.takeId, run);
        return run;
    }

    private async sendAll(take: StoredTake): Promise<void> {
        let wait = FIRST_WAIT_MS;
        while (true) {
            try {
                if (!(await this.sendNext(take))) {
                    return;
                }
                wait = FIRST_WAIT_MS;
                this.set({ trouble: null });
            } catch (error) {
                if (error instanceof ApiProblem && error.status === 404) {
                    await this.leave(take);
                    return;
                }
                this.set({ trouble: error instanceof Error ? error.message : 'The recording is not getting through.' });
                await new Promise((resolve) => setTimeout(resolve, wait));
                wait = Math.min(LONGEST_WAIT_MS, wait * 2);
            }
        }
    }

    /** The server does not know the take: when it was deleted there is nowhere to send it; else it stays here. */
    private async leave(take: StoredTake): Promise<void> {
        if (await this.delivery.isDeleted(take).catch(() => false)) {
            await this.drop(take);
            return;
        }
        this.set({ trouble: 'This lesson is not open to you any more. What you recorded is kept in this browser.' });
        if (take.finished) {
            // Looked at again with the lesson: whoever recorded it may have signed in again.
            this.takes.delete(take.takeId);
            this.releases.get(take.takeId)?.();
        }
    }

    /** @returns whether there may be more to do now */
    private async sendNext(take: StoredTake): Promise<boolean> {
        for (const track of take.tracks) {
            const [number] = await this.store.chunkNumbers(track.id);
            if (number === undefined) {
                continue;
            }
            const chunk = await this.store.chunk(track.id, number);
            const next = chunk ? await this.delivery.sendChunk(track.id, number, chunk) : number + 1;
            if (next > number) {
                await this.store.deleteChunk(track.id, number);
                this.waiting.get(track.id)?.shift();
                this.tell();
                return true;
            }
            throw new Error('The server lost a piece of this recording that it had confirmed. The rest is kept here.');
        }
        if (take.events.length > 0) {
            return this.sendEvents(take);
        }
        if (!take.finished) {
            return false;
        }
        await this.delivery.finish(take);
        await this.drop(take);
        return false;
    }

    /** @returns whether there may be more to do now */
    private async sendEvents(take: StoredTake): Promise<boolean> {
        const [before, rows] = [take.eventsSent, [...take.events]];
        const next = await this.delivery.sendEvents(take.takeId, before, rows);
        take.eventsSent = next;
        // A take finished by an earlier try takes no more rows, and needs none. What has arrived is held no longer: a pointer
        // that moves for hours writes many rows.
        take.events.splice(0, take.finished && next <= before ? rows.length : Math.max(0, next - before));
        await this.store.putTake(take);
        return next !== before;
    }

    private async drop(take: StoredTake): Promise<void> {
        this.takes.delete(take.takeId);
        this.writing.delete(take.takeId);
        await this.store.deleteTake(take);
        take.tracks.forEach((track) => this.waiting.delete(track.id));
        this.set({ trouble: null });
        this.tell();
    }

    private tell(): void {
        const seconds = [...this.takes.values()].map((take) =>
            Math.max(0, ...take.tracks.map((track) => sum(this.waiting.get(track.id) ?? []))),
        );
        this.set({ waiting: Math.round(sum(seconds)) });
    }
}

export const outbox = new Outbox(new ChunkStore(), httpDelivery);
