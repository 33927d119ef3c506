import { type RefObject, useEffect } from 'react';
import type { AssemblyPlayer } from '../../player/AssemblyPlayer';

/** Scrolls a box, and nothing round it, so that something in it is seen. */
function bringIntoSight(box: HTMLElement | null, what: Element | null | undefined, atTop: boolean): void {
    if (!box || !what) {
        return;
    }
    const [inner, outer] = [what.getBoundingClientRect(), box.getBoundingClientRect()];
    if (atTop || inner.top < outer.top || inner.bottom > outer.bottom) {
        box.scrollTop += inner.top - outer.top - (atTop ? 0 : outer.height / 3);
    }
}

/**
 * Lights up the word that is said; by hand, since it changes many times a second.
 *
 * @param frames of the film on which each word is said first
 */
export function useNow(
    player: AssemblyPlayer | null,
    box: RefObject<HTMLElement | null>,
    frames: (number | null)[],
): void {
    useEffect(() => {
        if (!player) {
            return;
        }
        const said = frames.flatMap((frame, index) => (frame === null ? [] : [{ frame, index }]));
        said.sort((a, b) => a.frame - b.frame);
        let lit: Element | null = null;
        const look = () => {
            const { frame, playing } = player.snapshot();
            const found = said.findLast((word) => word.frame <= frame);
            const now = found ? (box.current?.querySelector(`[data-word="${found.index}"]`) ?? null) : null;
            if (now !== lit) {
                lit?.classList.remove('is-now');
                now?.classList.add('is-now');
                if (playing) {
                    bringIntoSight(box.current, now, false);
                }
                lit = now;
            }
        };
        const leave = player.subscribe(look);
        look();
        return () => {
            leave();
            lit?.classList.remove('is-now');
        };
    }, [player, box, frames]);
}

/** The section that the address names is in sight. */
export function useSectionInSight(
    box: RefObject<HTMLElement | null>,
    section: string | undefined,
    isThere: boolean,
): void {
    useEffect(() => {
        if (section && isThere) {
            bringIntoSight(box.current, box.current?.querySelector(`#board-${section}`), true);
        }
    }, [box, section, isThere]);
}
