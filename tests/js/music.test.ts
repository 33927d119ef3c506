import { expect, test } from 'vitest';
import type { Bed } from '../../resources/js/api/types';
import { loudAt, sampleOf } from '../../resources/js/player/BedPlayer';
import { planOfSection } from '../../resources/js/player/plan';
import { readMusic, writeMusic } from '../../resources/js/rooms/finish/music';
import type { Assembly } from '../../resources/js/api/types';

test('a music cue is read and written, with only what is not as usual', () => {
    for (const value of ['Slack water', 'Slack water, -3 dB, in 2 s, out 4.5 s, once', 'Ebb, 2 dB, out 0 s']) {
        const said = readMusic(value);
        expect(said && writeMusic(said)).toBe(`[music: ${value}]`);
    }
    expect(readMusic('Ebb, −1.5dB, in 2')).toMatchObject({ level: -1.5, fadeIn: 2, fadeOut: 2, round: true });
    expect([readMusic('none'), readMusic(''), readMusic('Ebb, loud')]).toEqual([null, null, null]);
});

test('how loud it is lies between the points, and is flat outside', () => {
    const loud: Bed['loud'] = [
        [100, 0],
        [200, 1],
        [300, 1],
        [400, 0.5],
    ];
    expect([0, 150, 250, 350, 999].map((at) => loudAt(loud, at))).toEqual([0, 0.5, 1, 0.75, 0.5]);
    expect(loudAt([[0, 0.3]], 7)).toBe(0.3);
});

test('what goes round goes on where its seam is, as in the film', () => {
    const round = { from: 100, until: 1000 };
    expect([0, 999, 1000, 1899, 1900].map((after) => sampleOf({ round }, 1000, after))).toEqual([
        0, 999, 100, 999, 100,
    ]);
    expect([sampleOf({ round: null }, 1000, 999), sampleOf({ round: null }, 1000, 1000)]).toEqual([999, null]);
});

test('a section by itself has its music where it has it in the film', () => {
    const segment = { section_id: 'b', start_frame: 50, frames: 10, join: { kind: 'cut', frames: 0 } };
    const music = [{ name: 'Ebb', at: 0, until: 200_000, loud: [[48_000, 1]] }];
    const plan = { fps: 25, frames: 60, segments: [segment], music } as unknown as Assembly;
    expect(planOfSection(plan, 'b').music).toEqual([
        { name: 'Ebb', at: -96_000, until: 104_000, loud: [[-48_000, 1]] },
    ]);
});
