import { changeHeader, madeChange } from './changes';
import { Connectivity } from './connectivity';
import { ofThisPage } from './pageOwner';

/** The server said no. The message is a sentence for the presenter. */
export class ApiProblem extends Error {
    constructor(
        readonly status: number,
        message: string,
        readonly body: Record<string, unknown> = {},
    ) {
        super(message);
        this.name = 'ApiProblem';
    }
}

/** The server could not be reached at all. */
export class Unreachable extends Error {
    constructor(says = 'The server cannot be reached. Nothing is lost; check that Open Reel is running.') {
        super(says);
        this.name = 'Unreachable';
    }
}

/** It wants one to sign in again: until then it is as if it were away, and everything waits for it in the same way. */
export class SignedOut extends Unreachable {
    constructor() {
        super('You are signed out. Sign in again; nothing is lost.');
        this.name = 'SignedOut';
    }
}

const signInFirst = 401;

/** A server that does not even say that it is there within this is away, in milliseconds. */
const pingPatience = 5000;

/** Whether the server can be reached. */
export const connectivity = new Connectivity(async () => {
    const answer = await fetch('/api/here', {
        cache: 'no-store',
        headers: ofThisPage,
        signal: AbortSignal.timeout(pingPatience),
    });
    return answer.status === signInFirst ? { signedOut: true, instead: await instead(answer) } : {};
});

/** Who has signed in in this browser since the page was opened, when that is why one is signed out. */
async function instead(answer: Response): Promise<string | null> {
    const told = (await answer.json().catch(() => null)) as { somebody_else?: string } | null;
    return told?.somebody_else ?? null;
}

/** What a proxy says when the application behind it does not answer. */
const gateway = [502, 504];

type Body = Record<string, unknown> | FormData | Blob | string | undefined;

/** How long the least answer is waited for, and how many bytes a millisecond go out over a slow line. */
export const PATIENCE_MS = 20_000;
const SLOW_LINE = 16;

interface Init extends RequestInit {
    /**
     * Milliseconds after which a server that has not answered counts as away: a network may drop what it is given and say
     * nothing at all. Unless given, what may be asked twice waits by its size; files of forms, and what is asked with POST, as
     * long as the browser does.
     */
    patience?: number;
}

function patienceFor(method: string, body: BodyInit | undefined): number | undefined {
    if (method === 'POST' || body instanceof FormData) {
        return undefined;
    }
    const size = body instanceof Blob ? body.size : typeof body === 'string' ? body.length : 0;
    return PATIENCE_MS + Math.ceil(size / SLOW_LINE);
}

/**
 * One request to the API.
 *
 * @throws ApiProblem | Unreachable
 */
export async function request<T>(
    method: string,
    path: string,
    body?: Body,
    { patience, ...init }: Init = {},
): Promise<T> {
    const isJson =
        body !== undefined && !(body instanceof FormData) && !(body instanceof Blob) && typeof body !== 'string';
    const sent = isJson ? JSON.stringify(body) : (body as BodyInit | undefined);
    const wait = patience ?? patienceFor(method, sent);
    let response: Response;
    try {
        response = await fetch(`/api/${path}`, {
            method,
            signal: wait === undefined ? undefined : AbortSignal.timeout(wait),
            ...init,
            headers: {
                Accept: 'application/json',
                // Pages of other sites cannot send this without being asked first.
                'X-Open-Reel': '1',
                ...ofThisPage,
                ...(isJson ? { 'Content-Type': 'application/json' } : {}),
                ...init.headers,
            },
            body: sent,
        });
    } catch (error) {
        if (init.signal?.aborted) {
            throw error;
        }
        connectivity.lost();
        throw new Unreachable();
    }
    if (gateway.includes(response.status)) {
        connectivity.lost();
        throw new Unreachable();
    }
    if (response.status === signInFirst) {
        connectivity.lost({ signedOut: true, instead: await instead(response) });
        throw new SignedOut();
    }
    const { isWhole, answer } = await read(response, init.signal);
    if (response.ok && !isWhole) {
        connectivity.lost();
        throw new Unreachable();
    }
    connectivity.found();
    madeChange(response.headers.get(changeHeader));
    if (!response.ok) {
        const detail =
            typeof answer?.detail === 'string' ? answer.detail : 'The server gave no answer that makes sense.';
        throw new ApiProblem(response.status, detail, answer ?? {});
    }
    return answer as T;
}

/** What is answered; not whole from a server that was killed meanwhile: half an answer is as good as none. */
async function read(response: Response, signal: AbortSignal | null | undefined) {
    if (response.status === 204) {
        return { isWhole: true };
    }
    try {
        return { isWhole: true, answer: (await response.json()) as Record<string, unknown> };
    } catch (error) {
        if (signal?.aborted) {
            throw error;
        }
        return { isWhole: false };
    }
}

export const api = {
    get: <T>(path: string) => request<T>('GET', path),
    post: <T>(path: string, body?: Body) => request<T>('POST', path, body ?? {}),
    put: <T>(path: string, body: Body) => request<T>('PUT', path, body),
    patch: <T>(path: string, body: Record<string, unknown>) => request<T>('PATCH', path, body),
    delete: <T>(path: string) => request<T>('DELETE', path),
};
