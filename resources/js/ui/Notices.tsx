import { useQueryClient } from '@tanstack/react-query';
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Toast from 'react-bootstrap/Toast';

interface Notice {
    id: number;
    says: string;
    undo?: () => void;
}

export interface Notices {
    /** Says something in passing; with `undo`, offers to take it back until the next change begins. */
    say: (says: string, undo?: () => void) => void;
    /** Says what an error says. */
    failed: (error: unknown) => void;
}

const Context = createContext<Notices>({ say: () => {}, failed: () => {} });

export const useNotices = () => useContext(Context);

const SHOWN_MS = 12_000;

export function NoticesProvider({ children }: { children: ReactNode }) {
    const [notices, setNotices] = useState<Notice[]>([]);
    const last = useRef(0);
    const close = useCallback((id: number) => setNotices((all) => all.filter((n) => n.id !== id)), []);
    const say = useCallback((says: string, undo?: () => void) => {
        const id = ++last.current;
        setNotices((all) => [...all.filter((n) => n.says !== says && !(undo && n.undo)).slice(-2), { id, says, undo }]);
    }, []);
    const changes = useQueryClient().getMutationCache();
    // What comes later may build on what an older notice offers to take back.
    useEffect(
        () =>
            changes.subscribe((event) => {
                if (event.type === 'added') {
                    setNotices((all) => all.map((n) => (n.undo ? { ...n, undo: undefined } : n)));
                }
            }),
        [changes],
    );
    const value = useMemo<Notices>(
        () => ({
            say,
            failed: (error) => say(error instanceof Error ? error.message : 'That did not work. Try again.'),
        }),
        [say],
    );
    return (
        <Context.Provider value={value}>
            {children}
            <div className="notices" aria-live="polite">
                {notices.map((notice) => (
                    <Toast key={notice.id} onClose={() => close(notice.id)} delay={SHOWN_MS} autohide>
                        <Toast.Body>
                            <span className="flex-grow-1">{notice.says}</span>
                            {notice.undo && (
                                <Button
                                    variant="quiet"
                                    size="sm"
                                    onClick={() => {
                                        notice.undo?.();
                                        close(notice.id);
                                    }}
                                >
                                    Undo
                                </Button>
                            )}
                            <Button variant="quiet" size="sm" onClick={() => close(notice.id)}>
                                Close
                            </Button>
                        </Toast.Body>
                    </Toast>
                ))}
            </div>
        </Context.Provider>
    );
}
