import { api, ApiProblem, request } from '../api/client';
import type { Take } from '../api/types';
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
}

/** Also a refusal names what is wanted next, so that sending can go on from there. */
async function next(ask: () => Promise<{ next: number }>): Promise<number> {
    try {
        return (await ask()).next;
    } catch (error) {
        if (error instanceof ApiProblem && error.status === 409 && typeof error.body.next === 'number') {
            return error.body.next;
        }
        throw error;
    }
}

export const httpDelivery: Delivery = {
    async sendChunk(track, number, chunk) {
        const digest = await crypto.subtle.digest('SHA-256', await chunk.arrayBuffer());
        const hex = [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
        const headers = { 'X-Chunk-SHA256': hex, 'Content-Type': 'application/octet-stream' };
        return next(() => request<{ next: number }>('PUT', `tracks/${track}/chunks/${number}`, chunk, { headers }));
    },

    async sendEvents(take, from, rows) {
        const headers = { 'Content-Type': 'application/jsonl' };
        return next(() =>
            request<{ next: number }>('PUT', `takes/${take}/events/${from}`, rows.join('\n'), { headers }),
        );
    },

    async finish(take) {
        await api.post<Take>(`takes/${take.takeId}/finish`, { tracks: take.tracks });
        if (take.discard) {
            await api.patch<Take>(`takes/${take.takeId}`, { verdict: 'discarded' });
        }
    },
};
