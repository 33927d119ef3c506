import type { api as Api } from '../../api/client';
import { recall, remember } from '../../api/remembered';
import type { Lesson, ScriptText } from '../../api/types';
import type { bringSlides } from '../../ui/importSlides';

export interface Beginning {
    title: string;
    /** The title is the file's name, and nobody has chosen it: what the script says counts. */
    titleIsGuess: boolean;
    course: string | null;
    like: string | null;
    width: number;
    height: number;
    fps: number;
    /** A script, or slides. */
    file: File | null;
}

const STORED = 'reel.new-lesson';

const longestTitle = 200;

/** The set-up of the lesson made last. */
export const lastSetup = (): Partial<Beginning> => recall(STORED) ?? {};

export const rememberSetup = (chosen: Partial<Beginning>): void => remember(STORED, chosen);

/**
 * Makes a lesson, with the script or the slides it starts from. The file is read first: when it cannot be used, no
 * lesson is made.
 */
export async function begin(
    { title, titleIsGuess, course, like, width, height, fps, file }: Beginning,
    api: typeof Api,
    bring: typeof bringSlides,
): Promise<Lesson> {
    const isScript = file !== null && /\.(md|markdown|txt|docx|odt)$/i.test(file.name);
    let text: string | null = null;
    let own: string | null = null;
    if (file && isScript) {
        const form = new FormData();
        form.append('file', file);
        ({ text, title: own } = await api.post<{ text: string; title: string | null }>('read-script', form));
    }
    const called = titleIsGuess ? (own ?? title) : title;
    const lesson = await api.post<Lesson>('lessons', {
        title: called.slice(0, longestTitle),
        course_id: course,
        like: file ? null : like,
        width,
        height,
        fps,
    });
    if (text !== null) {
        const titled = own === null ? `# ${called}\n\n${text}` : text;
        await api.put<ScriptText>(`lessons/${lesson.id}/script`, { text: titled, revision: lesson.revision });
        if (own !== null && own !== called) {
            // Whoever chose another title than the script's has it in the script, too.
            await api.patch<Lesson>(`lessons/${lesson.id}`, { title: called });
        }
    } else if (file) {
        const { refused } = await bring(lesson.id, [file]);
        if (refused[0] !== undefined) {
            await api.delete(`lessons/${lesson.id}`);
            throw new Error(refused[0]);
        }
    }
    return lesson;
}
