import { useEffect, useRef } from 'react';

/** How far a recording is in which it is seen: before it begins, a film goes round. */
export type Rolls = 'ready' | 'rolling' | 'paused';

interface Props {
    film: { url: string; at_ms: number };
    poster: string | null;
    /** Frames since the shot began. */
    frame: number;
    fps: number;
    /** It plays by itself; null where it goes with the frames. */
    live: Rolls | null;
}

/** Frames that come no later than this after each other are played. */
const STILL_MS = 200;

/** Seconds; further off it is set right. */
const APART = 0.12;

/** A short film on the stage, in step with the frames of what it is shown in. */
export function FilmLayer({ film, poster, frame, fps, live }: Props) {
    const video = useRef<HTMLVideoElement>(null);
    const was = useRef(live);
    useEffect(() => {
        const element = video.current;
        if (!element || live === null) {
            return;
        }
        if (live === 'rolling' && was.current === 'ready') {
            element.currentTime = 0;
        }
        was.current = live;
        if (live === 'paused') {
            element.pause();
        } else {
            void element.play().catch(() => undefined);
        }
    }, [live, film.url]);
    const last = useRef({ frame: -1, since: 0 });
    useEffect(() => {
        const element = video.current;
        if (!element || live !== null) {
            return;
        }
        const stand = () => {
            element.pause();
            // In the middle of the frame; behind its end the last one stays.
            const wish = film.at_ms / 1000 + (frame + 0.5) / fps;
            const end = Number.isFinite(element.duration) ? element.duration - 0.5 / fps : wish;
            element.currentTime = Math.max(0, Math.min(wish, end));
        };
        const goesOn = frame > last.current.frame && performance.now() - last.current.since < STILL_MS;
        last.current = { frame, since: performance.now() };
        if (goesOn && !element.ended) {
            const wish = film.at_ms / 1000 + frame / fps;
            if (Math.abs(element.currentTime - wish) > APART && wish < element.duration) {
                element.currentTime = wish;
            }
            void element.play().catch(() => undefined);
        } else {
            stand();
        }
        const timer = setTimeout(stand, STILL_MS);
        element.addEventListener('loadedmetadata', stand);
        return () => {
            clearTimeout(timer);
            element.removeEventListener('loadedmetadata', stand);
        };
    }, [film.url, film.at_ms, frame, fps, live]);
    return (
        <video
            ref={video}
            src={film.url}
            poster={poster ?? undefined}
            preload="auto"
            muted
            playsInline
            tabIndex={-1}
            loop={live === 'ready'}
        />
    );
}
