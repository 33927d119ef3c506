import { useCallback, useEffect, useRef } from 'react';
import type { AssemblyPlayer } from '../../player/AssemblyPlayer';

/** Plays from one frame to another and stops there. */
export function useStretch(player: AssemblyPlayer | null) {
    const until = useRef<number | null>(null);
    useEffect(
        () =>
            player?.subscribe(() => {
                const { frame, playing } = player.snapshot();
                if (until.current !== null && playing && frame >= until.current) {
                    until.current = null;
                    player.pause();
                }
            }),
        [player],
    );
    return useCallback(
        (from: number, end: number, plays: boolean) => {
            until.current = plays ? end : null;
            player?.seek(from);
            if (plays && player && !player.snapshot().playing) {
                void player.play();
            }
        },
        [player],
    );
}
