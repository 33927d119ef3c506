import type { CueKind } from '../page/syntax';
import type { Stretch } from '../player/TimeMap';

/** What the API sends. All times are milliseconds unless the name says otherwise. */

export type Verdict = 'undecided' | 'kept' | 'discarded';
export type TakeState = 'recording' | 'ingesting' | 'ready' | 'unusable';
export type Layout = 'slide-with-inset' | 'side-by-side' | 'slide-alone' | 'camera-alone';
export type Corner = 'top-left' | 'top-right' | 'bottom-left' | 'bottom-right';
export type InsetSize = 'small' | 'medium' | 'large';
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
export type Hearing = 'sure' | 'unsure' | 'nothing' | 'failed';

/** A line in a take: said cleanly, begun more than once, or not heard. */
export type LineHeard = 'clean' | 'again' | 'missing';

export interface TakeStretch {
    from_ms: number;
    until_ms: number;
}

export interface HeardWord extends TakeStretch {
    word: string;
}

/** One attempt at a line. */
export interface HeardRead extends TakeStretch {
    line: string;
    kind: 'complete' | 'false start' | 'partial';
    confidence: number;
    words: HeardWord[];
}

/** What was heard in a take. */
export interface Heard {
    state: Hearing | null;
    /** How much of the listening is done, 0 to 1. */
    progress: number | null;
    confidence: number;
    reads: HeardRead[];
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

/** What one may do in a lesson or course. */
export type Right = 'see' | 'comment' | 'write' | 'record' | 'publish' | 'own';
export type Role = 'owner' | 'presenter' | 'editor' | 'reviewer';

export interface Member {
    id: string;
    name: string;
    email: string;
    role: Role;
    /** Of the course, and so of the lesson. */
    through_course: boolean;
    you: boolean;
}

/** Who takes part in a lesson or course. */
export interface Members {
    may: Right[];
    roles: { role: Role; says: string }[];
    members: Member[];
    invitations: { id: string; role: Role; made_at: string; ends_at: string }[];
}

export interface HistoryEntry {
    id: string;
    who: string;
    deed: string;
    says: string;
    at: string;
}

export interface HistoryPage {
    entries: HistoryEntry[];
    /** There are older ones. */
    more: boolean;
}

/** Somebody else's window that has the lesson open. */
export interface Here {
    name: string;
    /** One's own, in another window. */
    you: boolean;
    room: string;
    section_id: string | null;
    recording: boolean;
}

export interface Notices {
    unread: number;
    /** The newest first. */
    notices: { id: string; says: string; path: string; at: string; read: boolean }[];
}

/** How far the review of a lesson is. */
export interface ReviewState {
    needs_approval: boolean;
    /** What is looked at; null until something is. */
    draft: {
        path: string;
        shown: boolean;
        version: number;
        note: string;
        made_at: string;
        export_id: string;
    } | null;
    /** The film that would be the next draft. */
    newest_film: string | null;
    /** Of the draft. */
    approvals: { id: string; person: string; you: boolean; at: string }[];
    /** The script as it is now. */
    approved: boolean;
    /** What is otherwise in the lesson than in the draft. */
    since: ChangedSince | null;
    open_comments: number;
}

export interface LessonSummary {
    id: string;
    title: string;
    may: Right[];
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

/** How far a lesson is, as the shelf shows it. */
export interface Glance {
    sections: (Pick<Section['progress'], 'fill' | 'notched' | 'length_ms'> & { id: string })[];
    /** What there is to do next, as a verb, and where. */
    next: { room: string; section: string | null; says: string };
    /** Of the whole lesson: how the newest one stands to what the lesson says now. */
    film: 'none' | 'making' | 'out of date' | 'up to date';
}

export interface Line {
    /** Stays the same while the words change. */
    id: string;
    number: number;
    paragraph: number;
    text: string;
    /** How long it takes to say at the presenter's pace. */
    spoken_ms: number;
}

export interface Slide {
    id: string;
    name: string;
    width: number;
    height: number;
    /** The words on it. */
    text: string;
    url: string;
    /** In how many steps it builds up; 0 when it does not. */
    steps: number;
    /** It is a short film that lasts so long. */
    film_ms: number | null;
}

export interface Take {
    id: string;
    section_id: string;
    number: number;
    /** The section it was recorded for, which may be another than the one it hangs on now. */
    recorded_in: string;
    /** The lines it speaks, with the words they had then and when each begins. */
    lines: { heard: LineHeard | null; id: string; text: string; from_ms: number | null }[];
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
    /** Its screen, and how much later that begins than what is played; null without one. */
    screen: { width: number; height: number; url: string; late_ms: number } | null;
    /** The part of camera and screen that is shown, in parts of their sides; null for all of it. */
    framing: Rect | null;
    adjustment: Adjustment | null;
    area: Rect | null;
    /** Reads that went wrong, and are not used. */
    fluffs: TakeStretch[];
    hearing: Hearing | null;
    /** LUFS of its voice. */
    loudness: number | null;
    /** False starts and reads that were said again, and are not used. */
    left: TakeStretch[];
    /** What the presenter leaves out. */
    cuts: TakeStretch[];
    /** What is silent in the film, while the picture goes on. */
    silences: TakeStretch[];
    /** What is taken out of long pauses, because the course wants them shorter. */
    tightened: TakeStretch[];
    /** How its voice is cleaned; null as the lesson's. */
    cleaning: Cleaning | null;
    markers: Marker[];
    media_url: string;
    poster_url: string | null;
    recorded_at: string;
    tracks: { id: string; kind: TrackKind; next_chunk: number }[];
}

/** A place to come back to, and what the presenter wrote there. */
export interface Marker {
    id: number;
    at_ms: number;
    says: string;
}

export interface Section {
    id: string;
    heading: string;
    script: string;
    lines: Line[];
    estimate_ms: number;
    target_ms: number | null;
    /** A still title page that nobody speaks. */
    card: { kind: 'opening' | 'divider' | 'closing' | 'quotation' | 'question'; length_ms: number } | null;
    slide: Slide | null;
    layout: Layout;
    inset_corner: Corner;
    inset_size: InsetSize;
    /** The section says itself what it looks like; otherwise the house style does. */
    own_layout: boolean;
    /** Which take speaks which of its lines. */
    coverage: SectionCoverage;
    /** How far it is, as strip and lists show it. */
    progress: SectionProgress;
    takes: Take[];
}

export interface SectionCoverage {
    heard: boolean;
    /** It is heard only in takes of other sections. */
    elsewhere: boolean;
    /** Ids of the takes that are heard, in order. */
    takes: string[];
    /** Ids of lines that nobody speaks. */
    missing: string[];
    lines: LineCoverage[];
}

export interface LineCoverage {
    id: string;
    take: string | null;
    why: 'chosen' | 'kept-last' | 'cleaner' | 'only-one' | null;
    /** Further kept takes that speak it and are not heard. */
    others: string[];
    /** The words that were recorded, when the script says others now, and the number of the take that speaks them. */
    was: string | null;
    was_take: number | null;
}

export interface SectionProgress {
    fill: 'hollow' | 'half' | 'filled';
    /** Something to look at. */
    notched: boolean;
    /** The state in words. */
    says: string;
    /** The take that is heard first. */
    kept: string | null;
    /** The newest take still waiting for a verdict. */
    waiting: string | null;
    length_ms: number;
    /** How much longer or shorter than meant, when that is more than a tenth; null otherwise. */
    off_target_ms: number | null;
}

export interface Lesson {
    id: string;
    title: string;
    may: Right[];
    width: number;
    height: number;
    fps: number;
    updated_at: string;
    /** Counts the script's changes. */
    revision: number;
    course: { id: string; name: string } | null;
    count_down: number;
    /** Colours to write with, RRGGBB; the second is that of the pointer. */
    pens: string[];
    /** How voices are cleaned, where a take has nothing of its own. */
    cleaning: Cleaning;
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

/** What is seen: layers, bottom to top, on a ground. */
export interface Picture {
    frame: { width: number; height: number };
    ground: string;
    layers: Layer[];
}

export interface Layer {
    shows:
        | 'slide'
        | 'card'
        | 'board'
        | 'keys'
        | 'draft-mark'
        | 'label'
        | 'name'
        | 'laid'
        | 'backdrop'
        | 'logo'
        | 'camera'
        | 'screen'
        | 'film'
        | 'marks';
    /** Of a picture that stands, or of a film's first. */
    url: string | null;
    /** A short film on the stage, and how far it is when the shot begins. */
    film?: { url: string; at_ms: number };
    marks: Mark[];
    /** Of a track: what red, green and blue become, from all three and an offset; see core/Picture/Adjustment.php. */
    colours?: number[][] | null;
    /** Where it lies, once it has come to rest, in pixels of the frame. */
    rect: Rect;
    /** Shown whole, or filling its rectangle and cropped evenly. */
    fit: 'whole' | 'filled';
    /** How it is cut out and edged, in pixels of the frame; null for a plain rectangle. */
    edge: { radius: number; border: number; colour: string; shadow: number; drop: number; shade: number } | null;
    /** The part of the source that is shown, in parts of its sides; null for all of it. */
    crop: Rect | null;
    opacity: number;
    /** A move from another place, or from another part of the source (null when that stays), from the shot's first frame on. */
    motion: { from: Rect; frames: number; ease: 'steady' | 'soft'; part: Rect | null } | null;
}

/** Something drawn over a picture for some frames of the shot. */
export type Mark = { from: number; until: number } & Figure;

/** Places are in parts of the picture; radius, line, edge and paths in units of which its height has 10,000. */
export type Figure =
    | ({ kind: 'box'; colour: string } & Rect)
    | { kind: 'outline'; path: string; colour: string; opacity: number }
    | {
          kind: 'ring';
          x: number;
          y: number;
          to_x: number;
          to_y: number;
          opacity: number;
          opacity_to: number;
          colour: string;
          radius: number;
          line: number;
          edge: number;
          edge_colour: string;
      };

export interface Segment {
    section_id: string;
    position: number;
    title: string;
    start_frame: number;
    frames: number;
    /** How it meets the segment before; while they dissolve, they overlap. */
    join: { kind: 'cut' | 'dissolve' | 'push' | 'dip'; frames: number };
    /** Null for a card, and for what a stand-in voice reads. */
    take_id: string | null;
    take_number: number | null;
    /** Ids of the lines it speaks. */
    lines: string[];
    /** Of each line the frame of the segment on which each of its words is said first; words are parted by white space. */
    words: { line: string; frames: number[] }[];
    /** Which moment of the take each frame shows; null for a card. */
    map: Stretch[] | null;
    /** Moment of the take at which its media begin. */
    offset_ticks: number;
    media_url: string | null;
    /** A stand-in voice reads it, because nobody has spoken it yet. */
    draft: boolean;
    /** What runs beside the take's own media. */
    beside: Beside[];
    /** Frames of the segment on which a click of the pointer is heard. */
    clicks: number[];
    /** Frames of the segment from and until which nothing is heard of its take. */
    silences: [number, number][];
    gain_db: number;
    /** Without gaps, together as long as the segment. */
    shots: Shot[];
}

export interface Beside {
    /** A `voice` is the cleaned one, heard in place of the take's own. */
    kind: 'screen' | 'computer' | 'voice';
    url: string;
    /** Moment of the take at which it begins; below zero when it begins before. */
    offset_ticks: number;
    gain_db: number;
}

export interface Shot {
    /** Frames of the segment before it. */
    offset: number;
    frames: number;
    picture: Picture;
}

export interface Assembly {
    fps: number;
    frames: number;
    length_ms: number;
    /** Frames in which it comes from the ground, and goes to it. */
    fade_in: number;
    fade_out: number;
    segments: Segment[];
    /** Ids of sections without a kept take. */
    missing: string[];
    /** How many sections are heard or seen. */
    sections: number;
    /** How many of them are rendered already. */
    rendered: number;
    /** Music and small sounds beside what is spoken. */
    music: Bed[];
    /** Silences between words: they may run faster. */
    silences: Silence[];
    /** Cues that do nothing where they stand in the film, and why. */
    idle_cues: { section_id: string; number: number; says: string }[];
    /** In a draft: lines that the stand-in voice has still to read. */
    unread: number;
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

/** A stretch of the film in which music is heard; places in samples of the film (48,000 a second). */
export interface Bed {
    name: string;
    url: string;
    at: number;
    until: number;
    /** Samples of its file between which it goes round; null when it is heard once. */
    round: { from: number; until: number } | null;
    /** Amplitudes at samples of the film, lines between them. */
    loud: [number, number][];
}

/** Music a lesson can have. */
export interface OfferedMusic {
    name: string;
    says: string;
    url: string;
    length_ms: number;
    /** Of what was brought in, and can be removed. */
    id: string | null;
}

/** How a camera's picture is changed in the film, each from -50 to 50. */
export interface Adjustment {
    brightness: number;
    contrast: number;
    warmth: number;
    saturation: number;
}

/** A cue by the words it stands at. */
export interface PlacedCue {
    /** By index among the section's cues. */
    number: number;
    kind: CueKind;
    value: string;
    /** As it is written. */
    text: string;
    /** The line it stands before or in; null behind the last one. */
    line: string | null;
    /** The word of that line it stands before. */
    word: number;
    problem: string | null;
}

export interface LessonCues {
    /** Of the script they were read from. */
    revision: number;
    sections: Record<string, PlacedCue[]>;
}

/** A word of a line, counted from 0. */
export interface WordAt {
    line: string;
    word: number;
}

/** As what a lesson is exported; without a size, in its own. */
export interface Edition {
    width: number | null;
    height: number | null;
    quality: 'small' | 'balanced' | 'sharp';
    format: 'mp4' | 'webm';
    /** Id of the only one that is in it. */
    section: string | null;
    /** Captions are part of the picture. */
    burned: boolean;
    draft: boolean;
}

/** What a film would be. */
export interface ExpectedFilm {
    file_name: string;
    /** Null while too little is rendered to tell. */
    bytes: number | null;
    seconds: number;
    frames: number;
}

/** What has changed in a lesson since a film was made of it. */
export interface ChangedSince {
    /** Of the script that it is made of. */
    revision: number | null;
    sections: {
        section_id: string;
        title: string;
        new: boolean;
        /** Lines that say something else. */
        lines: number;
        seen: boolean;
        heard: boolean;
    }[];
    /** Sections that are not in it any more. */
    gone: number;
    /** The version that it is on the course site. */
    version: number | null;
    /** Captions that nobody has read. */
    unchecked: number;
    /** Until it is made anew. */
    seconds: number;
}

/** Who works here: one person at this machine, or people who sign in. */
export interface Me {
    mode: 'me' | 'people';
    person: { name: string; email: string } | null;
}

/** How far a long piece of work is. */
export type WorkState = 'waiting' | 'running' | 'done' | 'failed' | 'cancelled';

export interface Export {
    edition: Edition;
    /** What it was asked for together with. */
    batch: string | null;
    /** Of the script that it is made of. */
    revision: number | null;
    /** A stand-in voice reads in it what was not recorded yet. */
    draft: boolean;
    id: string;
    state: WorkState;
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
    /** Files that go with the film. */
    beside: { kind: BesideKind; url: string; bytes: number }[];
    file_url: string | null;
}

/** The answer to a verdict: the take, and what brings everything back to where it was. */
export interface VerdictGiven extends Take {
    undo: Record<string, unknown>;
    /** Cues given while recording that were written into the script. */
    wrote: string[];
}

export interface Setup {
    /** Who has signed in. */
    person: string | null;
    /** Frame sizes by shape. */
    frames: Record<string, [number, number][]>;
    /** Smaller ones, in which films can be exported. */
    smaller: [number, number][];
    /** What may stand in braces in the name of a film, and what it means. */
    film_names: Record<string, string>;
    rates: number[];
    faces: Record<string, string>;
    sound_targets: number[];
    fades: number[];
    layout_moves: number[];
    music_under: number[];
    music_depths: number[];
    music_attacks: number[];
    music_releases: number[];
    computer_under: number[];
}

/** What a section shows from one of its lines on. */
export interface LinePicture extends Picture {
    from_line: number;
    /** Part of that line already spoken, 0..1. */
    within: number;
    /** What is drawn on it belongs to this; null where there is nothing to draw on. */
    surface: string | null;
    /** Where the stage lies in the frame. */
    stage: Rect | null;
    wants_screen: boolean;
    /** What is to be seen on the screen, in the presenter's words. */
    says: string;
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
    /** What it begins with, when that is no slide. */
    stage: { kind: 'screen' | 'board' | 'camera alone'; says: string } | null;
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
    state: WorkState;
    done: number;
    total: number;
    problem: string | null;
    added: { id: string; name: string }[];
    replaced: number;
    unmatched: { id: string; name: string }[];
}

/** An archive of lessons on its way in. */
export interface Arrival {
    id: string;
    name: string;
    state: WorkState;
    /** All of it has arrived. */
    whole: boolean;
    next_chunk: number;
    /** Bytes unpacked. */
    done: number;
    total: number;
    problem: string | null;
    /** Lessons, and whether each makes the same film as where it comes from. */
    made: { id: string; title: string; same: boolean }[];
}

/** Words found in a lesson. */
export interface Found {
    kind: 'lesson' | 'heading' | 'line' | 'slide';
    lesson_id: string;
    lesson: string;
    section_id: string | null;
    heading: string;
    line_id: string | null;
    /** The text, or a piece of it; what was asked for is `found`. */
    parts: { text: string; found: boolean }[];
}

export interface StoredLesson {
    id: string;
    title: string;
    may: Right[];
    /** Off the shelf. */
    deleted: boolean;
    bytes: number;
    /** Bytes of takes by their verdict, of recordings as they came, of films and all beside them. */
    kinds: Record<'kept' | 'undecided' | 'discarded' | 'cleared' | 'recordings' | 'films' | 'slides', number>;
    /** Takes that are set aside. */
    discarded: number;
    cleared: { takes: number; until: string | null };
    older_films: { films: number; bytes: number };
}

/** What lies on the server's disk. */
export interface Stored {
    free_bytes: number;
    lessons: StoredLesson[];
    cache: { bytes: number; limit: number };
    other_bytes: number;
    /** For so long cleared takes can be brought back. */
    days: number;
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
    may: Right[];
    /** On the course site; null until somebody wants one. */
    page: string | null;
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

/** A caption of a section. */
export interface CaptionAt {
    /** By index in its section. */
    number: number;
    rows: string[];
    /** The line and the word of it with which it begins. */
    line: string;
    word: number;
    /** What it says in other languages. */
    translated: { language: string; text: string }[];
    /** The words it stands for, as the script has them. */
    was: string;
    from_frame: number;
    until_frame: number;
    /** A person has read it. */
    checked: boolean;
    /** Something is said that the script does not have, and nobody has written what: it is not shown. */
    to_fill: boolean;
    /** What was checked here before the words were changed. */
    before: string | null;
    problem: string | null;
}

export interface LessonCaptions {
    sections: { section_id: string; captions: CaptionAt[] }[];
    count: number;
    unchecked: number;
    /** Languages that are offered, as they call themselves, by their code. */
    languages: Record<string, string>;
    /** Of captions that are part of the picture, in pixels of the frame. */
    look: {
        frame: { width: number; height: number };
        row: number;
        letters: number;
        box: boolean;
        padding: number;
        outline: number;
        bottom: number;
        face: string;
        paper: string;
        ink: string;
        opacity: number;
    };
}

/** What takes a change of captions back. */
export interface CaptionUndo {
    added: string[];
    removed: { id: string; line: string; word: number; was: string; rows: string[]; checked: boolean }[];
}

/** What somebody says of a published film. */
export interface SiteSaying {
    id: string;
    name: string;
    by_presenter: boolean;
    text: string;
    said_at: string;
}

export interface SiteComment extends SiteSaying {
    at_ms: number;
    version: number;
    section_id: string | null;
    /** Null when nobody says the line any more. */
    line_id: string | null;
    line_was: string;
    line_now: string | null;
    done: boolean;
    /** The version in which it is put right. */
    done_in: number | null;
    /** Of a draft for review; else of what is published. */
    of_draft: boolean;
    hidden: boolean;
    answers: (SiteSaying & { hidden: boolean })[];
}

/** A lesson on the course site; `site` is null until it is published. */
export interface LessonSite {
    site: {
        id: string;
        path: string;
        shown: boolean;
        withdrawn: boolean;
        /** The last day on which it is shown. */
        ends_on: string | null;
        password: boolean;
        /** The newest first. */
        versions: { number: number; export_id: string; note: string; draft: boolean; published_at: string }[];
        /** How much of each chapter of the newest was seen, 0..1; empty until somebody has watched. */
        watched: { title: string; seen: number }[];
    } | null;
    comments: SiteComment[];
}

/** A lesson in the folder of a course site that is not ours; `folder` is null where none is set up. */
export interface SiteDelivery {
    folder: string | null;
    /** The version that viewers see; `url` where it is known. */
    there: { export_id: string | null; number: number; path: string; url: string | null; sent_at: string } | null;
    /** The latest try, finished or not. */
    last: {
        id: string;
        export_id: string | null;
        state: WorkState;
        /** Bytes. */
        done: number;
        total: number;
        problem: string | null;
        /** At the pace so far; null while that is not known. */
        seconds_left: number | null;
    } | null;
}

/** What lies beside a finished film. */
export type BesideKind =
    | 'captions.vtt'
    | 'captions.srt'
    /** In another language. */
    | `captions.${string}.vtt`
    | 'chapters.vtt'
    | 'chapters.txt'
    | 'transcript.txt'
    | 'transcript.html'
    | 'transcript.docx'
    | 'script.md'
    | 'thumbnail.jpg'
    | 'thumbnail-small.jpg'
    | 'thumbnail-title.jpg'
    | 'sound.m4a'
    | 'sound.mp3';
