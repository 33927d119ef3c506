import { describe, expect, it } from 'vitest';
import type { LinePicture } from '../../resources/js/api/types';
import { ACTIONS, clash, isAction, keysOf } from '../../resources/js/recorder/keys';
import { correlation } from '../../resources/js/recorder/ownPicture';
import { drawnTo, isWhole, moved, shaped, shapeIn, whole } from '../../resources/js/ui/part';
import { judged } from '../../resources/js/recorder/pictureWatch';
import { PrompterPace } from '../../resources/js/recorder/prompterPace';
import { roomSays } from '../../resources/js/recorder/roomNoise';
import { type RoomState, warningsOf } from '../../resources/js/recorder/warnings';
import { stepsOf } from '../../resources/js/recorder/steps';
import { inkOutline, type InkPoint, inkRadius, type Tool } from '../../resources/js/lib/ink';
import ink from '../examples/ink.json';

describe('ink', () => {
    it.each(ink.outlines)('$name', ({ points, polygons }) => {
        expect(inkOutline(points as InkPoint[])).toEqual(polygons);
    });

    it('is as thick as in the film', () => {
        for (const [tool, thick, pressure, radius] of ink.radii) {
            expect(inkRadius(tool as Tool, thick as boolean, pressure as number)).toBe(radius);
        }
    });
});

describe('keys', () => {
    it('have no clash among themselves', () => {
        for (const action of Object.keys(ACTIONS).filter(isAction)) {
            for (const key of keysOf(action, {})) {
                expect(clash(action, key, {}), `${action} ${key}`).toBeNull();
            }
        }
    });

    it('tell what has a key already, the browser and clickers among it', () => {
        expect(clash('marker', 'g', {})).toBe('G is taken: Go again: say this line from its start.');
        expect(clash('marker', 'F5', {})).toBe('F5 loads the page anew.');
        expect(clash('marker', '?', {})).toContain('shows these keys');
        expect(clash('marker', 'PageDown', {})).toContain('A clicker sends it too.');
        expect(clash('marker', 'PageDown', { next: ['n'] })).toContain('what a clicker sends');
        expect(clash('next', 'PageDown', { next: ['n'] })).toBeNull();
        expect(clash('marker', 'g', { again: ['x'] })).toBeNull();
        expect(clash('marker', 'x', { again: ['x'] })).toContain('X is taken');
    });
});

describe('a part of a picture', () => {
    const half = { x: 0.25, y: 0.25, width: 0.5, height: 0.5 };

    it('is moved as far as there is room', () => {
        expect(moved(half, 0.1, -0.1)).toEqual({ ...half, x: 0.35, y: 0.15 });
        expect(moved(half, 9, -9)).toEqual({ ...half, x: 0.5, y: 0 });
    });

    it('is drawn by a corner while the opposite one stands', () => {
        expect(drawnTo(half, 'se', 0.9, 0.6, null)).toEqual({ x: 0.25, y: 0.25, width: 0.65, height: 0.35 });
        expect(drawnTo(half, 'nw', 0.1, 0.2, null)).toEqual({ x: 0.1, y: 0.2, width: 0.65, height: 0.55 });
        expect(drawnTo(half, 'nw', 2, 2, null)).toEqual({ x: 0.7, y: 0.7, width: 0.05, height: 0.05 });
    });

    it('keeps its shape within the picture', () => {
        expect(drawnTo(half, 'se', 0.9, 0.3, 1)).toEqual({ x: 0.25, y: 0.25, width: 0.65, height: 0.65 });
        expect(drawnTo(half, 'se', 5, 5, 2)).toEqual({ x: 0.25, y: 0.25, width: 0.75, height: 0.375 });
        expect(drawnTo(half, 'ne', 0.95, 0.9, 1)).toEqual({ x: 0.25, y: 0.05, width: 0.7, height: 0.7 });
    });

    it('is brought to a shape about its middle', () => {
        expect(shaped(whole, 0.5)).toEqual({ x: 0.25, y: 0, width: 0.5, height: 1 });
        expect(shaped(half, 2)).toEqual({ x: 0.25, y: 0.375, width: 0.5, height: 0.25 });
        expect(isWhole(shaped(whole, 1))).toBe(true);
        expect(shapeIn({ width: 1920, height: 1080 }, { width: 1280, height: 720 })).toBe(1);
        expect(shapeIn({ width: 1080, height: 1080 }, { width: 1920, height: 1080 })).toBe(0.5625);
    });
});

describe('the prompter that follows the voice', () => {
    const speak = (pace: PrompterPace, ms: number, speaking = true) => {
        let line = 0;
        for (let at = 0; at < ms; at += 20) {
            line = pace.pass(20, speaking);
        }
        return line;
    };

    it('waits while nobody speaks', () => {
        const pace = new PrompterPace([1000, 1000]);
        expect(speak(pace, 60_000, false)).toBe(0);
    });

    it('goes on where a breath is heard near the end of a line', () => {
        const pace = new PrompterPace([1000, 1000, 1000]);
        expect(speak(pace, 800)).toBe(0);
        expect(speak(pace, 240, false)).toBe(1);
        expect(speak(pace, 300)).toBe(1);
        expect(speak(pace, 5000, false)).toBe(1);
    });

    it('does not take a pause in the middle of a line for its end', () => {
        const pace = new PrompterPace([4000, 1000]);
        speak(pace, 1500);
        expect(speak(pace, 2000, false)).toBe(0);
    });

    it('never runs more than a line ahead without a breath', () => {
        const pace = new PrompterPace([1000, 1000, 1000, 1000]);
        expect(speak(pace, 1140)).toBe(1);
        expect(speak(pace, 30_000)).toBe(1);
        expect(speak(pace, 240, false)).toBe(2);
    });

    it('is set right by hand, and ends on the last line', () => {
        const pace = new PrompterPace([1000, 1000, 1000]);
        speak(pace, 900);
        pace.moveTo(2);
        expect(speak(pace, 9000)).toBe(2);
        pace.moveTo(0);
        expect(speak(pace, 300)).toBe(0);
    });

    it('is faster or slower than the learned pace', () => {
        expect(speak(new PrompterPace([1000, 1000], 0, 2), 600)).toBe(1);
        expect(speak(new PrompterPace([1000, 1000], 0, 0.5), 1200)).toBe(0);
    });
});

describe('warnings', () => {
    const fine: RoomState = {
        rolling: false,
        cannotRecord: null,
        microphone: 'fine',
        silentMs: 0,
        telephone: null,
        camera: { black: false, frozen: false, width: 1920 },
        screen: null,
        filmsItself: null,
        frameWidth: 1920,
        areaWidth: null,
        frames: null,
        waiting: 0,
        sendingTrouble: null,
        roomMb: 20_000,
        battery: null,
        wantsScreen: null,
    };
    const kinds = (change: Partial<RoomState>) => warningsOf({ ...fine, ...change }).map((warning) => warning.kind);

    it('are silent when all is well', () => expect(kinds({})).toEqual([]));

    it.each<[string, Partial<RoomState>]>([
        ['cannot record', { cannotRecord: 'This browser cannot record.' }],
        ['muted', { microphone: 'muted' }],
        ['silent', { microphone: 'silent', silentMs: 9000 }],
        ['no microphone', { microphone: 'off' }],
        ['films itself', { filmsItself: 'tab' }],
        ['films itself', { filmsItself: 'screen' }],
        ['black camera', { camera: { black: true, frozen: false, width: 1920 } }],
        ['frozen camera', { camera: { black: false, frozen: true, width: 1920 } }],
        ['black screen', { screen: { black: true, width: 1920 } }],
        ['sending', { sendingTrouble: 'The server cannot be reached.' }],
        ['piling up', { waiting: 11 }],
        ['little room', { roomMb: 120 }],
        ['frames', { frames: { of: 30, come: 12 } }],
        ['too loud', { microphone: 'too loud' }],
        ['telephone', { telephone: 16_000 }],
        ['battery', { battery: 0.12 }],
        ['soft', { screen: { black: false, width: 1280 }, areaWidth: 1280 }],
        ['small camera', { camera: { black: false, frozen: false, width: 640 } }],
        ['wants screen', { wantsScreen: 'the gauge' }],
    ])('tell of %s', (kind, change) => {
        const [first] = warningsOf({ ...fine, ...change });
        expect(first?.kind).toBe(kind);
        expect(first?.says).toMatch(/[.:]$|\.$/);
    });

    it('put the most urgent first, and say that the take still rolls', () => {
        expect(kinds({ battery: 0.1, microphone: 'silent', silentMs: 9000, rolling: true })).toEqual([
            'silent',
            'battery',
        ]);
        expect(warningsOf({ ...fine, rolling: true, microphone: 'muted' })[0]?.says).toContain(
            'The take is still rolling.',
        );
        expect(warningsOf({ ...fine, screen: { black: false, width: 1280 }, areaWidth: 1280 })[0]?.says).toBe(
            'The screen will look soft: 1280 wide for a 1920 frame.',
        );
        expect(kinds({ microphone: 'silent', silentMs: 2000 })).toEqual([]);
    });
});

describe('the noise of the room', () => {
    it('says what it means', () => {
        expect(roomSays(null)).toBeNull();
        expect(roomSays({ roomDb: -50, voiceDb: null })).toBeNull();
        expect(roomSays({ roomDb: -80, voiceDb: -20 })).toContain('silent');
        expect(roomSays({ roomDb: -54, voiceDb: -20 })).toContain('34 dB under your voice: fine');
        expect(roomSays({ roomDb: -45, voiceDb: -20 })).toContain('25 dB under');
        expect(roomSays({ roomDb: -35, voiceDb: -20 })).toContain('only 15 dB');
    });
});

describe('a picture looked at', () => {
    const pixels = (...values: number[]) => new Uint8ClampedArray(values.flatMap((v) => [v, v, v, 255]));

    it('is dark when nothing in it is bright, and the same when nothing changed', () => {
        expect(judged(pixels(3, 9, 19), null)).toEqual({ dark: true, same: false });
        expect(judged(pixels(3, 90), pixels(3, 90))).toEqual({ dark: false, same: true });
        expect(judged(pixels(3, 91), pixels(3, 90))).toEqual({ dark: false, same: false });
    });

    it('is our own when it flickers as we do', () => {
        expect(correlation([0, 1, 1, 0, 1], [10, 40, 41, 11, 39])).toBeGreaterThan(0.99);
        expect(correlation([0, 1, 1, 0, 1], [40, 10, 11, 41, 12])).toBeLessThan(-0.9);
        expect(correlation([0, 1, 0, 1], [5, 5, 5, 5])).toBe(0);
    });
});

describe('steps of the clicker', () => {
    const plan = (from_line: number, within = 0) => ({ from_line, within }) as LinePicture;

    it('are the lines, and the cues inside them', () => {
        expect(stepsOf(3, [plan(1), plan(2, 0.5), plan(3)])).toEqual([
            { line: 0, plan: 0, within: 0 },
            { line: 1, plan: 0, within: 0 },
            { line: 1, plan: 1, within: 0.5 },
            { line: 2, plan: 2, within: 0 },
        ]);
    });

    it('are one where nothing is written', () => {
        expect(stepsOf(0, [plan(1)])).toEqual([{ line: 0, plan: 0, within: 0 }]);
        expect(stepsOf(0, [])).toEqual([{ line: 0, plan: 0, within: 0 }]);
    });
});
