import { QueryClient } from '@tanstack/react-query';
import { ApiProblem, connectivity } from './client';

/** What was read stays for the whole visit: rooms show it while the server is away. */
const kept = Infinity;

export const queryClient = new QueryClient({
    defaultOptions: {
        queries: {
            staleTime: 2000,
            gcTime: kept,
            // The server may run on this very machine: whether there is a network says nothing.
            networkMode: 'always',
            retry: (failures, error) => error instanceof ApiProblem && error.status >= 500 && failures < 3,
        },
        mutations: { networkMode: 'always' },
    },
});

/** What others did, for whoever is signed in. */
export const NOTICES = ['notices'];

// When the server is back, everything on the screen is read anew.
connectivity.subscribe(() => {
    if (!connectivity.snapshot().away) {
        void queryClient.invalidateQueries();
    }
});

/** Reads anew all that follows from a lesson's script and takes. */
export function refreshFilm(lessonId: string): void {
    void queryClient.invalidateQueries({ queryKey: ['assembly', lessonId] });
    void queryClient.invalidateQueries({ queryKey: ['exports', lessonId] });
    void queryClient.invalidateQueries({ queryKey: ['captions', lessonId] });
    void queryClient.invalidateQueries({ queryKey: ['lessons'] });
    void queryClient.invalidateQueries({ queryKey: ['slides', lessonId] });
    void queryClient.invalidateQueries({ queryKey: ['ready', lessonId] });
}

/** Reads anew a lesson's script and takes, and all that follows from them. */
export function refreshLesson(lessonId: string): Promise<void> {
    refreshFilm(lessonId);
    return queryClient.invalidateQueries({ queryKey: lessonKey(lessonId) });
}

export const lessonKey = (id: string) => ['lesson', id];
