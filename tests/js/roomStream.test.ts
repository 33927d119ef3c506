import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { RoomStream } from '../../resources/js/site/roomStream';

interface Row {
    line: number;
}

/** A server whose answer is written to by the test. */
class Server {
    writers: WritableStreamDefaultWriter<Uint8Array>[] = [];
    asked = 0;
    isAway = false;

    open = (signal: AbortSignal): Promise<Response> => {
        this.asked++;
        if (this.isAway) {
            return Promise.reject(new TypeError('away'));
        }
        const { readable, writable } = new TransformStream<Uint8Array, Uint8Array>();
        const writer = writable.getWriter();
        this.writers.push(writer);
        signal.addEventListener('abort', () => void writer.abort('gone').catch(() => undefined));
        return Promise.resolve(new Response(readable));
    };

    say(text: string): void {
        void this.writers
            .at(-1)
            ?.write(new TextEncoder().encode(text))
            .catch(() => undefined);
    }
}

describe('RoomStream', () => {
    let server: Server;
    let rows: Row[];
    let there: boolean[];
    let stream: RoomStream<Row>;
    const later = (ms: number) => vi.advanceTimersByTimeAsync(ms);

    beforeEach(() => {
        vi.useFakeTimers();
        server = new Server();
        rows = [];
        there = [];
        stream = new RoomStream<Row>(server.open, { row: (row) => rows.push(row), there: (is) => there.push(is) });
        void stream.listen();
    });
    afterEach(() => {
        stream.stop();
        vi.useRealTimers();
    });

    it('hears rows however they are cut', async () => {
        await later(0);
        server.say('{"line":1}\n{"li');
        await later(0);
        expect(rows).toEqual([{ line: 1 }]);
        server.say('ne":2}\n\n');
        await later(0);
        expect(rows).toEqual([{ line: 1 }, { line: 2 }]);
        expect(there).toEqual([true]);
    });

    it('makes a connection anew that has fallen silent, and hears what stands then', async () => {
        await later(0);
        server.say('{"line":1}\n');
        await later(1400);
        server.say('\n');
        await later(1400);
        expect(server.asked).toBe(1);
        await later(600);
        expect(there).toEqual([true, false]);
        expect(server.asked).toBe(2);
        server.say('{"line":5}\n');
        await later(0);
        expect(rows.at(-1)).toEqual({ line: 5 });
        expect(there).toEqual([true, false, true]);
    });

    it('asks again and again while the server is away', async () => {
        await later(0);
        server.isAway = true;
        stream.anew();
        await later(2000);
        expect(server.asked).toBeGreaterThan(5);
        server.isAway = false;
        await later(300);
        server.say('{"line":3}\n');
        await later(0);
        expect(rows).toEqual([{ line: 3 }]);
    });

    it('says nothing more once it is stopped', async () => {
        await later(0);
        stream.stop();
        await later(3000);
        expect(server.asked).toBe(1);
        expect(there).toEqual([]);
    });
});
