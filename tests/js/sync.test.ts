import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { type Draft, type LeftDraft, ScriptSync, type ServerScript } from '../../resources/js/page/ScriptSync';

let server: ServerScript;
let draft: Draft | null;
let left: LeftDraft[];
let away: boolean;
let room: boolean;
let sent: string[];
let onTheWay: Promise<void>;

const make = () =>
    new ScriptSync(server, {
        save: async (words, revision) => {
            await onTheWay;
            if (away) {
                throw new TypeError('network');
            }
            if (revision !== server.revision) {
                throw { status: 409, says: 'changed', ...server };
            }
            sent.push(words);
            server = { text: words, revision: revision + 1 };
            return server;
        },
        load: async () => {
            if (away) {
                throw new TypeError('network');
            }
            return server;
        },
        answerOf: (error) => (error instanceof TypeError ? null : (error as never)),
        drafts: {
            write: (kept) => {
                draft = room ? kept : draft;
                return room;
            },
            left: async () => left,
            forget: (key) => (left = left.filter((one) => one.key !== key)),
        },
        onScript: () => undefined,
    });

/** A page that shows the text of a sync, and can be typed on. */
class Page {
    text: string;
    readonly shown: string[] = [];
    readonly close: () => void;

    constructor(private readonly sync: ScriptSync) {
        this.text = sync.text;
        this.close = sync.attach({
            text: () => this.text,
            sending: () => undefined,
            show: (script) => this.shown.push(script.text),
            write: (text) => (this.text = text),
        });
    }

    async type(text: string, wait = 1000): Promise<void> {
        this.text = text;
        this.sync.changed();
        await vi.advanceTimersByTimeAsync(wait);
    }
}

beforeEach(() => {
    vi.useFakeTimers();
    server = { text: 'A', revision: 1 };
    draft = null;
    left = [];
    away = false;
    room = true;
    sent = [];
    onTheWay = Promise.resolve();
});
afterEach(() => vi.useRealTimers());

describe('the script of a lesson in a window', () => {
    it('is saved a moment after the last key', async () => {
        const sync = make();
        const page = new Page(sync);
        await page.type('AB', 300);
        expect(sync.snapshot().saved).toBe('unsaved');
        await page.type('ABC');
        expect(server).toEqual({ text: 'ABC', revision: 2 });
        expect(sync.snapshot().saved).toBe('saved');
        expect(draft).toBeNull();
    });

    it('is kept while the server is away, and brought when it is back', async () => {
        const sync = make();
        const page = new Page(sync);
        away = true;
        await page.type('AB');
        expect(sync.snapshot()).toMatchObject({ saved: 'offline', kept: true });
        expect(draft).toEqual({ text: 'AB', revision: 1 });
        away = false;
        await vi.advanceTimersByTimeAsync(4000);
        expect(server.text).toBe('AB');
        expect(draft).toBeNull();
    });

    it('is kept until it is known to have arrived, also when room or window are closed over it', async () => {
        const sync = make();
        const page = new Page(sync);
        let arrive = () => {};
        onTheWay = new Promise((resolve) => (arrive = resolve));
        await page.type('AB');
        expect(sync.snapshot().saved).toBe('saving');
        sync.keepDraft();
        expect(draft).toEqual({ text: 'AB', revision: 1 });
        page.close();
        expect(draft).toEqual({ text: 'AB', revision: 1 });
        arrive();
        await vi.advanceTimersByTimeAsync(100);
        expect(server.text).toBe('AB');
        expect(draft).toBeNull();
    });

    it('outlives its page: what was typed is there when the page comes back, and nothing older is ever sent', async () => {
        const sync = make();
        const first = new Page(sync);
        await first.type('A, saved');
        away = true;
        await first.type('A, saved, and typed in a tunnel');
        first.close();
        await vi.advanceTimersByTimeAsync(20_000);
        const second = new Page(sync);
        expect(second.text).toBe('A, saved, and typed in a tunnel');
        expect(draft).toEqual({ text: 'A, saved, and typed in a tunnel', revision: 2 });
        second.close();
        away = false;
        await vi.advanceTimersByTimeAsync(5000);
        expect(sent).toEqual(['A, saved', 'A, saved, and typed in a tunnel']);
        expect(sync.snapshot().saved).toBe('saved');
    });

    it('says when the browser has no room to keep it', async () => {
        const sync = make();
        const page = new Page(sync);
        away = true;
        room = false;
        await page.type('AB');
        expect(sync.snapshot()).toMatchObject({ saved: 'offline', kept: false });
    });

    it('shows both versions and overwrites neither until one is chosen', async () => {
        const sync = make();
        const page = new Page(sync);
        server = { text: 'theirs', revision: 5 };
        await page.type('mine');
        expect(sync.snapshot().conflict).toEqual({ mine: 'mine', theirs: 'theirs', revision: 5 });
        expect(draft).toEqual({ text: 'mine', revision: 1 });
        await page.type('mine, more', 10_000);
        expect(server.text).toBe('theirs');
        expect(draft?.text).toBe('mine, more');
        sync.resolved();
        await vi.advanceTimersByTimeAsync(100);
        expect(server).toEqual({ text: 'mine, more', revision: 6 });
    });

    it('takes over what was written elsewhere only when nothing here waits', async () => {
        const sync = make();
        const page = new Page(sync);
        server = { text: 'elsewhere', revision: 2 };
        page.text = 'typing';
        sync.changed();
        await sync.look();
        expect(page.shown).toEqual([]);
        const idle = make();
        const other = new Page(idle);
        server = { text: 'later', revision: 3 };
        await idle.look();
        expect(other.shown).toEqual(['later']);
        other.close();
    });
});

describe('words that a window now gone could not save', () => {
    it('go on where the script is as it was', async () => {
        left = [{ key: 'gone', text: 'AB', revision: 1 }];
        const sync = make();
        const page = new Page(sync);
        await sync.look();
        expect(page.text).toBe('AB');
        expect(left).toEqual([]);
        expect(draft).toEqual({ text: 'AB', revision: 1 });
        await vi.advanceTimersByTimeAsync(1000);
        expect(server.text).toBe('AB');
    });

    it('are shown beside what was written since, and kept until one is chosen', async () => {
        left = [{ key: 'gone', text: 'AB', revision: 1 }];
        server = { text: 'C', revision: 2 };
        const sync = make();
        const page = new Page(sync);
        await sync.look();
        await sync.look();
        expect(sync.snapshot().conflict).toEqual({ mine: 'AB', theirs: 'C', revision: 2 });
        expect(left).toHaveLength(1);
        page.text = 'AB';
        sync.resolved();
        await vi.advanceTimersByTimeAsync(100);
        expect(server).toEqual({ text: 'AB', revision: 3 });
        expect(left).toEqual([]);
    });

    it('are compared one after the other', async () => {
        left = [
            { key: 'newer', text: 'AB', revision: 1 },
            { key: 'older', text: 'AX', revision: 1 },
            { key: 'same', text: 'AB', revision: 1 },
        ];
        const sync = make();
        new Page(sync);
        await sync.look();
        await vi.advanceTimersByTimeAsync(1000);
        expect(server.text).toBe('AB');
        expect(sync.snapshot().conflict).toEqual({ mine: 'AX', theirs: 'AB', revision: 2 });
        sync.resolved();
        await vi.advanceTimersByTimeAsync(1000);
        expect(left).toEqual([]);
        expect(sync.snapshot().conflict).toBeNull();
    });

    it('are nothing to ask about when the server has them already', async () => {
        left = [{ key: 'gone', text: 'A', revision: 0 }];
        const sync = make();
        new Page(sync);
        await sync.look();
        expect(sync.snapshot()).toMatchObject({ saved: 'saved', conflict: null });
        expect(left).toEqual([]);
    });
});
