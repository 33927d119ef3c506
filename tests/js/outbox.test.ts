import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { ApiProblem, Unreachable } from '../../resources/js/api/client';
import { ChunkStore } from '../../resources/js/recorder/chunkStore';
import type { Delivery } from '../../resources/js/recorder/delivery';
import { Outbox } from '../../resources/js/recorder/outbox';

/** A server that keeps what it is sent, and can be away. */
class FakeServer implements Delivery {
    away = false;
    chunks: string[] = [];
    finished: string[] = [];
    log: string[] = [];

    sendChunk = async (_: string, number: number, chunk: Blob) => {
        this.answer();
        if (number === this.chunks.length) {
            this.chunks.push(await chunk.text());
        }
        return this.chunks.length;
    };
    sendEvents = async (_: string, from: number, rows: string[]) => {
        this.answer();
        if (from <= this.log.length) {
            this.log.push(...rows.slice(this.log.length - from));
        }
        return this.log.length;
    };
    finish = async (take: { takeId: string; discard: boolean; tracks: { chunks: number; bytes: number }[] }) => {
        this.answer();
        this.finished.push(`${take.takeId} ${take.discard} ${take.tracks[0]?.chunks} ${take.tracks[0]?.bytes}`);
    };
    isDeleted = async () => true;
    private answer() {
        if (this.away) {
            throw new Unreachable();
        }
    }
}

let server: FakeServer;
let store: ChunkStore;
let names = 0;
const opened = {
    takeId: 'take',
    lessonId: 'lesson',
    number: 1,
    tracks: [{ id: 'track', kind: 'camera' as const, chunks: 0, bytes: 0 }],
};
const noLocks = { request: () => Promise.resolve(), query: () => Promise.resolve({ held: [] }) } as never;

beforeEach(() => {
    server = new FakeServer();
    store = new ChunkStore(`test-${names++}`);
});

const make = () => new Outbox(store, server, noLocks);
const open = async (outbox: Outbox) => outbox.open(structuredClone(opened));

describe('the outbox', () => {
    it('sends chunks in order, then the events, then the end', async () => {
        const outbox = make();
        await open(outbox);
        void outbox.add('take', 'track', new Blob(['a']), 1);
        void outbox.add('take', 'track', new Blob(['bb']), 1);
        outbox.log('take', '{"kind":"line"}');
        await outbox.add('take', 'track', new Blob(['ccc']), 1);
        await outbox.finish('take');

        expect(server.chunks).toEqual(['a', 'bb', 'ccc']);
        expect(server.log).toEqual(['{"kind":"line"}']);
        expect(server.finished).toEqual(['take false 3 6']);
        expect(await store.takes()).toEqual([]);
        expect(outbox.snapshot()).toEqual({ waiting: 0, trouble: null });
    });

    it('sends the log as it grows, and goes on where the server is', async () => {
        const outbox = make();
        await open(outbox);
        outbox.log('take', '{"kind":"start"}');
        outbox.log('take', '{"kind":"line"}');
        await vi.waitFor(() => expect(server.log).toHaveLength(2));
        server.away = true;
        outbox.log('take', '{"kind":"pause"}');
        await vi.waitFor(() => expect(outbox.snapshot().trouble).not.toBeNull());
        // What another try has brought already is not written twice.
        server.log.push('{"kind":"pause"}');
        server.away = false;
        outbox.log('take', '{"kind":"resume"}');
        await outbox.finish('take');

        expect(server.log.map((row) => JSON.parse(row).kind)).toEqual(['start', 'line', 'pause', 'resume']);
        expect(server.finished).toHaveLength(1);
    });

    it('keeps everything while the server is away and says so', async () => {
        const outbox = make();
        await open(outbox);
        server.away = true;
        await outbox.add('take', 'track', new Blob(['a']), 1);
        await outbox.add('take', 'track', new Blob(['b']), 1);
        await vi.waitFor(() => expect(outbox.snapshot().trouble).toContain('cannot be reached'));
        expect(outbox.snapshot().waiting).toBe(2);
        const finished = outbox.finish('take', true);
        server.away = false;
        await finished;

        expect(server.chunks).toEqual(['a', 'b']);
        expect(server.finished).toEqual(['take true 2 2']);
    });

    it('says how many seconds wait, however many tracks they have', async () => {
        const outbox = make();
        server.away = true;
        const kinds = ['camera', 'screen', 'computer'] as const;
        const tracks = kinds.map((kind) => ({ id: kind, kind, chunks: 0, bytes: 0 }));
        await outbox.open({ takeId: 'take', lessonId: 'lesson', number: 1, tracks });
        // A busy machine gives fewer chunks, each of more seconds.
        for (const seconds of [1, 0.9, 3.6]) {
            for (const { id } of seconds === 3.6 ? tracks.slice(0, 1) : tracks) {
                await outbox.add('take', id, new Blob(['...']), seconds);
            }
        }
        expect(outbox.snapshot().waiting).toBe(6);
        server.away = false;
        await outbox.finish('take', true);
        expect(outbox.snapshot().waiting).toBe(0);
    });

    it('finds after a crash what was not sent, even when the count was not stored', async () => {
        const dead = new FakeServer();
        dead.away = true;
        const before = new Outbox(store, dead, noLocks);
        await open(before);
        await before.add('take', 'track', new Blob(['a']), 1);
        await store.putChunk('track', 1, new Blob(['b']));

        const after = new Outbox(new ChunkStore(`test-${names - 1}`), server, noLocks);
        const recovered = await after.recover('lesson');
        expect(recovered.map((take) => take.number)).toEqual([1]);
        expect(server.chunks).toEqual(['a', 'b']);
        expect(server.finished).toEqual(['take false 2 2']);
        expect(await after.recover('lesson')).toEqual([]);
    });

    it('leaves alone what another window records, and other lessons', async () => {
        await open(make());
        const held = {
            request: () => Promise.resolve(),
            query: async () => ({ held: [{ name: 'open-reel-take-take' }] }),
        } as never;

        expect(await new Outbox(store, server, held).recover('lesson')).toEqual([]);
        expect(await make().recover('another lesson')).toEqual([]);
        expect(server.finished).toEqual([]);
    });

    it('sends nothing of what somebody else recorded in this browser', async () => {
        const boxOf = async (person: string) => {
            vi.resetModules();
            vi.stubGlobal('document', { getElementById: () => ({ textContent: JSON.stringify({ person }) }) });
            const { Outbox: Anew } = await import('../../resources/js/recorder/outbox');
            return new Anew(store, server, noLocks);
        };
        server.away = true;
        const wenna = await boxOf('wenna');
        await open(wenna);
        await wenna.add('take', 'track', new Blob(['a']), 1);
        const another = new FakeServer();
        [server] = [another];

        expect(await (await boxOf('jory')).recover('lesson')).toEqual([]);
        expect(another.chunks).toEqual([]);
        expect(await (await boxOf('wenna')).recover('lesson')).toHaveLength(1);
        expect(another.chunks).toEqual(['a']);
        vi.unstubAllGlobals();
    });

    it('drops a take that was deleted on the server', async () => {
        const outbox = make();
        await open(outbox);
        server.sendChunk = async () => {
            throw new ApiProblem(404, 'There is nothing here.');
        };
        await outbox.add('take', 'track', new Blob(['a']), 1);
        await vi.waitFor(async () => expect(await store.takes()).toEqual([]));
    });

    it('keeps a take that is only not shown to whoever is signed in, and sends it when it is again', async () => {
        const outbox = make();
        await open(outbox);
        const { sendChunk } = server;
        server.isDeleted = async () => false;
        server.sendChunk = async () => {
            throw new ApiProblem(404, 'There is nothing here.');
        };
        await outbox.add('take', 'track', new Blob(['a']), 1);
        await vi.waitFor(() => expect(outbox.snapshot().trouble).toContain('is kept in this browser'));
        // It is still rolling: what comes behind it is kept as well.
        await outbox.add('take', 'track', new Blob(['b']), 1);
        await outbox.finish('take');
        expect(await store.chunkNumbers('track')).toEqual([0, 1]);

        server.sendChunk = sendChunk;
        await outbox.recover('lesson');
        await vi.waitFor(() => expect(server.chunks).toEqual(['a', 'b']));
        expect(server.finished).toEqual(['take false 2 2']);
    });

    it('forgets a take in which nothing was recorded', async () => {
        const outbox = make();
        await open(outbox);
        await outbox.forget('take');

        expect(await make().recover('lesson')).toEqual([]);
    });
});
