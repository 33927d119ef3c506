import { api, ApiProblem, PATIENCE_MS, request } from '../api/client';
import { sendPiece, wanted } from '../api/pieces';
import type { Me, Take } from '../api/types';
import type { StoredTake } from './chunkStore';

/** How the outbox reaches the server. */
export interface Delivery {
    /** @returns the number of the chunk wanted next */
    sendChunk(track: string, number: number, chunk: Blob): Promise<number>;
    /**
     * Adds rows to a take's log.
     *
     * @param from how many rows come before the first of these
     * @returns how many rows the server has
     */
    sendEvents(take: string, from: number, rows: string[]): Promise<number>;
    finish(take: StoredTake): Promise<void>;
    /** Whether a take that the server does not know was deleted; else it is only not shown to whoever is signed in now. */
    isDeleted(take: StoredTake): Promise<boolean>;
}

export const httpDelivery: Delivery = {
    sendChunk: (track, number, chunk) => sendPiece(`tracks/${track}/chunks/${number}`, chunk),

    async sendEvents(take, from, rows) {
        const headers = { 'Content-Type': 'application/jsonl' };
        return wanted(() =>
            request<{ next: number }>('PUT', `takes/${take}/events/${from}`, rows.join('\n'), { headers }),
        );
    },

    async finish(take) {
        await request<Take>('POST', `takes/${take.takeId}/finish`, { tracks: take.tracks }, { patience: PATIENCE_MS });
        if (take.discard) {
            await api.patch<Take>(`takes/${take.takeId}`, { verdict: 'discarded' });
        }
    },

    async isDeleted(take) {
        if ((await api.get<Me>('me')).mode === 'me') {
            return true;
        }
        try {
            await api.get(`lessons/${take.lessonId}`);
            return true;
        } catch (error) {
            if (error instanceof ApiProblem && error.status === 404) {
                return false;
            }
            throw error;
        }
    },
};
