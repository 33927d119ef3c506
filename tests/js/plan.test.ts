import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { Assembly, Rect, Segment } from '../../resources/js/api/types';
import {
    frameAt,
    isOver,
    isSilentAt,
    mediaTime,
    meetingAt,
    paceOf,
    partsOf,
    placeOf,
    planOfSection,
    runsOf,
} from '../../resources/js/player/plan';
import { type Stretch, TimeMap } from '../../resources/js/lib/TimeMap';
import { levelWord } from '../../resources/js/recorder/meter';
import { cropAt, rectAt } from '../../resources/js/ui/place';
import { clock, day, megabytes, tenths } from '../../resources/js/lib/time';

const example = <Kind>(name: string): Kind =>
    JSON.parse(readFileSync(new URL(`../examples/${name}.json`, import.meta.url), 'utf8')) as Kind;

type Example = { name: string; stretches: Stretch[]; times: [number, number][]; frames: [number, number][] };

describe('the map between frames and the take', () => {
    for (const { name, stretches, times, frames } of example<Example[]>('time-map')) {
        it(`holds for ${name}`, () => {
            const map = new TimeMap(stretches);
            expect(times.map(([frame]) => [frame, map.timeOf(frame)])).toEqual(times);
            expect(frames.map(([tick]) => [tick, map.frameOf(tick)])).toEqual(frames);
        });
    }
});

const segment = (
    start_frame: number,
    frames: number,
    in_ticks: number,
    join: Segment['join'] = { kind: 'cut', frames: 0 },
) => ({ start_frame, frames, join, offset_ticks: 0, map: [{ frames, in_ticks, step: 1920 }] }) as unknown as Segment;
const planOf = (frames: number, ...segments: Segment[]) =>
    ({ fps: 25, frames, segments, music: [], fade_in: 0, fade_out: 0 }) as unknown as Assembly;
const plan = planOf(60, segment(0, 25, 48_000), segment(25, 10, 0), segment(35, 25, 7));

describe('a segment that runs at several paces', () => {
    const map = [
        { frames: 10, in_ticks: 0, step: 1920 },
        { frames: 5, in_ticks: 19_200, step: 7680 },
        { frames: 10, in_ticks: 96_000, step: 1920 },
    ];
    const several = {
        ...segment(100, 25, 0, { kind: 'dissolve', frames: 4 }),
        map,
        clicks: [3, 12],
        silences: [[8, 12]],
    };
    const parts = partsOf(planOf(150, segment(0, 100, 0), several as Segment, segment(125, 25, 0)));

    it('is played in parts, each of which knows its segment', () => {
        expect(parts.segments.map(({ of, start_frame, frames }) => [of, start_frame, frames])).toEqual([
            [0, 0, 100],
            [1, 100, 10],
            [1, 110, 5],
            [1, 115, 10],
            [2, 125, 25],
        ]);
        expect(parts.segments.map((part) => paceOf(part, 25))).toEqual([1, 1, 4, 1, 1]);
        expect(parts.segments.map(({ join }) => join.kind)).toEqual(['cut', 'dissolve', 'cut', 'cut', 'cut']);
        expect(parts.segments.slice(1, 4).map(({ clicks }) => clicks)).toEqual([[3], [2], []]);
        expect(
            [107, 108, 110, 111, 112].map((at) => isSilentAt(parts.segments[at < 110 ? 1 : 2] as Segment, at)),
        ).toEqual([false, true, true, true, false]);
    });

    it('goes on in the same media where nothing is left out', () => {
        const media = parts.segments.map((part) => ({ ...part, media_url: 'take' }));
        expect(runsOf({ segments: media }).slice(1, 4)).toEqual([1, 1, 2]);
        expect(frameAt(parts.segments[2] as Segment, (19_200 + 3 * 7680) / 48_000)).toBe(113);
    });
});

describe('a section by itself', () => {
    const own = (section_id: string, start: number, lines: string[] = []) =>
        ({ ...segment(start, 20, 0, { kind: 'dissolve', frames: 5 }), section_id, lines }) as Segment;

    it('begins at once and keeps its joins', () => {
        const alone = planOfSection(planOf(65, own('a', 0), own('b', 15), own('b', 30)), 'b');
        expect(alone.segments.map(({ start_frame, join }) => [start_frame, join.kind])).toEqual([
            [0, 'cut'],
            [15, 'dissolve'],
        ]);
        expect([alone.frames, alone.length_ms]).toEqual([35, 1400]);
        expect(planOfSection(planOf(20, own('a', 0)), 'c')).toMatchObject({ frames: 0, segments: [] });
    });

    it('is silent where its take is', () => {
        const hushed = { ...segment(100, 50, 0), silences: [[10, 20]] } as Segment;
        expect([109, 110, 119, 120].map((frame) => isSilentAt(hushed, frame))).toEqual([false, true, true, false]);
    });
});

describe('the plan in the player', () => {
    it('finds the segment of every frame', () => {
        expect(placeOf(plan, 0)).toEqual({ index: 0, offset: 0 });
        expect(placeOf(plan, 24)).toEqual({ index: 0, offset: 24 });
        expect(placeOf(plan, 25)).toEqual({ index: 1, offset: 0 });
        expect(placeOf(plan, 59)).toEqual({ index: 2, offset: 24 });
        expect(placeOf(plan, 60)).toEqual({ index: 2, offset: 24 });
        expect(placeOf(plan, -3)).toEqual({ index: 0, offset: 0 });
    });

    it('goes from frames to media time and back without losing one, also when the media begin later than the take', () => {
        for (const step of [2000, 1920, 1600, 960, 800]) {
            for (const offset_ticks of [0, 700]) {
                const one = { ...segment(40, 60, 48_000), offset_ticks, map: [{ frames: 60, in_ticks: 48_000, step }] };
                for (let offset = 0; offset < 60; offset++) {
                    expect(frameAt(one, mediaTime(one, offset))).toBe(40 + offset);
                }
            }
        }
    });

    it('ends a segment at its last frame', () => {
        const one = planOf(25, segment(0, 25, 48_000));
        expect(isOver(one, 0, 1.95)).toBe(false);
        expect(isOver(one, 0, 1.99)).toBe(true);
        expect(frameAt(one.segments[0] as Segment, 5)).toBe(24);
        expect(frameAt(one.segments[0] as Segment, 0)).toBe(0);
    });

    it('lets one element play on where a take goes on', () => {
        const of = (media_url: string | null, in_ticks: number, join: Segment['join'] = { kind: 'cut', frames: 0 }) =>
            ({ ...segment(0, 10, in_ticks, join), media_url }) as Segment;
        const dissolve = { kind: 'dissolve' as const, frames: 2 };
        const segments = [
            of('a', 0),
            of('a', 19_200),
            of('a', 38_401),
            of('b', 57_601),
            of(null, 0),
            of(null, 0),
            of('a', 0),
            of('a', 19_200, dissolve),
        ];
        expect(runsOf({ segments })).toEqual([0, 0, 1, 2, 3, 4, 5, 6]);
    });

    it('shows both sides of a dissolve, and the ground at a dip, as the film does', () => {
        const dissolve = planOf(45, segment(0, 25, 0), segment(20, 25, 0, { kind: 'dissolve', frames: 5 }));
        expect(placeOf(dissolve, 20)).toEqual({ index: 1, offset: 0 });
        expect(isOver(dissolve, 0, 0.8)).toBe(true);
        expect([20, 22, 24, 25].map((frame) => meetingAt(dissolve, 1, frame))).toEqual([
            { before: 0, opacity: 0, pushed: null, veil: 0 },
            { before: 0, opacity: 0.4, pushed: null, veil: 0 },
            { before: 0, opacity: 0.8, pushed: null, veil: 0 },
            { before: null, opacity: 1, pushed: null, veil: 0 },
        ]);
        const push = planOf(40, segment(0, 25, 0), segment(15, 25, 0, { kind: 'push', frames: 10 }));
        expect([15, 20, 25].map((frame) => meetingAt(push, 1, frame).pushed?.toFixed(3))).toEqual([
            '0.000',
            '0.500',
            undefined,
        ]);
        const faded = { ...planOf(50, segment(0, 50, 0)), fade_in: 10, fade_out: 20 };
        expect([0, 5, 10, 30, 40].map((frame) => meetingAt(faded, 0, frame).veil)).toEqual([1, 0.5, 0, 0, 0.5]);
        const dip = planOf(50, segment(0, 25, 0), segment(25, 25, 0, { kind: 'dip', frames: 8 }));
        expect([20, 21, 23].map((frame) => meetingAt(dip, 0, frame).veil)).toEqual([0, 0, 0.5]);
        expect([25, 27, 29].map((frame) => meetingAt(dip, 1, frame).veil)).toEqual([1, 0.5, 0]);
    });
});

describe('a layer on its way', () => {
    type Move = {
        motion: { from: number[]; frames: number; ease: 'steady' | 'soft' };
        rect: number[];
        at: [number, number[]][];
    };
    const rect = ([x = 0, y = 0, width = 0, height = 0]: number[]) => ({ x, y, width, height });
    it('is where the film has it', () => {
        for (const { motion, rect: to, at } of example<Move[]>('motion')) {
            const layer = { rect: rect(to), motion: { ...motion, from: rect(motion.from), part: null } };
            for (const [frame, place] of at) {
                const { x, y, width, height } = rectAt(layer, frame);
                expect([x, y, width, height].map((side) => Math.round(1000 * side) / 1000)).toEqual(place);
            }
        }
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

it('on its way to another part of the picture it shows what the film shows', () => {
    interface Example {
        from: [number, number, number, number];
        to: [number, number, number, number];
        frames: number;
        at: [number, number[]][];
    }
    const rect = ([x, y, width, height]: [number, number, number, number]): Rect => ({ x, y, width, height });
    for (const { from, to, frames, at } of example<Example[]>('zoom')) {
        const whole = { x: 0, y: 0, width: 100, height: 100 };
        const motion = { from: whole, frames, ease: 'soft' as const, part: rect(from) };
        for (const [frame, part] of at) {
            const crop = cropAt({ crop: rect(to), motion }, frame);
            Object.values(crop ?? {}).forEach((side, index) => expect(side).toBeCloseTo(part[index] ?? -1, 4));
        }
    }
    expect(cropAt({ crop: null, motion: null }, 3)).toBeNull();
});
