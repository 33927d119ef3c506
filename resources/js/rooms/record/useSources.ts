import { useCallback, useEffect, useRef, useState } from 'react';
import type { Lesson } from '../../api/types';
import {
    ASK,
    type DeviceLists,
    known,
    listDevices,
    NONE,
    type OpenDevice,
    openCamera,
    openMicrophone,
    openScreen,
    STAND_IN,
} from '../../recorder/devices';
import { Meter } from '../../recorder/meter';
import type { SourceKind } from '../../recorder/RecordingController';
import type { Setup } from '../../recorder/setup';
import type { StandInMicrophone } from '../../recorder/demoMicrophone';
import type { ChangeSetup } from './useSetup';

type Microphone = OpenDevice & Partial<StandInMicrophone>;

/** What is recorded from, open and listened to. */
export interface Sources {
    lists: DeviceLists;
    /** Devices that came or went while the room was open, in words. */
    news: string | null;
    camera: OpenDevice | null;
    microphone: Microphone | null;
    screen: OpenDevice | null;
    meter: Meter | null;
    problems: Partial<Record<SourceKind, string>>;
    /** Something was chosen and is not open yet: nothing may be recorded from what was there before. */
    opening: boolean;
    /** The browser has to be asked for a screen, by a press. */
    waitsForShare: boolean;
    share: () => void;
}

const none: DeviceLists = { cameras: [], microphones: [], screens: [], named: false };

/** One device, opened anew whenever what it is opened with changes. */
function useDevice<Device extends OpenDevice>(
    kind: SourceKind,
    key: string | null,
    open: () => Promise<Device | null>,
    watch: { note: (problem?: string) => void; lost: () => void; opened: (device: Device) => void },
) {
    /** What is open, and what it was opened for. */
    const [{ device, opened }, setOpen] = useState<{ device: Device | null; opened: string | null }>({
        device: null,
        opened: null,
    });
    const latest = useRef({ open, ...watch });
    latest.current = { open, ...watch };
    useEffect(() => {
        if (key === null) {
            return;
        }
        let gone = false;
        let mine: Device | null = null;
        latest.current.note();
        latest.current
            .open()
            .then((found) => {
                mine = found;
                if (gone) {
                    found?.close();
                    return;
                }
                found?.stream.getTracks().forEach((track) => {
                    track.onended = () => {
                        latest.current.note(
                            kind === 'screen'
                                ? 'The screen is no longer shared. Share it again, or go on without.'
                                : `The ${kind} was unplugged. Plug it in again or choose another.`,
                        );
                        setOpen({ device: null, opened: key });
                        latest.current.lost();
                    };
                });
                setOpen({ device: found, opened: key });
                if (found) {
                    latest.current.opened(found);
                }
            })
            .catch((error: Error) => {
                if (!gone) {
                    latest.current.note(error.message);
                    setOpen({ device: null, opened: key });
                }
            });
        return () => {
            gone = true;
            mine?.stream.getTracks().forEach((track) => (track.onended = null));
            mine?.close();
            setOpen({ device: null, opened: null });
        };
    }, [kind, key]);
    return [device, key !== null && opened !== key] as const;
}

/** @param onLost told when a device goes away while it is in use */
export function useSources(
    lesson: Lesson,
    sectionId: string,
    setup: Setup,
    change: ChangeSetup,
    onLost: (kind: SourceKind) => void,
): Sources {
    const [lists, setLists] = useState(none);
    const [news, setNews] = useState<string | null>(null);
    const [problems, setProblems] = useState<Partial<Record<SourceKind, string>>>({});
    const [meter, setMeter] = useState<Meter | null>(null);
    /** Counts the presses on Share: the browser is asked at each. */
    const [shares, setShares] = useState(0);
    const knownNames = useRef<string[] | null>(null);
    const currentMeter = useRef<Meter | null>(null);
    const lost = useRef(onLost);
    lost.current = onLost;
    const frame = { width: lesson.width, height: lesson.height, fps: lesson.fps };

    const refresh = useCallback(async () => {
        const found = await listDevices();
        const names = [...found.cameras, ...found.microphones].map((device) => device.name);
        const before = knownNames.current;
        if (before && found.named) {
            const came = names.filter((name) => !before.includes(name));
            const went = before.filter((name) => !names.includes(name));
            setNews(
                went.length > 0
                    ? `${went.join(', ')}: no longer there.`
                    : came.length > 0
                      ? `New: ${came.join(', ')}. Choose it in the set-up if it is meant.`
                      : null,
            );
        }
        knownNames.current = found.named ? names : null;
        setLists(found);
        return found;
    }, []);
    /** What was allowed has names now; nothing came or went by that. */
    const named = useCallback(async () => {
        const found = await listDevices();
        knownNames.current = found.named ? [...found.cameras, ...found.microphones].map((device) => device.name) : null;
        setLists(found);
    }, []);
    /** A device that was asked for as any there is, or by an id it had before, has an id of its own once it is open. */
    const asked = useRef<Partial<Record<'camera' | 'microphone', { as: string; id: string }>>>({});
    const keyOf = (kind: 'camera' | 'microphone') =>
        asked.current[kind] && asked.current[kind].id === setup[kind] ? asked.current[kind].as : setup[kind];
    const opened = (kind: SourceKind) => (device: OpenDevice) => {
        const { id, name } = known(device);
        const as = kind === 'screen' ? undefined : setup[kind];
        if (kind !== 'screen' && as && as !== STAND_IN && id) {
            asked.current[kind] = { as, id };
            change({ [kind]: id, [`${kind}Name`]: name });
        }
        void named();
    };
    useEffect(() => {
        const again = () => void refresh();
        void refresh().then((found) => {
            const first = (of: { id: string }[]) => of.find((one) => one.id !== NONE)?.id ?? NONE;
            change({
                ...(setup.camera === undefined && { camera: first(found.cameras) }),
                ...(setup.microphone === undefined && { microphone: first(found.microphones) }),
            });
        });
        navigator.mediaDevices?.addEventListener('devicechange', again);
        return () => navigator.mediaDevices?.removeEventListener('devicechange', again);
        // What was remembered is completed once.
        // eslint-disable-next-line react-hooks/exhaustive-deps
    }, [refresh, change]);

    const note = (kind: SourceKind) => (problem?: string) => setProblems((all) => ({ ...all, [kind]: problem }));
    const watch = (kind: SourceKind) => ({
        note: note(kind),
        lost: () => lost.current(kind),
        opened: opened(kind),
    });

    // The stand-in voice reads the section at hand; real microphones stay open from one section to the next.
    const voiceOf = setup.microphone === STAND_IN ? sectionId : '';
    const [microphone, openingMicrophone] = useDevice<Microphone>(
        'microphone',
        setup.microphone === undefined ? null : `${keyOf('microphone')}/${voiceOf}`,
        async () => {
            const device = await openMicrophone(
                { id: setup.microphone ?? NONE, name: setup.microphoneName },
                `/api/sections/${voiceOf}/stand-in-voice`,
            );
            if (device && 'speaks' in device && device.speaks === false) {
                note('microphone')(
                    'The stand-in voice cannot speak: the program flite is not installed on the server.',
                );
            }
            return device;
        },
        watch('microphone'),
    );
    useEffect(() => {
        const made = microphone ? new Meter(microphone.stream) : null;
        currentMeter.current = made;
        setMeter(made);
        return () => made?.close();
    }, [microphone]);
    const [camera, openingCamera] = useDevice(
        'camera',
        setup.camera === undefined ? null : `${keyOf('camera')}/${frame.width}x${frame.height}@${frame.fps}`,
        () =>
            openCamera(
                { id: setup.camera ?? NONE, name: setup.cameraName },
                frame,
                () => currentMeter.current?.mouth() ?? 0,
            ),
        watch('camera'),
    );
    const asks = setup.screen === ASK;
    const [screen, openingScreen] = useDevice(
        'screen',
        asks && shares === 0 ? null : `${setup.screen}/${setup.computer}/${asks ? shares : ''}@${frame.fps}`,
        () => openScreen(setup.screen, frame, setup.computer),
        watch('screen'),
    );
    return {
        lists,
        news,
        camera,
        microphone,
        screen,
        meter,
        problems,
        opening: openingCamera || openingMicrophone || openingScreen,
        waitsForShare: asks && screen === null && !openingScreen,
        share: () => setShares((count) => count + 1),
    };
}
