import { api, ApiProblem } from '../api/client';
import type { Deck, SlidesBrought } from '../api/types';

export const pictureTypes = '.png,.jpg,.jpeg,.webp,.svg';
export const filmTypes = '.mp4,.m4v,.mov,.webm,.gif';
export const slideTypes = `.pdf,.pptx,.odp,${pictureTypes},${filmTypes}`;

/** How often it is asked whether a drawing or a film has become a slide. */
const askAgainMs = 400;

/** Servers drop what is more than twenty files at once, and say nothing. */
const mostFiles = 12;
const mostBytes = 60_000_000;

/** Files in the order of their names, numbers by value, in portions that a server takes at once. */
export function portions(files: File[]): File[][] {
    const found: File[][] = [];
    let bytes = 0;
    for (const file of [...files].sort((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }))) {
        const last = found.at(-1);
        if (last && last.length < mostFiles && bytes + file.size <= mostBytes) {
            last.push(file);
            bytes += file.size;
        } else {
            found.push([file]);
            bytes = file.size;
        }
    }
    return found;
}

/**
 * Sends pictures and decks of slides; they join the lesson's slides and change nothing of its script.
 *
 * @param onProgress told how many files have been sent
 */
export async function bringSlides(
    lessonId: string,
    files: File[],
    purpose: 'add' | 'replace' = 'add',
    onProgress: (sent: number) => void = () => undefined,
): Promise<SlidesBrought> {
    const all: SlidesBrought = { added: 0, names: [], refused: [], decks: [] };
    let sent = 0;
    for (const portion of portions(files)) {
        const answer = await send(lessonId, portion, purpose);
        const drawn = await drawnSlides(
            lessonId,
            answer.decks.filter((deck) => deck.single),
        );
        all.added += answer.added + drawn.names.length;
        all.names.push(...answer.names, ...drawn.names);
        all.refused.push(...answer.refused, ...drawn.refused);
        all.decks.push(...answer.decks.filter((deck) => !deck.single));
        onProgress((sent += portion.length));
    }
    return all;
}

/** Waits until drawings and short films have become slides; on the server that goes on whether somebody waits or not. */
export async function drawnSlides(lessonId: string, files: Deck[]): Promise<{ names: string[]; refused: string[] }> {
    const wanted = files.map(({ id }) => id);
    let latest = files;
    while (latest.some(({ state }) => state === 'waiting' || state === 'running')) {
        await new Promise((resolve) => setTimeout(resolve, askAgainMs));
        const told = await api.get<Deck[]>(`lessons/${lessonId}/decks?ids=${wanted.join(',')}`);
        latest = told.filter(({ id }) => wanted.includes(id));
    }
    const inOrder = wanted.flatMap((id) => latest.filter((deck) => deck.id === id));
    return {
        names: inOrder.flatMap((deck) => deck.added.map(({ name }) => name)),
        refused: inOrder.flatMap(({ problem }) => problem ?? []),
    };
}

/** A portion that the server refuses whole is named file by file, and does not stop the others. */
async function send(lessonId: string, files: File[], purpose: string): Promise<SlidesBrought> {
    const form = new FormData();
    files.forEach((file) => form.append('files[]', file));
    form.append('fill', '0');
    form.append('purpose', purpose);
    try {
        return await api.post<SlidesBrought>(`lessons/${lessonId}/slides`, form);
    } catch (error) {
        if (!(error instanceof ApiProblem) || error.status >= 500) {
            throw error;
        }
        return { added: 0, names: [], decks: [], refused: files.map(({ name }) => `“${name}”: ${error.message}`) };
    }
}
