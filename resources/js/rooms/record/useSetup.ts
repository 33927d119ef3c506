import { useCallback, useState } from 'react';
import type { Lesson } from '../../api/types';
import { rememberedSetup, rememberSetup, type Setup } from '../../recorder/setup';

export type ChangeSetup = (change: Partial<Setup>) => void;

/** How the room is set up for a lesson's course. */
export function useSetup(lesson: Lesson): [Setup, ChangeSetup] {
    const place = lesson.course?.id ?? lesson.id;
    const [setup, setSetup] = useState(() => rememberedSetup(place));
    const change = useCallback<ChangeSetup>(
        (some) =>
            setSetup((all) => {
                const next = { ...all, ...some };
                rememberSetup(place, next);
                return next;
            }),
        [place],
    );
    return [setup, change];
}
