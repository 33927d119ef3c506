import { beforeEach, describe, expect, it, vi } from 'vitest';

/** What of the browser is used: a store that outlives windows, and locks that do not. */
class Store {
    readonly kept = new Map<string, string>();
    full = false;
    getItem = (key: string) => this.kept.get(key) ?? null;
    removeItem = (key: string) => void this.kept.delete(key);
    setItem = (key: string, value: string) => {
        if (this.full) {
            throw new DOMException('full', 'QuotaExceededError');
        }
        this.kept.set(key, value);
    };
}

let store: Store;
let held: string[];

/** Another window of the same browser: the module anew. */
async function windowOf(lesson: string, person: string | null = null) {
    vi.resetModules();
    vi.stubGlobal('document', { getElementById: () => ({ textContent: JSON.stringify({ person }) }) });
    const { scriptDrafts } = await import('../../resources/js/page/scriptDrafts');
    return { drafts: scriptDrafts(lesson), lock: held.at(-1) ?? '' };
}
const close = (lock: string) => (held = held.filter((name) => name !== lock));

beforeEach(() => {
    store = new Store();
    held = [];
    vi.stubGlobal(
        'localStorage',
        new Proxy(store, {
            ownKeys: () => [...store.kept.keys()],
            getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }),
        }),
    );
    vi.stubGlobal('navigator', {
        locks: {
            request: (name: string) => void held.push(name),
            query: async () => ({ held: held.map((name) => ({ name })) }),
        },
    });
});

describe('drafts of a script', () => {
    it('are kept a window each, and found when the window is gone', async () => {
        const one = await windowOf('lesson');
        expect(one.drafts.write({ text: 'typed there', revision: 4 })).toBe(true);
        const two = await windowOf('lesson');
        two.drafts.write({ text: 'typed here', revision: 5 });
        expect(await two.drafts.left()).toEqual([]);
        close(one.lock);
        expect(await two.drafts.left()).toMatchObject([{ text: 'typed there', revision: 4 }]);
        two.drafts.forget((await two.drafts.left())[0]?.key ?? '');
        expect(await two.drafts.left()).toEqual([]);
        expect([...store.kept.values()].map((draft) => (JSON.parse(draft) as { text: string }).text)).toEqual([
            'typed here',
        ]);
    });

    it('of an earlier version, of other lessons, and damaged ones are told apart', async () => {
        store.kept.set('reel.script.lesson', JSON.stringify({ text: 'as it was kept once', revision: 1 }));
        store.kept.set('reel.script.lesson2.x', JSON.stringify({ text: 'another lesson', revision: 1 }));
        store.kept.set('reel.script.lesson.y', '{"text":');
        store.kept.set('reel.script.lesson.z', '{"revision":1}');
        const { drafts } = await windowOf('lesson');
        expect(await drafts.left()).toMatchObject([{ key: 'reel.script.lesson', text: 'as it was kept once' }]);
    });

    it('are of whoever typed them, and of nobody else who signs in in that browser', async () => {
        const before = await windowOf('lesson');
        before.drafts.write({ text: 'typed when nobody signed in', revision: 1 });
        close(before.lock);
        const wenna = await windowOf('lesson', 'wenna');
        wenna.drafts.write({ text: 'typed by Wenna', revision: 2 });
        close(wenna.lock);
        const texts = async (person: string | null) =>
            (await (await windowOf('lesson', person)).drafts.left()).map(({ text }) => text).sort();
        expect(await texts('jory')).toEqual(['typed when nobody signed in']);
        expect(await texts('wenna')).toEqual(['typed by Wenna', 'typed when nobody signed in']);
        expect(await texts(null), 'where one works alone all of it is theirs').toHaveLength(2);
    });

    it('say when there is no room for them', async () => {
        const { drafts } = await windowOf('lesson');
        store.full = true;
        expect(drafts.write({ text: 'too much', revision: 1 })).toBe(false);
        expect(drafts.write(null)).toBe(true);
    });
});
