import { useEffect, useRef } from 'react';
import { api } from '../api/client';
import { useOpenExports } from '../api/lesson';
import type { Export } from '../api/types';
import { useNotices } from '../ui/Notices';

/**
 * Says when a film of the lesson is finished, in whatever room; outside the page too, where that is allowed.
 *
 * @param isQuiet nothing is said now, but afterwards
 */
export function useFinishedFilms(lessonId: string, isQuiet: boolean): void {
    const { say } = useNotices();
    const open = useOpenExports(lessonId);
    const before = useRef<string[]>([]);
    const ids = open.map((one) => one.id);
    const key = ids.join();
    useEffect(() => {
        if (isQuiet) {
            return;
        }
        const over = before.current.filter((id) => !ids.includes(id));
        before.current = ids;
        for (const id of over) {
            void api.get<Export>(`exports/${id}`).then(
                ({ state, file_name: name }) => {
                    if (state === 'done') {
                        say(`${name} is finished.`);
                        tellOutside(`${name} is finished.`);
                    } else if (state === 'failed') {
                        say(`${name} could not be made. Hand over says why.`);
                    }
                },
                () => undefined,
            );
        }
        // The list is another one with each answer; what is in it counts.
        // eslint-disable-next-line react-hooks/exhaustive-deps
    }, [key, say, isQuiet]);
}

function tellOutside(text: string): void {
    if (document.hidden && 'Notification' in window && Notification.permission === 'granted') {
        new Notification('Open Reel', { body: text });
    }
}

/** Whether the browser can still be asked to say it outside the page. */
export const canAskToTell = (): boolean => 'Notification' in window && Notification.permission === 'default';
