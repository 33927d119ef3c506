import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cuesIn } from '../../resources/js/lib/scriptSyntax';
import { TimeMap } from '../../resources/js/lib/TimeMap';
import { type Corner, drawnTo, LEAST, moved, shaped } from '../../resources/js/ui/part';

// The same cases each time; other ones with another seed.
fc.configureGlobal({ seed: 20_261_201 });

const part = fc
    .record({
        width: fc.double({ min: LEAST, max: 1, noNaN: true }),
        height: fc.double({ min: LEAST, max: 1, noNaN: true }),
    })
    .chain(({ width, height }) =>
        fc.record({
            x: fc.double({ min: 0, max: 1 - width, noNaN: true }),
            y: fc.double({ min: 0, max: 1 - height, noNaN: true }),
            width: fc.constant(width),
            height: fc.constant(height),
        }),
    );
const by = fc.double({ min: -3, max: 3, noNaN: true });
const isInside = ({ x, y, width, height }: { x: number; y: number; width: number; height: number }) =>
    x >= -1e-3 && y >= -1e-3 && width > 0 && height > 0 && x + width <= 1 + 1e-3 && y + height <= 1 + 1e-3;

describe('whatever there is', () => {
    it('a part that is moved or drawn stays inside its picture', () => {
        fc.assert(
            fc.property(part, by, by, fc.constantFrom<Corner>('nw', 'ne', 'sw', 'se'), (one, x, y, corner) => {
                const there = moved(one, x, y);
                expect(isInside(there)).toBe(true);
                expect(Math.abs(there.width - one.width) + Math.abs(there.height - one.height)).toBeLessThan(1e-3);
                expect(isInside(drawnTo(one, corner, x, y, null))).toBe(true);
            }),
        );
    });

    it('a part that is given a shape has it, and stays inside', () => {
        fc.assert(
            fc.property(part, fc.double({ min: 0.3, max: 3, noNaN: true }), (one, shape) => {
                const now = shaped(one, shape);
                expect(isInside(now)).toBe(true);
                // Parts are kept to four digits.
                expect(Math.abs(now.width / now.height / shape - 1)).toBeLessThan(0.02);
            }),
        );
    });

    it('each frame shows a moment that comes on that frame', () => {
        const stretch = fc.tuple(fc.integer({ min: 1, max: 40 }), fc.nat(50_000), fc.constantFrom(1, 2, 4, 8));
        fc.assert(
            fc.property(fc.array(stretch, { minLength: 1, maxLength: 8 }), (parts) => {
                let at = 0;
                const map = new TimeMap(
                    parts.map(([frames, gap, times]) => {
                        const one = { frames, in_ticks: at + gap, step: 1920 * times };
                        at += gap + frames * one.step;
                        return one;
                    }),
                );
                for (let frame = 0; frame < map.frames; frame++) {
                    expect(map.frameOf(map.timeOf(frame))).toBe(frame);
                }
            }),
        );
    });

    it('a cue is where its brackets are, whatever stands round it', () => {
        const text = fc
            .array(fc.constantFrom('[zoom: out]', '[slide]', 'The tide ', '👩‍🚀 ', '\\[', '[note: x]', '\n\n', '# '))
            .map((all) => all.join(''));
        fc.assert(
            fc.property(text, fc.nat(500), (said, offset) => {
                let last = 0;
                for (const cue of cuesIn(said, offset)) {
                    const own = said.slice(cue.from - offset, cue.to - offset);
                    expect(own).toMatch(/^\[[^[\]]*\]$/);
                    expect(cue.from).toBeGreaterThanOrEqual(last);
                    last = cue.to;
                }
            }),
        );
    });
});
