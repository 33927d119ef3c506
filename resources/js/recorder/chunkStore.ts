import type { TrackKind } from '../api/types';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

/** A take on its way to the server, as it is remembered in this browser. */
export interface StoredTake {
    takeId: string;
    /** Who recorded it; missing where nobody signs in. */
    person?: string | null;
    lessonId: string;
    number: number;
    tracks: { id: string; kind: TrackKind; chunks: number; bytes: number }[];
    /** Rows of the event log that the server has not got yet, one JSON object each. */
    events: string[];
    /** How many rows before these it has. */
    eventsSent: number;
    /** Missing in takes kept by a version that held on to rows it had sent. */
    unsentOnly?: boolean;
    finished: boolean;
    /** To be set aside once it has arrived. */
    discard: boolean;
}

interface Schema extends DBSchema {
    takes: { key: string; value: StoredTake };
    chunks: { key: [string, number]; value: Blob };
}

/**
 * Chunks and takes in IndexedDB. Where the browser refuses (private window, full disk) they are held in memory: then
 * a reload would lose what the server has not got yet, but recording goes on.
 */
export class ChunkStore {
    private readonly db: Promise<IDBPDatabase<Schema> | null>;
    private readonly memory = new Map<string, Blob>();
    private readonly takesInMemory = new Map<string, StoredTake>();

    constructor(name = 'open-reel') {
        this.db = openDB<Schema>(name, 1, {
            upgrade: (db) => {
                db.createObjectStore('takes', { keyPath: 'takeId' });
                db.createObjectStore('chunks');
            },
        }).catch(() => null);
    }

    async putTake(take: StoredTake): Promise<void> {
        this.takesInMemory.set(take.takeId, take);
        await (await this.db)?.put('takes', take).catch(() => undefined);
    }

    async takes(): Promise<StoredTake[]> {
        const stored = (await (await this.db)?.getAll('takes').catch(() => undefined)) ?? [];
        const known = new Map(stored.map((take) => [take.takeId, take]));
        this.takesInMemory.forEach((take, id) => known.set(id, take));
        return [...known.values()];
    }

    async deleteTake(take: StoredTake): Promise<void> {
        this.takesInMemory.delete(take.takeId);
        const db = await this.db;
        await db?.delete('takes', take.takeId).catch(() => undefined);
        for (const track of take.tracks) {
            await db?.delete('chunks', IDBKeyRange.bound([track.id, 0], [track.id, Infinity])).catch(() => undefined);
        }
    }

    async putChunk(track: string, number: number, chunk: Blob): Promise<void> {
        const db = await this.db;
        try {
            if (!db) {
                throw new Error('no database');
            }
            await db.put('chunks', chunk, [track, number]);
        } catch {
            this.memory.set(`${track}/${number}`, chunk);
        }
    }

    async chunk(track: string, number: number): Promise<Blob | undefined> {
        return this.memory.get(`${track}/${number}`) ?? (await this.db)?.get('chunks', [track, number]);
    }

    async deleteChunk(track: string, number: number): Promise<void> {
        this.memory.delete(`${track}/${number}`);
        await (await this.db)?.delete('chunks', [track, number]).catch(() => undefined);
    }

    /** The numbers of a track's chunks that are still here, in order. */
    async chunkNumbers(track: string): Promise<number[]> {
        const db = await this.db;
        const stored = (await db?.getAllKeys('chunks', IDBKeyRange.bound([track, 0], [track, Infinity]))) ?? [];
        const held = [...this.memory.keys()]
            .filter((key) => key.startsWith(`${track}/`))
            .map((key) => Number(key.split('/')[1]));
        return [...new Set([...stored.map(([, number]) => number), ...held])].sort((a, b) => a - b);
    }
}
