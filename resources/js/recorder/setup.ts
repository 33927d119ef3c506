import { recall, remember } from '../api/remembered';
import type { Rect } from '../api/types';
import { NONE } from './devices';

/** What is recorded from, and how the room is set up. Remembered by course and person, in this browser. */
export interface Setup {
    /** Ids of devices; undefined as long as nothing was chosen. */
    camera?: string;
    microphone?: string;
    /** What these call themselves. */
    cameraName?: string;
    microphoneName?: string;
    screen: string;
    /** The computer's sound is recorded with the screen. */
    computer: boolean;
    /** The part of camera and screen that is shown; null for all of it. */
    framing: Rect | null;
    area: Rect | null;
    /** The part of the screen keeps the frame's shape. */
    areaLocked: boolean;
    prompter: PrompterSetup;
    pointer: boolean;
    clicks: boolean;
    /** And can be heard in the film. */
    clickSounds: boolean;
    /** Resuming counts down first. */
    countIn: boolean;
    /** Stop by itself after so many minutes, or seconds of silence; 0 for never. */
    stopAfterMinutes: number;
    stopAfterSilence: number;
}

export interface PrompterSetup {
    /** Rem. */
    size: number;
    /** Part of the room's width, per cent. */
    width: number;
    /** It moves by key, or with the presenter's voice. */
    pace: 'key' | 'voice';
    /** How much faster or slower than the learned pace, 1 for as fast. */
    speed: number;
    /** For a glass in front of the camera. */
    mirrored: boolean;
}

export const freshSetup: Setup = {
    screen: NONE,
    computer: false,
    framing: null,
    area: null,
    areaLocked: true,
    prompter: { size: 1.65, width: 70, pace: 'key', speed: 1, mirrored: false },
    pointer: true,
    clicks: true,
    clickSounds: false,
    countIn: false,
    stopAfterMinutes: 0,
    stopAfterSilence: 0,
};

const STORED = 'reel.setup';
/** Where devices were remembered before they were remembered by course. */
const BEFORE = 'reel.devices';

/** @param place id of the course, or of a lesson without one; what was used elsewhere last stands in for it */
export function rememberedSetup(place: string): Setup {
    const stored: Partial<Setup> = recall(`${STORED}.${place}`) ?? recall(STORED) ?? recall(BEFORE) ?? {};
    return { ...freshSetup, ...stored, prompter: { ...freshSetup.prompter, ...stored.prompter } };
}

export function rememberSetup(place: string, setup: Setup): void {
    remember(`${STORED}.${place}`, setup);
    remember(STORED, setup);
}
