import { beforeEach, describe, expect, it, vi } from 'vitest';

let kept: Map<string, string>;

/** The page as a person opens it; nobody where one works alone. */
async function pageOf(person: string | null) {
    vi.resetModules();
    vi.stubGlobal('document', { getElementById: () => ({ textContent: JSON.stringify({ person }) }) });
    const keys = await import('../../resources/js/recorder/keys');
    const setup = await import('../../resources/js/recorder/setup');
    return { ...keys, ...setup };
}

beforeEach(() => {
    kept = new Map();
    vi.stubGlobal('localStorage', {
        getItem: (place: string) => kept.get(place) ?? null,
        setItem: (place: string, text: string) => void kept.set(place, text),
    });
});

describe('how somebody works', () => {
    it('is remembered for each person who uses the browser', async () => {
        const wenna = await pageOf('wenna');
        wenna.rememberKeys({ record: ['a'] });
        wenna.rememberSetup('course', { ...wenna.freshSetup, camera: 'hers', stopAfterMinutes: 5 });
        const piran = await pageOf('piran');
        expect(piran.rememberedKeys()).toEqual({});
        expect(piran.rememberedSetup('course')).toEqual(piran.freshSetup);
        piran.rememberKeys({ record: ['z'] });
        piran.rememberSetup('course', { ...piran.freshSetup, camera: 'his' });
        const again = await pageOf('wenna');
        expect(again.rememberedKeys()).toEqual({ record: ['a'] });
        expect(again.rememberedSetup('course')).toMatchObject({ camera: 'hers', stopAfterMinutes: 5 });
    });

    it('goes on from when nobody signed in', async () => {
        const alone = await pageOf(null);
        alone.rememberKeys({ record: ['a'] });
        alone.rememberSetup('course', { ...alone.freshSetup, camera: 'here' });
        expect(alone.rememberedKeys()).toEqual({ record: ['a'] });
        const wenna = await pageOf('wenna');
        expect(wenna.rememberedKeys()).toEqual({ record: ['a'] });
        expect(wenna.rememberedSetup('course').camera).toBe('here');
        expect(wenna.rememberedSetup('another course').camera).toBe('here');
        wenna.rememberKeys({});
        expect((await pageOf('wenna')).rememberedKeys()).toEqual({});
        expect((await pageOf(null)).rememberedKeys()).toEqual({ record: ['a'] });
    });

    it('is as usual where what is kept cannot be read, or nothing can be kept', async () => {
        const page = await pageOf(null);
        for (const text of ['', '{', '[1]', '7', '"words"', 'null', '{"record":"a","nothing":["b"],"pause":[1]}']) {
            kept.set('reel.keys', text);
            kept.set('reel.setup', text);
            expect(page.rememberedKeys()).toEqual({});
            expect(page.rememberedSetup('course')).toMatchObject(page.freshSetup);
        }
        vi.stubGlobal('localStorage', {
            getItem: () => {
                throw new DOMException('denied', 'SecurityError');
            },
            setItem: () => {
                throw new DOMException('full', 'QuotaExceededError');
            },
        });
        page.rememberKeys({ record: ['a'] });
        expect(page.rememberedKeys()).toEqual({});
    });
});
