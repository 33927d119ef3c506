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
    course_id: string | null;
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
    /** Stays the same while the words change. */
    id: string;
    number: number;
    paragraph: number;
    text: string;
}

export interface Slide {
    id: string;
    name: string;
    width: number;
    height: number;
    /** The words on it. */
    text: string;
    url: string;
}

export interface Take {
    id: string;
    section_id: string;
    number: number;
    /** The section it was recorded for, which may be another than the one it hangs on now. */
    recorded_in: string;
    /** The lines it speaks, with the words they had then and when each begins. */
    lines: { id: string; text: string; from_ms: number | null }[];
    state: TakeState;
    /** The recorder went away while recording; what arrived is safe. */
    cut_off: boolean;
    verdict: Verdict;
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
    target_ms: number | null;
    /** A still title page that nobody speaks. */
    card: { kind: 'opening' | 'divider' | 'closing'; length_ms: number } | null;
    slide: Slide | null;
    layout: Layout;
    inset_corner: Corner;
    inset_size: InsetSize;
    /** The section says itself what it looks like; otherwise the house style does. */
    own_layout: boolean;
    /** Its lines are in the kept take of another section, from which it was split off. */
    spoken_elsewhere: boolean;
    takes: Take[];
}

export interface Lesson {
    id: string;
    title: string;
    width: number;
    height: number;
    fps: number;
    updated_at: string;
    /** Counts the script's changes. */
    revision: number;
    course: { id: string; name: string } | null;
    count_down: number;
    target_ms: number | null;
    /** How the presenter's pace compares with the assumed one, and from how many takes that is known. */
    pace: { factor: number; takes: number };
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
    /** How the inset is cut out and edged, in pixels of the frame; null for a plain rectangle. */
    inset_frame: { radius: number; border: number; colour: string } | null;
    logo: Rect | null;
}

export interface Segment {
    section_id: string;
    position: number;
    title: string;
    start_frame: number;
    frames: number;
    /** Null for a card. */
    take_id: string | null;
    take_number: number | null;
    /** Where in the take the segment starts, in ticks of 1/48000 s. */
    in_ticks: number;
    media_url: string | null;
    gain_db: number;
    /** Without gaps, together as long as the segment. */
    shots: Shot[];
}

export interface Shot {
    /** Frames of the segment before it. */
    offset: number;
    frames: number;
    slide_url: string | null;
    logo_url: string | null;
    picture: PicturePlan;
}

export interface Assembly {
    fps: number;
    frames: number;
    length_ms: number;
    segments: Segment[];
    /** Ids of sections without a kept take. */
    missing: string[];
    /** How many sections are heard or seen. */
    sections: number;
    /** How many of them are rendered already. */
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
    /** Frame sizes by shape. */
    frames: Record<string, [number, number][]>;
    rates: number[];
    faces: Record<string, string>;
    sound_targets: number[];
}

/** What a section shows from one of its lines on. */
export interface LinePicture extends PicturePlan {
    from_line: number;
    slide_url: string | null;
    logo_url: string | null;
}

/** A script as text, and where sections and lines stand in it, in UTF-16 units. */
export interface ScriptText {
    text: string;
    revision: number;
    title: string;
    sections: ScriptSection[];
}

export interface ScriptSection {
    id: string;
    from: number;
    until: number;
    /** The slides its cues call; null where there is none such. */
    slides: { slide: string | null; from: number }[];
    lines: { id: string; from: number; until: number }[];
    card_url: string | null;
}

export interface Finding {
    kind: string;
    says: string;
    at: number | null;
    section_id: string | null;
}

export interface TieProposal {
    slide: string;
    name: string;
    url: string;
    at: number;
    section: number;
    line: string;
    because: string;
}

export interface Deck {
    id: string;
    name: string;
    purpose: 'add' | 'replace';
    state: 'waiting' | 'running' | 'done' | 'failed' | 'cancelled';
    done: number;
    total: number;
    problem: string | null;
    added: { id: string; name: string }[];
    replaced: number;
    unmatched: { id: string; name: string }[];
}

export type StyleValue = string | number | null;
export type Style = Record<string, StyleValue>;

export interface Logo {
    id: string;
    name: string;
    url: string;
    width: number;
    height: number;
}

export interface Course {
    id: string;
    name: string;
    lessons: number;
    style: Style;
    warnings: string[];
    logos: Logo[];
}

export interface LessonStyle {
    style: Style;
    course: Style;
    /** Names of what the lesson has otherwise than its course. */
    own: string[];
    warnings: string[];
    logos: Logo[];
}
