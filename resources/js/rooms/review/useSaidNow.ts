import { type RefObject, useEffect, useRef } from 'react';
import type { HeardPiece } from './heardText';

/** Lights up the word that is being said; by hand, since it changes many times a second. */
export function useSaidNow(
    media: RefObject<HTMLVideoElement | null>,
    box: RefObject<HTMLDivElement | null>,
    pieces: HeardPiece[],
): void {
    const latest = useRef(pieces);
    latest.current = pieces;
    useEffect(() => {
        let frame = 0;
        let lit: Element | null = null;
        const look = () => {
            const at = (media.current?.currentTime ?? 0) * 1000;
            const playing = media.current !== null && !media.current.paused;
            const index = playing ? latest.current.findLastIndex((p) => p.from_ms <= at && at < p.until_ms + 150) : -1;
            const now = index < 0 ? null : (box.current?.querySelectorAll('[data-piece]')[index] ?? null);
            if (now !== lit) {
                lit?.classList.remove('is-now');
                now?.classList.add('is-now');
                lit = now;
            }
            frame = requestAnimationFrame(look);
        };
        frame = requestAnimationFrame(look);
        return () => cancelAnimationFrame(frame);
    }, [media, box]);
}
