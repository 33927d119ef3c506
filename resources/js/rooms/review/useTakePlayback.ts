import { type RefObject, useEffect, useState } from 'react';
import type { Take } from '../../api/types';

export interface Playback {
    playing: boolean;
    toggle: () => void;
}

/** Plays the part of a take that is used, from its start to its end. */
export function useTakePlayback(media: RefObject<HTMLVideoElement | null>, take: Take): Playback {
    const [playing, setPlaying] = useState(false);
    const from = take.used_from_ms / 1000;
    const until = take.state === 'ready' ? take.used_until_ms / 1000 : Infinity;

    useEffect(() => {
        let frame = 0;
        const look = () => {
            const element = media.current;
            if (element) {
                setPlaying(!element.paused && !element.ended);
                if (!element.paused && element.currentTime >= until) {
                    element.pause();
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
    return { playing, toggle };
}
