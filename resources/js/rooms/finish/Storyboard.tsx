import { useEffect, useMemo, useRef, useState } from 'react';
import type { Assembly, Lesson, LessonCues, PlacedCue } from '../../api/types';
import { type BoardActs, BoardItem } from './BoardItem';
import type { BoardSection } from './storyboard';
import type { ChosenWords } from './useChosenWords';

interface Props extends BoardActs {
    lesson: Lesson;
    plan: Assembly;
    board: BoardSection[];
    cues: LessonCues | undefined;
    words: ChosenWords;
    chosenCue: PlacedCue | null;
    /** The section one comes for, by index. */
    first: number;
}

const none: PlacedCue[] = [];

/** Sections that are drawn at once; a screen shows fewer. */
const AT_ONCE = 12;

/** How many of many are drawn: those one comes for at once, the others while nothing else is to do. */
function useProgressiveCount(all: number, first: number): number {
    const [shown, setShown] = useState(first + AT_ONCE);
    useEffect(() => {
        if (shown < all) {
            const later = requestIdleCallback(() => setShown(shown + AT_ONCE), { timeout: 200 });
            return () => cancelIdleCallback(later);
        }
    }, [shown, all]);
    return Math.max(shown, first + AT_ONCE);
}

/** The script with a small picture wherever what is seen changes. */
export function Storyboard({ lesson, plan, board, cues, words, chosenCue, first, ...acts }: Props) {
    const takes = useMemo(() => lesson.sections.flatMap((section) => section.takes), [lesson.sections]);
    // Hundreds of sections stand here: only those are drawn anew in which something is another.
    const latest = useRef(acts);
    latest.current = acts;
    const stable = useMemo<BoardActs>(
        () => ({
            onCue: (...of) => latest.current.onCue(...of),
            onShow: (...of) => latest.current.onShow(...of),
            onJoin: (...of) => latest.current.onJoin(...of),
            onSpeed: (...of) => latest.current.onSpeed(...of),
        }),
        [],
    );
    const shown = useProgressiveCount(board.length, first);
    return (
        <ol className="storyboard" {...words.around}>
            {board.slice(0, shown).map((one) => {
                const end = one.firstWord + one.rows.reduce((sum, row) => sum + row.words.length, 0);
                const own = cues?.sections[one.section.id] ?? none;
                const [from, until] = words.range ?? [-1, -1];
                const isIn = from < end && until >= one.firstWord;
                return (
                    <BoardItem
                        key={one.section.id}
                        lesson={lesson}
                        fps={plan.fps}
                        one={one}
                        takes={takes}
                        cues={own}
                        from={isIn ? from : -1}
                        until={isIn ? until : -1}
                        focus={one.firstWord <= words.focus && words.focus < end ? words.focus : -1}
                        chosenCue={chosenCue && own.includes(chosenCue) ? chosenCue.number : null}
                        {...stable}
                    />
                );
            })}
        </ol>
    );
}
