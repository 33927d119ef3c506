import { type RefObject, useEffect, useRef, useState, useSyncExternalStore } from 'react';
import type { Assembly } from '../../api/types';
import { AssemblyPlayer, type PlayerSnapshot } from '../../player/AssemblyPlayer';
import type { Companions } from '../../player/MediaPair';

const still: PlayerSnapshot = { index: 0, frame: 0, playing: false, turn: 0 };
const nothing = () => () => undefined;

/** A place in the film that stays when other sections become longer or shorter. */
export interface WatchPlace {
    /** Id of the section. */
    section: string | undefined;
    /** Frames since the section began. */
    at: number;
    playing: boolean;
}

type Video = RefObject<HTMLVideoElement | null>;

/** The player of a plan in two elements that take turns, each with a screen beside it; another plan needs another one. */
export function useWatchPlayer(
    plan: Assembly,
    begins: WatchPlace,
    goesOn: WatchPlace | null,
    onPlayer?: (player: AssemblyPlayer | null) => void,
) {
    const cameras: [Video, Video] = [useRef<HTMLVideoElement>(null), useRef<HTMLVideoElement>(null)];
    const screens: [Video, Video] = [useRef<HTMLVideoElement>(null), useRef<HTMLVideoElement>(null)];
    const sounds = useRef([new Audio(), new Audio()]);
    const voices = useRef([new Audio(), new Audio()]);
    const resume = useRef(goesOn);
    // One player a plan: the parent gives another key to another plan.
    const [played] = useState(plan);
    const [player, setPlayer] = useState<AssemblyPlayer | null>(null);
    const now = useSyncExternalStore(player?.subscribe ?? nothing, player?.snapshot ?? (() => still));

    useEffect(() => {
        const [first, second] = cameras.map(({ current }) => current);
        const beside = screens.map(({ current: screen }, turn) => ({
            screen,
            computer: sounds.current[turn],
            voice: voices.current[turn],
        }));
        if (!first || !second || beside.some(({ screen }) => !screen)) {
            return;
        }
        const made = new AssemblyPlayer(played, [first, second], beside as [Companions, Companions]);
        setPlayer(made);
        onPlayer?.(made);
        return () => {
            onPlayer?.(null);
            made.close();
        };
        // The elements are there as long as this is.
        // eslint-disable-next-line react-hooks/exhaustive-deps
    }, [played]);
    const { section, at, playing } = begins;
    useEffect(() => {
        if (!player) {
            return;
        }
        const place = resume.current ?? { section, at, playing };
        resume.current = null;
        const own = played.segments.filter((s) => s.section_id === place.section);
        const [opening] = own;
        const last = own.at(-1);
        if (opening && last) {
            player.seek(Math.min(opening.start_frame + place.at, last.start_frame + last.frames - 1));
        }
        if (place.playing) {
            void player.play();
        }
    }, [player, section, at, playing, played]);

    return { player, now, cameras, screens };
}
