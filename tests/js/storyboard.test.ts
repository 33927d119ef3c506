import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import type { Assembly, PlacedCue, Rect, Section, Segment } from '../../resources/js/api/types';
import { narrowed, panned, sized } from '../../resources/js/rooms/finish/framing';
import { boardRows, placeBehind } from '../../resources/js/rooms/finish/storyboard';

/** The same examples as tests/Core/Picture/CropTest.php. */
const crops = JSON.parse(readFileSync(new URL('../examples/crop.json', import.meta.url), 'utf8')) as {
    name: string;
    part: Rect;
    source: { width: number; height: number };
    aspect: number;
    narrowed: Rect;
}[];

const lineOf = (id: string, number: number, paragraph: number, text: string) => ({
    id,
    number,
    paragraph,
    text,
    spoken_ms: 1000,
});
const section = {
    id: 's',
    lines: [
        lineOf('a', 1, 1, 'One two three.'),
        lineOf('b', 2, 1, 'Nobody says this.'),
        lineOf('c', 3, 2, 'Four five.'),
    ],
} as unknown as Section;
let drawn = 0;
/** A shot that looks like no other. */
const shot = (offset: number, frames: number, ground = String(drawn++)) => ({
    offset,
    frames,
    picture: { ground, layers: [] },
});
const segment = (start: number, said: Record<string, number[]>, ...shots: unknown[]) => {
    const words = Object.entries(said).map(([line, frames]) => ({ line, frames }));
    return { section_id: 's', start_frame: start, frames: 100, words, shots } as unknown as Segment;
};
const plan = {
    fps: 25,
    segments: [
        segment(1000, { a: [5, 30, 60] }, shot(0, 30), shot(30, 20), shot(50, 50)),
        segment(1100, { c: [10, 40] }, shot(0, 100)),
    ],
} as Assembly;
const cue = (number: number, lineId: string, word: number): PlacedCue => ({
    number,
    kind: 'layout',
    value: 'camera alone',
    text: '[layout: camera alone]',
    line: lineId,
    word,
    problem: null,
});

test('what is seen changes where the film changes it, and words stand where they are said', () => {
    const rows = boardRows(plan, section, [cue(0, 'a', 0), cue(1, 'a', 1), cue(2, 'c', 0)]);
    expect(rows.map((row) => [row.frame, row.frames, row.words.map((word) => word.text).join(' ')])).toEqual([
        [1000, 30, 'One'],
        [1030, 20, 'two'],
        [1050, 50, 'three.'],
        [null, 0, 'Nobody says this.'],
        [1100, 100, 'Four five.'],
    ]);
    const words = rows.flatMap((row) => row.words);
    expect(words.map((word) => word.frame)).toEqual([1005, 1030, 1060, null, null, null, 1110, 1140]);
    // The first cue opens the section, and is shown beside it.
    expect(words.map((word) => word.cues.length)).toEqual([0, 1, 0, 0, 0, 0, 1, 0]);
    expect(words.filter((word) => word.begins).map((word) => word.text)).toEqual(['One', 'Four']);
});

test('a picture during which no word begins has its row all the same', () => {
    const quiet = { ...plan, segments: [segment(0, { a: [5, 6, 7] }, shot(0, 50), shot(50, 50))] } as Assembly;
    expect(boardRows(quiet, section, []).map((row) => [row.frame, row.words.length])).toEqual([
        [0, 3],
        [null, 5],
        [50, 0],
    ]);
});

test('a section that nobody speaks is its words alone', () => {
    const rows = boardRows({ ...plan, segments: [] }, section, []);
    expect(rows).toHaveLength(1);
    expect(rows[0]?.words).toHaveLength(8);
});

test('another take that goes on with the same picture makes no row of its own', () => {
    const same = {
        ...plan,
        segments: [segment(0, { a: [5, 6, 7] }, shot(0, 100, 'x')), segment(100, { b: [1, 2, 3] }, shot(0, 100, 'x'))],
    } as Assembly;
    const short = { ...section, lines: section.lines.slice(0, 2) } as Section;
    expect(boardRows(same, short, []).map((row) => [row.frame, row.frames, row.words.length])).toEqual([[0, 200, 6]]);
});

test('what is on its way is shown as it is when it is there', () => {
    const motion = { frames: 20, from: {}, ease: 'soft', part: {} };
    const moving = { offset: 0, frames: 20, picture: { ground: 'a', layers: [{ shows: 'slide', motion }] } };
    const there = { offset: 20, frames: 80, picture: { ground: 'a', layers: [{ shows: 'slide', motion: null }] } };
    const zoomed = { ...plan, segments: [segment(0, { a: [5, 30, 60] }, moving, there)] } as unknown as Assembly;
    const short = { ...section, lines: section.lines.slice(0, 1) } as Section;
    const rows = boardRows(zoomed, short, []);
    expect(rows.map((row) => [row.frame, row.frames, row.words.length])).toEqual([[0, 100, 3]]);
    expect(rows[0]?.shot).toBe(there);
});

test('a zoom and a move that end one after the other are one way, and how near one is framed is no other picture', () => {
    const layer = (shows: string, of: number | null, crop: object | null = null) => ({
        shows,
        crop,
        motion: of === null ? null : { frames: of },
    });
    const both = { offset: 0, frames: 15, picture: { layers: [layer('slide', 20), layer('camera', 15)] } };
    const rest = { offset: 15, frames: 5, picture: { layers: [layer('slide', 5), layer('camera', null)] } };
    const there = { offset: 20, frames: 80, picture: { layers: [layer('slide', null), layer('camera', null)] } };
    const nearer = { offset: 0, frames: 100, picture: { layers: [layer('slide', null), layer('camera', null, {})] } };
    const segments = [segment(0, { a: [5, 30, 60] }, both, rest, there), segment(100, { b: [0, 9, 20] }, nearer)];
    const short = { ...section, lines: section.lines.slice(0, 2) } as Section;
    const rows = boardRows({ ...plan, segments } as unknown as Assembly, short, []);
    expect(rows.map((row) => [row.frame, row.frames, row.words.length])).toEqual([[0, 200, 6]]);
    expect(rows[0]?.shot).toBe(there);
});

test('the words of a card stand beside it, also while it counts', () => {
    const plain = { ...plan, segments: [segment(40, {}, shot(0, 50), shot(50, 50))] } as Assembly;
    const rows = boardRows(plain, { ...section, card: { kind: 'question', length_ms: 4000 } } as Section, []);
    expect(rows.map((row) => [row.frame, row.frames, row.words.length, row.words[0]?.frame])).toEqual([
        [40, 100, 8, 40],
    ]);
});

test('the place behind the last word chosen is the next word, whosever line it is', () => {
    expect(placeBehind(section, { line: 'a', word: 1 })).toEqual({ line: 'a', word: 2 });
    expect(placeBehind(section, { line: 'a', word: 2 })).toEqual({ line: 'b', word: 0 });
    expect(placeBehind(section, { line: 'c', word: 1 })).toBeNull();
});

test('a camera is framed inside its picture, and keeps the shape of its place', () => {
    const whole = { x: 0, y: 0, width: 1, height: 1 };
    const square = narrowed(whole, { width: 1600, height: 900 }, 1);
    for (const { name, part, source, aspect, narrowed: meant } of crops) {
        const found = narrowed(part, source, aspect);
        for (const side of ['x', 'y', 'width', 'height'] as const) {
            expect(found[side], `${name}: ${side}`).toBeCloseTo(meant[side], 4);
        }
    }

    expect(panned(square, 0.1, 0.1)).toEqual({ ...square, x: 0.31875 });
    expect(panned(square, -9, 9)).toEqual({ ...square, x: 0 });
    const near = sized(square, 0.5);
    expect([near.width, near.height, near.x, near.y]).toEqual([0.28125, 0.5, 0.359375, 0.25]);
    expect(sized(near, 9)).toEqual({ x: 0.21875, y: 0, width: 0.5625, height: 1 });
    expect(sized(square, 0.001).width).toBeCloseTo(0.2);
});
