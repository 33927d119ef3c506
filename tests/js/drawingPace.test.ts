import { describe, expect, it } from 'vitest';
import { DrawingPace } from '../../resources/js/recorder/drawingPace';

/** Gaps between pictures on a machine that comes so much late each time. */
function gaps(pictures: number, late: (picture: number) => number): number[] {
    const pace = new DrawingPace(40, 0);
    const found: number[] = [];
    for (let now = 0, picture = 0; picture < pictures; picture++) {
        const gap = pace.next(now) + late(picture);
        found.push(gap);
        now += gap;
    }
    return found;
}

describe('the pace of drawing', () => {
    it('is what is wanted where timers come nearly in time', () => {
        const found = gaps(100, () => 6);
        expect(found.reduce((sum, gap) => sum + gap, 0) / 100).toBeCloseTo(40, 0);
    });

    it('slows down where they come late, and no further than to a sixth', () => {
        const found = gaps(30, () => 100);
        expect(found[0]).toBe(140);
        expect(found[2]).toBeGreaterThan(180);
        expect(Math.max(...found)).toBe(340);
    });

    it('comes back when the machine has time again', () => {
        const found = gaps(90, (picture) => (picture < 10 ? 100 : 0));
        expect(found[11]).toBeGreaterThan(200);
        expect(found.at(-1)).toBeCloseTo(40, 5);
    });
});
