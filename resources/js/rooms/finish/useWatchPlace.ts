import { type RefObject, useEffect, useRef } from 'react';
import type { Assembly } from '../../api/types';
import type { AssemblyPlayer } from '../../player/AssemblyPlayer';
import type { WatchPlace } from '../../ui/watch/useWatchPlayer';

/** Where one is in the film, told by its section: it is there again when the film was put together anew. */
export function useWatchPlace(player: AssemblyPlayer | null, plan: Assembly | undefined): RefObject<WatchPlace | null> {
    const place = useRef<WatchPlace | null>(null);
    useEffect(
        () =>
            player?.subscribe(() => {
                const { index, frame, playing } = player.snapshot();
                const here = plan?.segments[index]?.section_id;
                const begins = plan?.segments.find((one) => one.section_id === here)?.start_frame;
                if (here !== undefined && begins !== undefined) {
                    place.current = { section: here, at: frame - begins, playing };
                }
            }),
        [player, plan],
    );
    return place;
}
