import { useMemo } from 'react';
import type { Assembly, Lesson, LessonCues, Section } from '../../api/types';
import { type BoardSection, type BoardWord, boardRows } from './storyboard';

export interface WordOf {
    section: Section;
    word: BoardWord;
}

/** The lesson as rows of words with what is seen meanwhile, and all its words one behind the other. */
export function useBoard(lesson: Lesson, plan: Assembly | undefined, cues: LessonCues | undefined) {
    const board = useMemo<BoardSection[]>(() => {
        let firstWord = 0;
        return lesson.sections.map((one, index) => {
            const rows = plan ? boardRows(plan, one, cues?.sections[one.id] ?? []) : [];
            const silences = plan?.silences.filter((silence) => silence.section_id === one.id) ?? [];
            const made = { section: one, index, rows, firstWord, silences };
            firstWord += rows.reduce((sum, row) => sum + row.words.length, 0);
            return made;
        });
    }, [lesson.sections, plan, cues]);
    const all = useMemo<WordOf[]>(
        () =>
            board.flatMap((one) =>
                one.rows.flatMap((row) => row.words.map((word) => ({ section: one.section, word }))),
            ),
        [board],
    );
    const frames = useMemo(() => all.map(({ word }) => word.frame), [all]);
    return { board, all, frames };
}
