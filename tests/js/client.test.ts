import { afterEach, describe, expect, it, vi } from 'vitest';
import { api, ApiProblem, connectivity, Unreachable } from '../../resources/js/api/client';

const answer = (status: number, body: unknown = {}) =>
    vi.stubGlobal(
        'fetch',
        vi.fn(async () => new Response(status === 204 ? null : JSON.stringify(body), { status })),
    );

describe('a call of the server', () => {
    afterEach(() => {
        vi.unstubAllGlobals();
        connectivity.found();
    });

    it('says that it comes from our own page', async () => {
        answer(200, { title: 'Tides' });
        expect(await api.get('lessons/x')).toEqual({ title: 'Tides' });
        const [path, options] = vi.mocked(fetch).mock.calls[0] ?? [];
        expect(path).toBe('/api/lessons/x');
        expect(options?.headers).toMatchObject({ 'X-Open-Reel': '1', Accept: 'application/json' });
    });

    it('gives the sentence of a refusal', async () => {
        answer(409, { detail: 'Somebody else was here.', next: 3 });
        const problem = await api.put('x', {}).catch((error: unknown) => error);
        expect(problem).toBeInstanceOf(ApiProblem);
        expect(problem).toMatchObject({ status: 409, message: 'Somebody else was here.', body: { next: 3 } });
        expect(connectivity.snapshot().away).toBe(false);
    });

    it('knows a server that is away from one that answers badly', async () => {
        vi.stubGlobal('fetch', () => Promise.reject(new TypeError('refused')));
        await expect(api.get('x')).rejects.toBeInstanceOf(Unreachable);
        expect(connectivity.snapshot().away).toBe(true);
        answer(503, { detail: 'The encoder is not installed.' });
        await expect(api.get('x')).rejects.toThrow('The encoder is not installed.');
        expect(connectivity.snapshot().away).toBe(false);
        answer(502);
        await expect(api.get('x')).rejects.toBeInstanceOf(Unreachable);
    });

    it('takes half an answer for none: the server was killed over it', async () => {
        vi.stubGlobal('fetch', async () => new Response('{"title": "Ti', { status: 200 }));
        await expect(api.get('x')).rejects.toBeInstanceOf(Unreachable);
        expect(connectivity.snapshot().away).toBe(true);
        vi.stubGlobal('fetch', async () => new Response('<html>', { status: 500 }));
        await expect(api.get('x')).rejects.toThrow('no answer that makes sense');
        expect(connectivity.snapshot().away).toBe(false);
    });

    it('leaves the word on the server to others when it was called off', async () => {
        const stop = new AbortController();
        stop.abort();
        vi.stubGlobal('fetch', () => Promise.reject(new DOMException('aborted', 'AbortError')));
        const { request } = await import('../../resources/js/api/client');
        await expect(request('GET', 'x', undefined, { signal: stop.signal })).rejects.toThrow('aborted');
        expect(connectivity.snapshot().away).toBe(false);
    });

    it('takes a server that says nothing for one that is away, once there was time for an answer', async () => {
        const dropped = vi.fn(
            (_: string, { signal }: RequestInit) =>
                new Promise<Response>((_, fail) =>
                    signal?.addEventListener('abort', () => fail(signal.reason as Error)),
                ),
        );
        vi.stubGlobal('fetch', dropped);
        const { request } = await import('../../resources/js/api/client');
        await expect(request('PUT', 'x', 'words', { patience: 20 })).rejects.toBeInstanceOf(Unreachable);
        expect(connectivity.snapshot().away).toBe(true);
        expect(dropped.mock.calls[0]?.[1]).not.toHaveProperty('patience');
    });

    it('waits by the size of what is sent, and without end for what may not be asked twice', async () => {
        answer(200);
        const waits = vi.spyOn(AbortSignal, 'timeout');
        await api.get('x');
        await api.put('x', 'a'.repeat(16_000));
        await api.put('x', new Blob(['a'.repeat(400_000)]));
        await api.patch('x', { a: 'b'.repeat(7992) });
        expect(waits.mock.calls.flat()).toEqual([20_000, 21_000, 45_000, 20_500]);
        await api.post('x', { a: 1 });
        await api.put('x', new FormData());
        expect(waits).toHaveBeenCalledTimes(4);
        const last = vi.mocked(fetch).mock.calls.slice(-2);
        expect(last.map(([, options]) => options?.signal)).toEqual([undefined, undefined]);
        waits.mockRestore();
    });

    it('takes an empty answer for what it is', async () => {
        answer(204);
        expect(await api.delete('x')).toBeUndefined();
    });
});
