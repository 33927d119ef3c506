import { afterEach, describe, expect, it, vi } from 'vitest';
import { bringSlides, portions } from '../../resources/js/ui/importSlides';

const file = (name: string, size = 1000) => {
    const made = new File(['x'], name);
    Object.defineProperty(made, 'size', { value: size });
    return made;
};
const numbered = (count: number) => Array.from({ length: count }, (_, i) => file(`page-${count - i}.png`));

describe('bringing in many slides', () => {
    afterEach(() => vi.unstubAllGlobals());

    it('sends them in portions, in the order of their numbers', () => {
        const all = portions(numbered(300));
        expect(all.flat().map((one) => one.name)).toEqual(Array.from({ length: 300 }, (_, i) => `page-${i + 1}.png`));
        expect(Math.max(...all.map((one) => one.length))).toBeLessThan(20);
    });

    it('sends large ones by themselves', () => {
        expect(
            portions([file('a', 50e6), file('b', 20e6), file('c', 30e6)]).map((one) => one.map((f) => f.name)),
        ).toEqual([['a'], ['b', 'c']]);
        expect(portions([])).toEqual([]);
    });

    it('adds up what came of all, and names what a portion could not bring', async () => {
        let calls = 0;
        vi.stubGlobal('fetch', async () => {
            calls++;
            return calls === 2
                ? new Response(JSON.stringify({ detail: 'That is more than the server takes at once.' }), {
                      status: 413,
                  })
                : new Response(JSON.stringify({ added: 12, names: Array(12).fill('n'), refused: ['one'], decks: [] }));
        });
        const sent: number[] = [];
        const answer = await bringSlides('lesson', numbered(30), 'add', (count) => sent.push(count));
        expect(calls).toBe(3);
        expect(answer.added).toBe(24);
        expect(answer.refused).toHaveLength(2 + 12);
        expect(answer.refused[1]).toBe('“page-13.png”: That is more than the server takes at once.');
        expect(sent).toEqual([12, 24, 30]);
    });

    it('stops when the server is away', async () => {
        vi.stubGlobal('fetch', () => Promise.reject(new TypeError('network')));
        await expect(bringSlides('lesson', numbered(3))).rejects.toThrow('cannot be reached');
    });
});
