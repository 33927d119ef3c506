// The script, its cues, and what is to be said of it before recording.
import type { CueKind } from '../../lib/scriptSyntax';

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
