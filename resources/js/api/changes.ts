/** Says which change of a lesson an answer is; as App\Http\Middleware\NoteChange writes it. */
export const changeHeader = 'X-Lesson-Changes';

const seen = new Map<string, number>();

/** How many changes of a lesson this window knows of; undefined before it has heard of any. */
export const changesSeen = (lessonId: string): number | undefined => seen.get(lessonId);

/** What this window shows has them all. */
export const sawChanges = (lessonId: string, count: number): void => void seen.set(lessonId, count);

/** One's own change: it is known already. When others changed something in between, that is still to be heard of. */
export function madeChange(header: string | null): void {
    const [lessonId = '', count = ''] = header?.split(' ') ?? [];
    if (seen.get(lessonId) === Number(count) - 1) {
        seen.set(lessonId, Number(count));
    }
}
