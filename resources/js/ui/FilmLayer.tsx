import { useEffect, useRef } from 'react';

interface Props {
    film: { url: string; at_ms: number };
    poster: string | null;
    /** Frames since the shot began; null where it plays by itself. */
    frame: number | null;
    fps: number;
}

/** Frames that come no later than this after each other are played. */
const STILL_MS = 200;

/** Seconds; further off it is set right. */
const APART = 0.12;

/** A short film on the stage, in step with the frames of what it is shown in. */
export function FilmLayer({ film, poster, frame, fps }: Props) {
    const video = useRef<HTMLVideoElement>(null);
    const last = useRef({ frame: -1, since: 0 });
    useEffect(() => {
        const element = video.current;
        if (!element || frame === null) {
            void element?.play().catch(() => undefined);
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
    }, [film.url, film.at_ms, frame, fps]);
    return (
        <video
            ref={video}
            src={film.url}
            poster={poster ?? undefined}
            preload="auto"
            muted
            playsInline
            tabIndex={-1}
            autoPlay={frame === null}
        />
    );
}
