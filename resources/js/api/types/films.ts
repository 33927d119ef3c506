// The assembly, and films made of it.
import type { Stretch } from '../../lib/TimeMap';
import type { Picture } from './pictures';
import type { Silence } from './takes';

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
    /** Why the voice has not read them, when it cannot. */
    unread_because: string | null;
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
