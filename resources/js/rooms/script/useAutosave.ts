import { useCallback, useEffect, useRef, useState } from 'react';
import { ApiProblem } from '../../api/client';

export type Saved = 'saved' | 'saving' | 'unsaved' | { refused: string };

const PAUSE_MS = 600;
const RETRY_MS = 3000;

/**
 * Saves a growing change a moment after the last key, one save at a time, again and again until the server has it.
 *
 * @param save sends everything changed since the last save
 * @returns a function that notes a change, and how things stand
 */
export function useAutosave<Change extends object>(save: (change: Change) => Promise<unknown>) {
    const [saved, setSaved] = useState<Saved>('saved');
    const waiting = useRef<Partial<Change>>({});
    const busy = useRef(false);
    const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
    const latestSave = useRef(save);
    latestSave.current = save;

    const flush = useCallback(async () => {
        clearTimeout(timer.current);
        timer.current = undefined;
        if (busy.current || Object.keys(waiting.current).length === 0) {
            return;
        }
        const change = waiting.current;
        waiting.current = {};
        busy.current = true;
        setSaved('saving');
        try {
            await latestSave.current(change as Change);
            setSaved(Object.keys(waiting.current).length === 0 ? 'saved' : 'unsaved');
        } catch (error) {
            if (error instanceof ApiProblem && error.status < 500 && error.status !== 429) {
                setSaved({ refused: error.message });
            } else {
                waiting.current = { ...change, ...waiting.current };
                setSaved('unsaved');
                timer.current = setTimeout(() => void flush(), RETRY_MS);
            }
        } finally {
            busy.current = false;
        }
        if (Object.keys(waiting.current).length > 0 && timer.current === undefined) {
            timer.current = setTimeout(() => void flush(), PAUSE_MS);
        }
    }, []);

    const change = useCallback(
        (more: Partial<Change>) => {
            waiting.current = { ...waiting.current, ...more };
            setSaved('unsaved');
            clearTimeout(timer.current);
            timer.current = setTimeout(() => void flush(), PAUSE_MS);
        },
        [flush],
    );

    useEffect(() => {
        const warn = (event: BeforeUnloadEvent) => {
            if (busy.current || Object.keys(waiting.current).length > 0) {
                void flush();
                event.preventDefault();
            }
        };
        window.addEventListener('beforeunload', warn);
        return () => {
            window.removeEventListener('beforeunload', warn);
            // Leaving the room takes the last words along.
            void flush();
        };
    }, [flush]);

    return { change, saved, flush };
}
