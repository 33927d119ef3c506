import { api } from '../../api/client';
import { refreshLesson } from '../../api/queries';
import type { TakesChanged } from '../../api/types';

/** @returns a way to give each take that was changed its own back */
export const undoable =
    (lessonId: string, { was }: TakesChanged, failed: (error: unknown) => void) =>
    () =>
        void Promise.all(was.map(({ id, ...before }) => api.patch(`takes/${id}`, before)))
            .catch(failed)
            .finally(() => refreshLesson(lessonId));
