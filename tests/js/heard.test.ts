import { describe, expect, it } from 'vitest';
import type { TakeAlignment } from '../../resources/js/api/types';
import { cleaningSays, isOff, roomSays } from '../../resources/js/rooms/review/cleaning';
import { asWritten, heardText, stretchOf, without } from '../../resources/js/rooms/review/heardText';
import { levelled } from '../../resources/js/player/AttemptPlayer';

const at = (from_ms: number, until_ms: number) => ({ from_ms, until_ms });

const heard: TakeAlignment = {
    state: 'sure',
    progress: null,
    confidence: 0.9,
    attempts: [
        { line: 'a', kind: 'false start', ...at(0, 900), confidence: 1, words: [{ word: 'Low', ...at(0, 900) }] },
        {
            line: 'a',
            kind: 'complete',
            ...at(2000, 4000),
            confidence: 1,
            words: [
                { word: 'Low', ...at(2000, 2500) },
                { word: 'water', ...at(2500, 4000) },
            ],
        },
    ],
    unscripted: [at(1000, 1900)],
    pauses: [at(4000, 7000)],
    missing: [],
    places: {},
    voice_db: -20,
    noise_db: -55,
    hum_hz: null,
};
const take = {
    lines: [{ id: 'a', text: '“Low, water!”', heard: 'again' as const, from_ms: 2000 }],
    omitted: [at(0, 950)],
    cuts: [at(2450, 4000)],
    retakes: [at(980, 1950)],
    silences: [],
    tightened: [],
    used_from_ms: 0,
    used_until_ms: 6000,
};

describe('what a take says', () => {
    it('is told in order of time, with what becomes of it', () => {
        expect(heardText(heard, take).map(({ text, out }) => [text, out])).toEqual([
            ['“Low,', 'again'],
            ['not in the script, 0.9 s', 'went again'],
            ['“Low,', null],
            ['water!”', 'left out'],
            ['pause 3.0 s', null],
        ]);
        const trimmed = heardText(heard, { ...take, used_from_ms: 1960, used_until_ms: 3000, omitted: [], cuts: [] });
        expect(trimmed.map(({ out }) => out)).toEqual(['trimmed', 'went again', null, 'trimmed', 'trimmed']);
    });

    it('tells what is silent, and how long a pause is that the course wants shorter', () => {
        const pieces = heardText(heard, { ...take, cuts: [], silences: [at(2450, 4000)], tightened: [at(4350, 6650)] });
        expect(pieces.map(({ silent, tightened }) => [silent, tightened])).toEqual([
            [false, null],
            [false, null],
            [false, null],
            [true, null],
            [false, 700],
        ]);
    });

    it('has the punctuation of the script', () => {
        expect(asWritten(['4.8', 'm', 'now'], 'It is 4.8 m (now).')).toEqual(['4.8', 'm', '(now).']);
        expect(asWritten(['other'], 'words')).toEqual(['other']);
    });

    it('is left out from the first chosen piece to the last; of a pause the middle', () => {
        const pieces = heardText(heard, take);
        expect(stretchOf(pieces.slice(2, 4))).toEqual(at(2000, 4000));
        expect(stretchOf(pieces.slice(4))).toEqual(at(4350, 6650));
        expect(stretchOf([])).toBeNull();
        expect(without([at(0, 100), at(200, 300)], at(210, 220))).toEqual([at(0, 100)]);
    });
});

describe('how a sound is cleaned', () => {
    it('is said in words', () => {
        expect(cleaningSays({ noise: 'off', hum: false, low_cut: false })).toBe('as recorded');
        expect(cleaningSays({ noise: 'light', hum: false, low_cut: true })).toBe('less noise, no rumble');
        expect(cleaningSays({ noise: 'strong', hum: true, low_cut: false })).toBe('much less noise, no hum');
        expect(isOff({ noise: 'off', hum: false, low_cut: true })).toBe(false);
    });

    it('is advised by how far the room lies under the voice', () => {
        expect(roomSays(heard)).toBe('The room lies 35 dB under your voice: fine.');
        expect(roomSays({ voice_db: -20, noise_db: -42 })).toContain('light noise reduction helps');
        expect(roomSays({ voice_db: -20, noise_db: -33 })).toContain('only 13 dB');
        expect(roomSays({ voice_db: null, noise_db: null })).toBe('Nobody is heard speaking.');
    });
});

describe('comparing', () => {
    it('plays the quietest as it is and the others no louder', () => {
        expect(levelled(-20, [-20, -26])).toBeCloseTo(0.501, 3);
        expect(levelled(-26, [-20, -26])).toBe(1);
        expect(levelled(null, [-20])).toBe(1);
        expect(levelled(-20, [null])).toBe(1);
    });
});
