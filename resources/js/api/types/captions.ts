// Captions and what is set of them.

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

/** Captions in another language that came from a file. */
export interface TranslationBrought {
    /** How many were found a place, and of how many captions. */
    placed: number;
    captions: number;
    undo: { line: string; word: number; was: string; text: string }[];
}
