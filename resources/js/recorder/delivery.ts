import { api, request } from '../api/client';
import { sendPiece, wanted } from '../api/pieces';
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

export const httpDelivery: Delivery = {
    sendChunk: (track, number, chunk) => sendPiece(`tracks/${track}/chunks/${number}`, chunk),

    async sendEvents(take, from, rows) {
        const headers = { 'Content-Type': 'application/jsonl' };
        return wanted(() =>
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
