// Takes, what was heard in them, and how they meet.
import type { Rect } from './pictures';

export type Verdict = 'undecided' | 'kept' | 'discarded';

export type TakeState = 'recording' | 'ingesting' | 'ready' | 'unusable';

export type Flag =
    | 'silent'
    | 'very-quiet'
    | 'clipped'
    | 'noisy'
    | 'mains-hum'
    | 'telephone-quality'
    | 'camera-black'
    | 'camera-frozen'
    | 'no-sound'
    | 'lines-missing'
    | 'cut-off-start'
    | 'cut-off-end'
    | 'unscripted'
    | 'too-fast'
    | 'too-slow'
    | 'long-pause';

/** Whether it is known which lines a take speaks; null while it is still listened to. */
export type AlignmentStatus = 'sure' | 'unsure' | 'nothing' | 'failed';

/** A line in a take: said cleanly, begun more than once, or not heard. */
export type LineHeard = 'clean' | 'again' | 'missing';

export interface TakeStretch {
    from_ms: number;
    until_ms: number;
}

export interface AlignedWord extends TakeStretch {
    word: string;
}

/** One attempt at a line. */
export interface Attempt extends TakeStretch {
    line: string;
    kind: 'complete' | 'false start' | 'partial';
    confidence: number;
    words: AlignedWord[];
}

/** What was heard in a take. */
export interface TakeAlignment {
    state: AlignmentStatus | null;
    /** How much of the listening is done, 0 to 1. */
    progress: number | null;
    confidence: number;
    attempts: Attempt[];
    unscripted: TakeStretch[];
    pauses: TakeStretch[];
    missing: string[];
    /** Where what is flagged is heard or seen best. */
    places: Partial<Record<Flag, TakeStretch>>;
    /** dBFS of voice and room; null while that is not known, or when nobody speaks. */
    voice_db: number | null;
    noise_db: number | null;
    /** Mains of which hum is heard, in Hz. */
    hum_hz: number | null;
}

/** How a voice is cleaned in the film. */
export interface Cleaning {
    noise: 'off' | 'light' | 'strong';
    hum: boolean;
    low_cut: boolean;
}

export type ContinuityChange =
    | 'louder'
    | 'quieter'
    | 'more-noise'
    | 'less-noise'
    | 'brighter'
    | 'darker'
    | 'other-colour'
    | 'other-place'
    | 'nearer'
    | 'further';

/** Two takes that follow each other in the film and do not go together. */
export interface Meeting {
    before: { take_id: string; number: number; section_id: string };
    take_id: string;
    number: number;
    /** Id of the first line behind the join. */
    line: string | null;
    changes: ContinuityChange[];
}

export type TrackKind = 'camera' | 'screen' | 'microphone' | 'computer';

/** A take as it stands beside the words of its section. */
export interface TakeGlance {
    id: string;
    section_id: string;
    number: number;
    state: TakeState;
    verdict: Verdict;
    alignment: AlignmentStatus | null;
    /** Ids of the lines it speaks. */
    lines: string[];
    media_url: string;
    poster_url: string | null;
}

export interface Take extends Omit<TakeGlance, 'lines'> {
    /** The section it was recorded for, which may be another than the one it hangs on now. */
    recorded_in: string;
    /** The lines it speaks, with the words they had then and when each begins. */
    lines: { heard: LineHeard | null; id: string; text: string; from_ms: number | null }[];
    /** The recorder went away while recording; what arrived is safe. */
    cut_off: boolean;
    problem: string | null;
    /** What came from the recorder is still there, and can be read again. */
    recording_kept: boolean;
    length_ms: number;
    used_from_ms: number;
    used_until_ms: number;
    trimmed_by_hand: boolean;
    flags: Flag[];
    /** Size of the camera's picture; null without one. */
    camera: { width: number; height: number } | null;
    /** Its screen, and how much later that begins than what is played; null without one. */
    screen: { width: number; height: number; url: string; late_ms: number } | null;
    /** The part of camera and screen that is shown, in parts of their sides; null for all of it. */
    framing: Rect | null;
    adjustment: Adjustment | null;
    area: Rect | null;
    /** Reads that went wrong, and are not used. */
    retakes: TakeStretch[];
    /** LUFS of its voice. */
    loudness: number | null;
    /** False starts and reads that were said again, and are not used. */
    omitted: TakeStretch[];
    /** What the presenter leaves out. */
    cuts: TakeStretch[];
    /** What is silent in the film, while the picture goes on. */
    silences: TakeStretch[];
    /** What is taken out of long pauses, because the course wants them shorter. */
    tightened: TakeStretch[];
    /** How its voice is cleaned; null as the lesson's. */
    cleaning: Cleaning | null;
    markers: Marker[];
    recorded_at: string;
    tracks: { id: string; kind: TrackKind; next_chunk: number }[];
}

/** A place to come back to, and what the presenter wrote there. */
export interface Marker {
    id: number;
    at_ms: number;
    says: string;
}

/** A silence before a word; `line` is null behind the last. */
export interface Silence {
    section_id: string;
    line: string | null;
    word: number;
    /** As it was recorded. */
    length_ms: number;
    /** A screen is on the stage. */
    screen: boolean;
}

/** How a camera's picture is changed in the film, each from -50 to 50. */
export interface Adjustment {
    brightness: number;
    contrast: number;
    warmth: number;
    saturation: number;
}

/** The answer to a change that may count for several takes: the take, and what each of them had before. */
export interface TakesChanged extends Take {
    was: ({ id: string } & Partial<Pick<Take, 'framing' | 'area' | 'adjustment'>>)[];
}

/** The answer to a verdict: the take, and what brings everything back to where it was. */
export interface VerdictGiven extends Take {
    undo: Record<string, unknown>;
    /** Cues given while recording that were written into the script. */
    wrote: string[];
}
