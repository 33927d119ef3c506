import { useEffect } from 'react';

/** Keeps the display awake. A page that is hidden loses the lock; it asks again when it is seen. */
export function useWakeLock(wanted: boolean): void {
    useEffect(() => {
        if (!wanted || !navigator.wakeLock) {
            return;
        }
        let lock: WakeLockSentinel | null = null;
        let gone = false;
        const ask = () => {
            if (document.visibilityState === 'visible') {
                navigator.wakeLock.request('screen').then(
                    (got) => {
                        lock = got;
                        if (gone) {
                            void got.release();
                        }
                    },
                    () => undefined,
                );
            }
        };
        ask();
        document.addEventListener('visibilitychange', ask);
        return () => {
            gone = true;
            document.removeEventListener('visibilitychange', ask);
            void lock?.release();
        };
    }, [wanted]);
}
