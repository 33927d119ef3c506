/** What the API sends. All times are milliseconds unless the name says otherwise. */

export type Verdict = 'undecided' | 'kept' | 'discarded';
export type TakeState = 'recording' | 'ingesting' | 'ready' | 'unusable';
export type Layout = 'slide-with-inset' | 'slide-alone' | 'camera-alone';
export type Corner = 'top-left' | 'top-right' | 'bottom-left' | 'bottom-right';
export type InsetSize = 'small' | 'medium' | 'large';
export type Flag = 'silent' | 'very-quiet' | 'clipped' | 'no-sound';
export type TrackKind = 'camera' | 'microphone';

export interface LessonSummary {
    id: string;
    title: string;
    width: number;
    height: number;
    fps: number;
    sections: number;
    kept: number;
    running_ms: number;
    slide_url: string | null;
    updated_at: string;
}

export interface Line {
    number: number;
    paragraph: number;
    text: string;
}

export interface Slide {
    id: string;
    name: string;
    width: number;
    height: number;
    url: string;
}

export interface Take {
    id: string;
    section_id: string;
    number: number;
    state: TakeState;
    /** The recorder went away while recording; what arrived is safe. */
    cut_off: boolean;
    verdict: Verdict;
    problem: string | null;
    length_ms: number;
    used_from_ms: number;
    used_until_ms: number;
    trimmed_by_hand: boolean;
    flags: Flag[];
    /** Size of the camera's picture; null without one. */
    camera: { width: number; height: number } | null;
    media_url: string;
    poster_url: string | null;
    recorded_at: string;
    tracks: { id: string; kind: TrackKind; next_chunk: number }[];
}

export interface Section {
    id: string;
    heading: string;
    script: string;
    lines: Line[];
    estimate_ms: number;
    slide: Slide | null;
    layout: Layout;
    inset_corner: Corner;
    inset_size: InsetSize;
    takes: Take[];
}

export interface Lesson {
    id: string;
    title: string;
    width: number;
    height: number;
    fps: number;
    updated_at: string;
    sections: Section[];
}

export interface Rect {
    x: number;
    y: number;
    width: number;
    height: number;
}

export interface PicturePlan {
    frame: { width: number; height: number };
    layout: Layout;
    ground: string;
    slide: Rect | null;
    camera: Rect | null;
}

export interface Segment {
    section_id: string;
    position: number;
    title: string;
    start_frame: number;
    frames: number;
    take_id: string;
    take_number: number;
    /** Where in the take the segment starts, in ticks of 1/48000 s. */
    in_ticks: number;
    media_url: string;
    slide_url: string | null;
    gain_db: number;
    picture: PicturePlan;
}

export interface Assembly {
    fps: number;
    frames: number;
    length_ms: number;
    segments: Segment[];
    /** Ids of sections without a kept take. */
    missing: string[];
    /** How many segments are rendered already. */
    rendered: number;
}

export interface Export {
    id: string;
    state: 'waiting' | 'running' | 'done' | 'failed' | 'cancelled';
    progress: number;
    doing: string | null;
    seconds_left: number | null;
    file_name: string;
    bytes: number | null;
    length_ms: number;
    findings: { name: string; ok: boolean; says: string }[];
    problem: string | null;
    up_to_date: boolean;
    started_at: string;
    file_url: string | null;
}

export interface Setup {
    frames: [number, number][];
    rates: number[];
}
