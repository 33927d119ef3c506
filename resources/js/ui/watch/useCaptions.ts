import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../../api/client';
import { useLessonChange } from '../../api/lesson';
import { queryClient } from '../../api/queries';
import type { CaptionAt, CaptionUndo, LessonCaptions } from '../../api/types';
import { ownPlace } from '../../api/pageOwner';
import { useNotices } from '../Notices';

const keyOf = (lessonId: string) => ['captions', lessonId];

export const useCaptions = (lessonId: string) =>
    useQuery({ queryKey: keyOf(lessonId), queryFn: () => api.get<LessonCaptions>(`lessons/${lessonId}/captions`) });

interface Change {
    says: string | null;
    run: () => Promise<CaptionUndo>;
}

const endSaid = (by: number) =>
    Math.abs(by) === 1
        ? `The caption has a word ${by < 0 ? 'less' : 'more'}.`
        : `The caption has ${Math.abs(by)} words ${by < 0 ? 'fewer' : 'more'}.`;

/** What a person says of captions; each change can be undone. */
export function useCaptionChange(lessonId: string) {
    const { say, failed } = useNotices();
    const save = useLessonChange(lessonId, async ({ says, run }: Change) => {
        try {
            const undo = await run();
            if (says) {
                say(says, () => {
                    api.post<LessonCaptions>(`lessons/${lessonId}/captions/undo`, { ...undo })
                        .then((all) => queryClient.setQueryData(keyOf(lessonId), all))
                        .catch(failed);
                });
            }
        } finally {
            await queryClient.invalidateQueries({ queryKey: keyOf(lessonId) });
        }
    });
    const change = (what: Change, done?: () => void) => save.mutate(what, { onSuccess: done, onError: failed });
    const path = (section: string, one: CaptionAt) => `sections/${section}/captions/${one.number}`;
    return {
        isPending: save.isPending,
        /** @param text null leaves the words as the script has them */
        set: (section: string, one: CaptionAt, text: string | null, done?: () => void) =>
            change(
                {
                    says: text === null ? null : 'The caption is changed.',
                    run: () => api.put<CaptionUndo>(path(section, one), { was: one.was, text }),
                },
                done,
            ),
        /** Somebody has to read it again. */
        uncheck: (section: string, one: CaptionAt, text: string | null) =>
            change({
                says: 'The caption is to be read again.',
                run: () => api.put<CaptionUndo>(path(section, one), { was: one.was, text, checked: false }),
            }),
        /** @param by words; below zero earlier */
        endLater: (section: string, one: CaptionAt, by: number) =>
            change({
                says: endSaid(by),
                run: () => api.post<CaptionUndo>(`${path(section, one)}/move`, { was: one.was, by }),
            }),
        check: (section: string, all: CaptionAt[]) =>
            change({
                says: 'All captions of the section are checked.',
                run: () => api.put<CaptionUndo>(`sections/${section}/captions`, { was: all.map(({ was }) => was) }),
            }),
    };
}

/** Text that was typed and that the server has not yet, by the caption it is for; it outlives the page. */
export function useTyped(lessonId: string) {
    const place = ownPlace(`captions/${lessonId}`);
    const [typed, setTyped] = useState<Record<string, string>>(() => {
        try {
            return JSON.parse(localStorage.getItem(place) ?? '{}') as Record<string, string>;
        } catch {
            return {};
        }
    });
    const keep = (key: string, text: string | null) =>
        setTyped((before) => {
            const { [key]: _gone, ...others } = before;
            const now = text === null ? others : { ...others, [key]: text };
            try {
                localStorage.setItem(place, JSON.stringify(now));
            } catch {
                // It stays for as long as the page does.
            }
            return now;
        });
    return [typed, keep] as const;
}
