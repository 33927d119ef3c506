import { useEffect, useRef, useState } from 'react';
import type { RecordingSession } from '../../recorder/session';
import type { Setup } from '../../recorder/setup';

/** The last seconds before it stops are counted aloud, so to speak. */
const TOLD_S = 10;
const EVERY_MS = 250;

/** Ends the take after a set time or a long silence. @returns seconds until then, while it is told; null otherwise */
export function useStopping(
    session: RecordingSession,
    rolling: boolean,
    { stopAfterMinutes, stopAfterSilence }: Setup,
    silentMs: number,
    finish: () => void,
): number | null {
    const [left, setLeft] = useState<number | null>(null);
    const latest = useRef({ silentMs, finish });
    latest.current = { silentMs, finish };
    useEffect(() => {
        if (!rolling || (stopAfterMinutes === 0 && stopAfterSilence === 0)) {
            setLeft(null);
            return;
        }
        const timer = setInterval(() => {
            const byTime = stopAfterMinutes > 0 ? stopAfterMinutes * 60_000 - session.elapsed() : Infinity;
            // What was silent before the take began does not count.
            const silent = Math.min(latest.current.silentMs, session.elapsed());
            const bySilence = stopAfterSilence > 0 ? stopAfterSilence * 1000 - silent : Infinity;
            const seconds = Math.min(byTime, bySilence) / 1000;
            setLeft(seconds <= TOLD_S ? Math.max(0, Math.ceil(seconds)) : null);
            if (seconds <= 0) {
                clearInterval(timer);
                latest.current.finish();
            }
        }, EVERY_MS);
        return () => clearInterval(timer);
    }, [session, rolling, stopAfterMinutes, stopAfterSilence]);
    return left;
}
