import { useQuery } from '@tanstack/react-query';
import { api } from '../../api/client';
import { useLessonChange } from '../../api/lesson';
import { refreshLesson } from '../../api/queries';
import { knownScript } from '../../page/scripts';
import type { Lesson, LessonCues, PlacedCue, ScriptText, Section, WordAt } from '../../api/types';
import { useNotices } from '../../ui/Notices';

/** The lesson's cues; read anew with each revision of the script. */
export const useCues = (lesson: Lesson) =>
    useQuery({
        queryKey: ['cues', lesson.id, lesson.revision],
        queryFn: () => api.get<LessonCues>(`lessons/${lesson.id}/cues`),
        placeholderData: (before) => before,
    });

interface Change {
    /** What was done, for the notice. */
    says: string;
    run: (revision: number) => Promise<ScriptText>;
}

/** Writes cues into the script; each change can be undone, which brings back the script as it was. */
export function useCueChange(lesson: Lesson) {
    const { say, failed } = useNotices();
    const save = useLessonChange(lesson.id, async ({ says, run }: Change) => {
        // Words typed on the Script page go first.
        await knownScript(lesson.id)?.flush();
        const before = await api.get<ScriptText>(`lessons/${lesson.id}/script`);
        const after = await run(before.revision);
        if (after.revision === before.revision) {
            return;
        }
        say(says, () => {
            api.put<ScriptText>(`lessons/${lesson.id}/script`, { text: before.text, revision: after.revision })
                .then(() => refreshLesson(lesson.id))
                .catch(failed);
        });
    });
    // What was typed or placed stays in hand until it is in the script.
    const change = (what: Change, done?: () => void) => save.mutate(what, { onSuccess: done, onError: failed });
    return {
        isPending: save.isPending,
        /** @param until the word behind the last; null when it holds on */
        place: (
            section: Section,
            cue: string,
            [from, until]: [WordAt, WordAt | null],
            says: string,
            done?: () => void,
        ) =>
            change(
                {
                    says,
                    run: (revision) =>
                        api.post<ScriptText>(`sections/${section.id}/cues`, { revision, cue, from, until }),
                },
                done,
            ),
        /** What a section begins with. */
        open: (section: Section, cue: string, says: string) =>
            change({ says, run: (revision) => api.post<ScriptText>(`sections/${section.id}/cues`, { revision, cue }) }),
        /** @param cue empty takes it away */
        replace: (section: Section, old: PlacedCue, cue: string, says: string, done?: () => void) =>
            change(
                {
                    says,
                    run: (revision) => {
                        const path = `sections/${section.id}/cues/${old.number}`;
                        return api.put<ScriptText>(path, { revision, was: old.text, cue });
                    },
                },
                done,
            ),
    };
}
