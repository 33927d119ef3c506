import { api } from '../api/client';
import type { Receiver } from '../api/FileSender';
import type { Take } from '../api/types';
import { httpDelivery } from './delivery';

/** As the server has it, in its limits. */
export const LARGEST_RECORDING = 8 * 1024 ** 3;

export interface BroughtTake {
    take: string;
    track: string;
}

/**
 * A recording that was made elsewhere becomes a take.
 *
 * @param whole it may hold all of the lesson, not just this section
 */
export const bringIn = (section: string, whole: boolean): Receiver<BroughtTake> => ({
    place: 'reel.bringing',
    async begin(file) {
        const tracks = [{ kind: 'camera', mime: file.type || 'application/octet-stream' }];
        const made = await api.post<Take>(`sections/${section}/takes`, { tracks, brought: true, whole });
        return { take: made.id, track: made.tracks[0]?.id ?? '' };
    },
    async next({ take, track }) {
        const found = await api.get<Take>(`takes/${take}`);
        const begun = found.state === 'recording' ? found.tracks.find(({ id }) => id === track) : undefined;
        return begun?.next_chunk ?? null;
    },
    piece: ({ track }, number, piece) => httpDelivery.sendChunk(track, number, piece),
    async finish({ take, track }, chunks, bytes) {
        await api.post(`takes/${take}/finish`, { tracks: [{ id: track, chunks, bytes }] });
    },
    giveUp: ({ take }) => api.delete(`takes/${take}`),
});
