// House style, of courses and lessons.
import type { Right } from './people';

export type StyleValue = string | number | null;

/** Something that a course style settles. */
export interface StyleSetting {
    name: string;
    kind: 'choice' | 'colour' | 'text' | 'id';
    /** What is offered, of a choice. */
    choices: (string | number)[];
}

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
