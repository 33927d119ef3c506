import { type RefObject, useEffect, useMemo, useRef } from 'react';
import type { Lesson, Line } from '../../api/types';
import { PrompterHost } from '../../recorder/secondWindow';
import type { RecordingSession } from '../../recorder/session';
import type { SessionState } from '../../recorder/sessionStates';

interface Place {
    lesson: Lesson;
    /** As it is called in the room. */
    title: string;
    lines: Line[];
    line: number;
    state: SessionState;
    countLeft: number;
}

interface Moves {
    step: (by: number) => void;
    toLine: (line: number) => void;
}

/**
 * A prompter in another window shows where the room is, and moves its lines as well.
 *
 * @param host filled with the room's side of it, for as long as the room is there
 */
export function useSecondPrompter(
    host: RefObject<PrompterHost | null>,
    session: RecordingSession,
    { lesson, title, lines, line, state, countLeft }: Place,
    moves: Moves,
): void {
    const latest = useRef(moves);
    latest.current = moves;
    useEffect(() => {
        const made = new PrompterHost({
            step: (by) => latest.current.step(by),
            line: (to) => latest.current.toLine(to),
        });
        host.current = made;
        return () => {
            made.close();
            host.current = null;
        };
    }, [host]);
    const words = useMemo(() => lines.map(({ number, text }) => ({ number, text })), [lines]);
    useEffect(() => {
        host.current?.show({
            lessonId: lesson.id,
            title: lesson.title,
            section: title,
            lines: words,
            line,
            state,
            elapsed: session.elapsed(),
            countLeft,
        });
    }, [host, session, lesson.id, lesson.title, title, words, line, state, countLeft]);
}
