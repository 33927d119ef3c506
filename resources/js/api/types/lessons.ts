// Lessons, their sections, and what they are made of.
import type { WorkState } from './films';
import type { Right } from './people';
import type { Corner, InsetSize, Layout } from './pictures';
import type { StyleSetting } from './style';
import type { Cleaning, TakeGlance } from './takes';

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
    next: NextStep;
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
    /** Once this section is done. */
    next: NextStep;
    /** Those that stand beside its words: all that are kept, and the newest that are neither kept nor set aside. */
    takes: TakeGlance[];
    /** Of all its takes: how many, and the highest number, 0 without one. */
    take_count: number;
    last_take: number;
}

/** What there is to do: in which room, in which section, and as a verb. */
export interface NextStep {
    room: string;
    section: string | null;
    says: string;
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
    /** The newest take that is kept and not read yet: what it speaks is not known. */
    reading: string | null;
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
    /** What a course style settles, by subject. */
    style: Record<string, StyleSetting[]>;
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
    /** Becomes one slide: a drawing, a short film. */
    single: boolean;
    purpose: 'add' | 'replace';
    state: WorkState;
    done: number;
    total: number;
    problem: string | null;
    added: { id: string; name: string }[];
    replaced: number;
    unmatched: { id: string; name: string }[];
}

/** What became of files that were to be slides. */
export interface SlidesBrought {
    added: number;
    /** Of the pictures that became slides. */
    names: string[];
    refused: string[];
    /** Files whose pages are being drawn. */
    decks: Deck[];
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
    cache: { bytes: number; limit: number } | null;
    other_bytes: number | null;
    /** For so long cleared takes can be brought back. */
    days: number;
}
