import { api } from '../api/client';
import type { Deck } from '../api/types';

export const pictureTypes = '.png,.jpg,.jpeg,.webp,.svg';
export const slideTypes = `.pdf,.pptx,.odp,${pictureTypes}`;

export interface Brought {
    added: number;
    /** Of the pictures that became slides. */
    names: string[];
    refused: string[];
    /** Files whose pages are being drawn. */
    decks: Deck[];
}

/** Sends pictures and decks of slides; they join the lesson's slides and change nothing of its script. */
export function bringSlides(lessonId: string, files: File[], purpose: 'add' | 'replace' = 'add'): Promise<Brought> {
    const form = new FormData();
    files.forEach((file) => form.append('files[]', file));
    form.append('fill', '0');
    form.append('purpose', purpose);
    return api.post<Brought>(`lessons/${lessonId}/slides`, form);
}
