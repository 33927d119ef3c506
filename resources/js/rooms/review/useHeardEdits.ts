import { api } from '../../api/client';
import { useLessonChange } from '../../api/lesson';
import type { Lesson, Take, TakeStretch } from '../../api/types';
import { useNotices } from '../../ui/Notices';
import { type HeardPiece, stretchOf, without } from './heardText';

/** What is taken out of a take, or silenced, by its words; each can be undone. */
export function useHeardEdits(lesson: Lesson, take: Take) {
    const { say, failed } = useNotices();
    const save = useLessonChange(lesson.id, (edits: Partial<Pick<Take, 'cuts' | 'silences'>>) =>
        api.patch<Take>(`takes/${take.id}`, edits),
    );
    const change = (kind: 'cuts' | 'silences', stretches: TakeStretch[], says: string) => {
        const before = take[kind];
        save.mutate(
            { [kind]: stretches },
            {
                onSuccess: () => say(says, () => save.mutate({ [kind]: before }, { onError: failed })),
                onError: failed,
            },
        );
    };
    return {
        /** @param out whether they leave the film, or come back into it */
        leaveOut: (pieces: HeardPiece[], out: boolean) => {
            const stretch = stretchOf(pieces);
            const isPause = pieces.length === 1 && pieces[0]?.kind === 'pause';
            if (stretch && out) {
                const says = isPause ? 'The pause is shorter in the film.' : 'Left out of the film.';
                change('cuts', [...take.cuts, stretch], says);
            } else if (stretch) {
                change('cuts', without(take.cuts, stretch), 'It is in the film again.');
            }
        },
        /** @param silent whether they are silent in the film, or heard again */
        silence: (pieces: HeardPiece[], silent: boolean) => {
            const [first, last] = [pieces[0], pieces.at(-1)];
            if (!first || !last) {
                return;
            }
            const stretch = { from_ms: first.from_ms, until_ms: last.until_ms };
            if (silent) {
                change('silences', [...take.silences, stretch], 'Silent in the film; the picture goes on.');
            } else {
                change('silences', without(take.silences, stretch), 'It is heard in the film again.');
            }
        },
    };
}
