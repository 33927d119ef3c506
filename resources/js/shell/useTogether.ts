import { useEffect, useSyncExternalStore } from 'react';
import { request } from '../api/client';
import { useMe } from '../api/me';
import { NOTICES, queryClient } from '../api/queries';
import { knownScript } from '../page/scripts';
import { Presence } from '../api/presence';
import type { Here } from '../api/types';
import { ofThisPage } from '../api/pageOwner';

const windowId = Array.from(crypto.getRandomValues(new Uint8Array(12)), (byte) =>
    byte.toString(16).padStart(2, '0'),
).join('');
/** Asked again and again: a server that does not answer for so long is away. */
const PATIENCE_MS = 10_000;
const path = (lessonId: string) => `lessons/${lessonId}/here/${windowId}`;

/** This window among the others that have a lesson open. */
export const presence = new Presence({
    say: (lessonId, place) =>
        request<{ others: Here[]; changes: number }>('PUT', path(lessonId), { ...place }, { patience: PATIENCE_MS }),
    leave: (lessonId) =>
        void fetch(`/api/${path(lessonId)}`, {
            method: 'DELETE',
            keepalive: true,
            headers: { 'X-Open-Reel': '1', ...ofThisPage },
        }).catch(() => undefined),
    changed: (lessonId) => {
        void knownScript(lessonId)?.look();
        void queryClient.invalidateQueries({ predicate: ({ queryKey }) => queryKey.includes(lessonId) });
        void queryClient.invalidateQueries({ queryKey: ['lessons'] });
        void queryClient.invalidateQueries({ queryKey: NOTICES });
    },
});

/** Who else is in the lesson, in other windows; nobody where one works alone. */
export function useTogether(lessonId: string, room: string, section: string | undefined): Here[] {
    const people = useMe()?.mode === 'people';
    useEffect(() => {
        presence.move(room, section ?? null);
    }, [room, section]);
    useEffect(() => {
        if (!people || !lessonId) {
            return undefined;
        }
        let leave = presence.enter(lessonId);
        const hide = () => leave();
        // A page that the browser kept, and shows again when one goes back.
        const show = ({ persisted }: PageTransitionEvent) => {
            if (persisted) {
                leave = presence.enter(lessonId);
            }
        };
        window.addEventListener('pagehide', hide);
        window.addEventListener('pageshow', show);
        return () => {
            window.removeEventListener('pagehide', hide);
            window.removeEventListener('pageshow', show);
            leave();
        };
    }, [people, lessonId]);
    return useOthers();
}

export const useOthers = (): Here[] => useSyncExternalStore(presence.subscribe, presence.snapshot).others;
