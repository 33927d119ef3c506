import { type RefObject, useEffect, useRef, useState } from 'react';
import type { Take, TakeStretch } from '../../api/types';

export interface Playback {
    playing: boolean;
    toggle: () => void;
    /** Plays a stretch by itself, whether it is used or not. */
    hear: (stretch: TakeStretch) => void;
}

/** One has just come to the start of what is left out, and did not ask to hear it. */
const JUST_MS = 150;

/** Plays the part of a take that is used, from its start to its end, without what is left out. */
export function useTakePlayback(media: RefObject<HTMLVideoElement | null>, take: Take): Playback {
    const [playing, setPlaying] = useState(false);
    const from = take.used_from_ms / 1000;
    const until = take.state === 'ready' ? take.used_until_ms / 1000 : Infinity;
    const left = useRef<TakeStretch[]>([]);
    left.current = [...take.retakes, ...take.omitted, ...take.cuts, ...take.tightened];
    /** Where the stretch ends that is played by itself, in seconds. */
    const alone = useRef<number | null>(null);
    const silent = useRef<TakeStretch[]>([]);
    silent.current = take.silences;

    useEffect(() => {
        let frame = 0;
        const look = () => {
            const element = media.current;
            if (element) {
                setPlaying(!element.paused && !element.ended);
                const at = element.currentTime * 1000;
                const skipped = left.current.find(({ from_ms }) => from_ms <= at && at < from_ms + JUST_MS);
                element.volume = silent.current.some(({ from_ms, until_ms }) => from_ms <= at && at < until_ms) ? 0 : 1;
                if (!element.paused && alone.current === null && skipped && at < skipped.until_ms) {
                    element.currentTime = skipped.until_ms / 1000;
                }
                if (!element.paused && element.currentTime >= (alone.current ?? until)) {
                    element.pause();
                }
                if (element.paused) {
                    alone.current = null;
                }
            }
            frame = requestAnimationFrame(look);
        };
        frame = requestAnimationFrame(look);
        return () => cancelAnimationFrame(frame);
    }, [media, until]);

    const toggle = () => {
        const element = media.current;
        if (!element) {
            return;
        }
        if (!element.paused) {
            element.pause();
            return;
        }
        if (element.ended || element.currentTime < from - 0.05 || element.currentTime >= until - 0.05) {
            element.currentTime = from;
        }
        void element.play().catch(() => undefined);
    };
    const hear = (stretch: TakeStretch) => {
        const element = media.current;
        if (element) {
            element.currentTime = stretch.from_ms / 1000;
            void element.play().then(
                () => (alone.current = stretch.until_ms / 1000),
                () => undefined,
            );
        }
    };
    return { playing, toggle, hear };
}
