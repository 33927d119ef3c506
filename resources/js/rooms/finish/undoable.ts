import { api } from '../../api/client';
import { refreshLesson } from '../../api/queries';
import type { Lesson, Take } from '../../api/types';

/**
 * Remembers what some takes of a lesson have now.
 *
 * @param name of what is about to be changed
 * @returns a way to give each of them its own back
 */
export function undoable(
    lesson: Lesson,
    name: 'adjustment' | 'framing',
    isMeant: (take: Take) => boolean,
    failed: (error: unknown) => void,
): () => void {
    const before = lesson.sections
        .flatMap(({ takes }) => takes)
        .filter(isMeant)
        .map((take) => ({ id: take.id, was: take[name] }));
    return () =>
        void Promise.all(before.map(({ id, was }) => api.patch(`takes/${id}`, { [name]: was && { ...was } })))
            .catch(failed)
            .finally(() => refreshLesson(lesson.id));
}
