import { useEffect, useState, useSyncExternalStore } from 'react';
import type { Lesson, LinePicture } from '../../api/types';
import { cannotRecord, telephoneRate } from '../../recorder/devices';
import { FrameCount } from '../../recorder/frameCount';
import type { MeterSnapshot } from '../../recorder/meter';
import { isThisPage, nameThisPage, seesFlicker } from '../../recorder/ownPicture';
import { type PictureState, PictureWatch } from '../../recorder/pictureWatch';
import type { Setup } from '../../recorder/setup';
import { type Warning, warningsOf } from '../../recorder/warnings';
import type { Sources } from './useSources';

const fine: PictureState = { black: false, frozen: false };
const nothing = () => () => undefined;
const EVERY_MS = 5000;

function usePicture(stream: MediaStream | undefined): PictureState {
    const [watch, setWatch] = useState<PictureWatch | null>(null);
    useEffect(() => {
        const made = stream ? new PictureWatch(stream) : null;
        setWatch(made);
        return () => made?.close();
    }, [stream]);
    return useSyncExternalStore(watch?.subscribe ?? nothing, watch?.snapshot ?? (() => fine));
}

interface Battery {
    charging: boolean;
    level: number;
}

/** What this browser has left: megabytes, and how full its battery is when it is not charging. */
function useLeft(): { roomMb: number | null; battery: number | null } {
    const [left, setLeft] = useState<{ roomMb: number | null; battery: number | null }>({
        roomMb: null,
        battery: null,
    });
    useEffect(() => {
        const look = async () => {
            const room = await navigator.storage?.estimate().catch(() => null);
            const ask = (navigator as Navigator & { getBattery?: () => Promise<Battery> }).getBattery;
            const battery = await ask?.call(navigator).catch(() => null);
            setLeft({
                roomMb: room?.quota ? (room.quota - (room.usage ?? 0)) / 1_000_000 : null,
                battery: battery && !battery.charging ? battery.level : null,
            });
        };
        void look();
        const timer = setInterval(() => void look(), EVERY_MS);
        return () => clearInterval(timer);
    }, []);
    return left;
}

/** Pictures a second that come from the camera, against those it promised. */
function useFrames(stream: MediaStream | undefined, rolling: boolean): { of: number; come: number } | null {
    const [frames, setFrames] = useState<{ of: number; come: number } | null>(null);
    useEffect(() => {
        const of = stream?.getVideoTracks()[0]?.getSettings().frameRate;
        if (!stream || !of || !rolling) {
            setFrames(null);
            return;
        }
        const video = document.createElement('video');
        video.muted = true;
        video.srcObject = new MediaStream(stream.getVideoTracks());
        void video.play().catch(() => undefined);
        const counter = new FrameCount(video);
        let before: { at: number; count: number | null } | null = null;
        const timer = setInterval(() => {
            const now = { at: performance.now(), count: counter.total() };
            // A page that is not seen paints less, and counts less.
            if (before && before.count !== null && now.count !== null && document.visibilityState === 'visible') {
                setFrames({ of, come: (1000 * (now.count - before.count)) / (now.at - before.at) });
            }
            before = now;
        }, EVERY_MS);
        return () => {
            clearInterval(timer);
            counter.close();
            video.srcObject = null;
        };
    }, [stream, rolling]);
    return frames;
}

const LOOKS = 3;

/** Whether this page is in the picture; a patch of it flickers a little while that is found out. */
function useOwnPicture(screen: Sources['screen'], patch: (bright: boolean) => void): 'tab' | 'screen' | null {
    const [found, setFound] = useState<'tab' | 'screen' | null>(null);
    useEffect(() => {
        nameThisPage();
        setFound(null);
        if (!screen) {
            return;
        }
        if (isThisPage(screen.stream)) {
            setFound('tab');
            return;
        }
        if (screen.surface !== 'monitor' && screen.surface !== 'window') {
            return;
        }
        const look = new AbortController();
        void (async () => {
            // On a busy machine pictures come so late that one look may miss it.
            for (let looks = 0; looks < LOOKS && !look.signal.aborted; looks++) {
                if (await seesFlicker(screen.stream, patch, look.signal)) {
                    setFound('screen');
                    return;
                }
            }
        })();
        return () => look.abort();
    }, [screen, patch]);
    return found;
}

interface Room {
    lesson: Lesson;
    setup: Setup;
    sources: Sources;
    heard: Pick<MeterSnapshot, 'word' | 'silentMs'>;
    rolling: boolean;
    muted: boolean;
    sending: { waiting: number; trouble: string | null };
    plan: LinePicture | undefined;
    patch: (bright: boolean) => void;
}

export function useWarnings({ lesson, setup, sources, heard, rolling, muted, sending, plan, patch }: Room): Warning[] {
    const cameraPicture = usePicture(sources.camera?.stream);
    const screenPicture = usePicture(sources.screen?.stream);
    const left = useLeft();
    const frames = useFrames(sources.camera?.stream, rolling);
    const filmsItself = useOwnPicture(sources.screen, patch);
    const voice = sources.microphone?.stream.getAudioTracks()[0];
    const cameraWidth = sources.camera?.stream.getVideoTracks()[0]?.getSettings().width;
    const screenWidth = sources.screen?.stream.getVideoTracks()[0]?.getSettings().width;
    return warningsOf({
        rolling,
        cannotRecord: cannotRecord(),
        microphone:
            setup.microphone === 'none'
                ? 'off'
                : !sources.microphone
                  ? 'none'
                  : voice?.muted && !muted
                    ? 'muted'
                    : heard.word === 'silent' && !muted
                      ? 'silent'
                      : heard.word === 'too loud'
                        ? 'too loud'
                        : 'fine',
        silentMs: heard.silentMs,
        telephone: telephoneRate(sources.microphone?.stream),
        camera: sources.camera && { ...cameraPicture, width: cameraWidth ?? 0 },
        screen: sources.screen && { black: screenPicture.black, width: screenWidth ?? 0 },
        filmsItself,
        frameWidth: lesson.width,
        areaWidth: screenWidth ? Math.round(screenWidth * (setup.area?.width ?? 1)) : null,
        frames,
        waiting: sending.waiting,
        sendingTrouble: sending.trouble,
        ...left,
        wantsScreen: plan?.wants_screen ? plan.says : null,
    });
}
