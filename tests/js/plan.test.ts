import { describe, expect, it } from 'vitest';
import type { Segment } from '../../resources/js/api/types';
import { frameAt, isOver, mediaTime, placeOf } from '../../resources/js/player/plan';
import { levelWord } from '../../resources/js/recorder/meter';
import { clock, day, megabytes, tenths } from '../../resources/js/ui/time';

const segment = (start_frame: number, frames: number, in_ticks: number) =>
    ({ start_frame, frames, in_ticks }) as Segment;
const plan = { frames: 60, segments: [segment(0, 25, 48_000), segment(25, 10, 0), segment(35, 25, 7)] };

describe('the plan in the player', () => {
    it('finds the segment of every frame', () => {
        expect(placeOf(plan, 0)).toEqual({ index: 0, offset: 0 });
        expect(placeOf(plan, 24)).toEqual({ index: 0, offset: 24 });
        expect(placeOf(plan, 25)).toEqual({ index: 1, offset: 0 });
        expect(placeOf(plan, 59)).toEqual({ index: 2, offset: 24 });
        expect(placeOf(plan, 60)).toEqual({ index: 2, offset: 24 });
        expect(placeOf(plan, -3)).toEqual({ index: 0, offset: 0 });
    });

    it('goes from frames to media time and back without losing one', () => {
        for (const fps of [24, 25, 30, 50, 60]) {
            for (const one of plan.segments) {
                for (let offset = 0; offset < one.frames; offset++) {
                    expect(frameAt(one, mediaTime(one, offset, fps), fps)).toBe(one.start_frame + offset);
                }
            }
        }
    });

    it('ends a segment at its last frame', () => {
        const one = segment(0, 25, 48_000);
        expect(isOver(one, 1.95, 25)).toBe(false);
        expect(isOver(one, 1.99, 25)).toBe(true);
        expect(frameAt(one, 5, 25)).toBe(24);
        expect(frameAt(one, 0, 25)).toBe(0);
    });
});

describe('words and times', () => {
    it('calls levels by their names', () => {
        expect(levelWord(-96, -90)).toBe('silent');
        expect(levelWord(-45, -30)).toBe('too quiet');
        expect(levelWord(-20, -6)).toBe('good');
        expect(levelWord(-10, -0.5)).toBe('too loud');
    });

    it('writes times as m:ss', () => {
        expect(clock(0)).toBe('0:00');
        expect(clock(83_400)).toBe('1:23');
        expect(clock(59_600)).toBe('1:00');
        expect(tenths(83_440)).toBe('1:23.4');
        expect(tenths(59_960)).toBe('1:00.0');
        expect(megabytes(12_345_678)).toBe('12 MB');
        expect(megabytes(1_234_567)).toBe('1.2 MB');
        expect(day('2026-03-03T10:00:00Z', new Date('2026-11-24T10:00:00Z'))).toMatch(/3/);
    });
});
