import { ApiProblem, request } from './client';

/** Asks for the piece that is wanted next: also a refusal names it, so that sending can go on from there. */
export async function wanted(ask: () => Promise<{ next: number }>): Promise<number> {
    try {
        return (await ask()).next;
    } catch (error) {
        if (error instanceof ApiProblem && error.status === 409 && typeof error.body.next === 'number') {
            return error.body.next;
        }
        throw error;
    }
}

/**
 * Sends a piece of a file, with what it should be.
 *
 * @returns the number of the piece wanted next
 */
export async function sendPiece(path: string, piece: Blob): Promise<number> {
    const digest = await crypto.subtle.digest('SHA-256', await piece.arrayBuffer());
    const hex = [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
    const headers = { 'X-Chunk-SHA256': hex, 'Content-Type': 'application/octet-stream' };
    return wanted(() => request<{ next: number }>('PUT', path, piece, { headers }));
}
