import { api, ApiProblem, request } from '../api/client';
import type { Take } from '../api/types';
import type { StoredTake } from './chunkStore';

/** How the outbox reaches the server. */
export interface Delivery {
    /** @returns the number of the chunk wanted next */
    sendChunk(track: string, number: number, chunk: Blob): Promise<number>;
    sendEvents(take: string, log: string): Promise<void>;
    finish(take: StoredTake): Promise<void>;
}

export const httpDelivery: Delivery = {
    async sendChunk(track, number, chunk) {
        const digest = await crypto.subtle.digest('SHA-256', await chunk.arrayBuffer());
        const hex = [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
        try {
            const answer = await request<{ next: number }>('PUT', `tracks/${track}/chunks/${number}`, chunk, {
                headers: { 'X-Chunk-SHA256': hex, 'Content-Type': 'application/octet-stream' },
            });
            return answer.next;
        } catch (error) {
            if (error instanceof ApiProblem && error.status === 409 && typeof error.body.next === 'number') {
                return error.body.next;
            }
            throw error;
        }
    },

    async sendEvents(take, log) {
        await request('PUT', `takes/${take}/events`, log, { headers: { 'Content-Type': 'application/jsonl' } });
    },

    async finish(take) {
        await api.post<Take>(`takes/${take.takeId}/finish`, { tracks: take.tracks });
        if (take.discard) {
            await api.patch<Take>(`takes/${take.takeId}`, { verdict: 'discarded' });
        }
    },
};
