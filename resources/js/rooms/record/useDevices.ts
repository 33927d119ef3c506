import { useCallback, useEffect, useRef, useState } from 'react';
import type { Lesson } from '../../api/types';
import {
    type DeviceLists,
    listDevices,
    NONE,
    type OpenDevice,
    openCamera,
    openMicrophone,
    STAND_IN,
} from '../../recorder/devices';
import { Meter } from '../../recorder/meter';
import type { StandInMicrophone } from '../../recorder/standInMicrophone';

type Kind = 'camera' | 'microphone';
type Remembered = Partial<Record<Kind, string>>;

const STORED = 'reel.devices';

function remembered(): Remembered {
    try {
        return JSON.parse(localStorage.getItem(STORED) ?? '{}') as Remembered;
    } catch {
        return {};
    }
}

/**
 * The camera and microphone chosen, open and listened to.
 *
 * @param onLost told when a device goes away while it is in use
 */
export function useDevices(lesson: Lesson, sectionId: string, onLost: (kind: Kind) => void) {
    const [lists, setLists] = useState<DeviceLists>({ cameras: [], microphones: [] });
    const [chosen, setChosen] = useState<Remembered>({});
    const [camera, setCamera] = useState<OpenDevice | null>(null);
    const [microphone, setMicrophone] = useState<(OpenDevice & Partial<StandInMicrophone>) | null>(null);
    const [meter, setMeter] = useState<Meter | null>(null);
    const [problems, setProblems] = useState<Remembered>({});
    /** Devices chosen and not open yet: nothing may be recorded from the ones before. */
    const [opening, setOpening] = useState<Partial<Record<Kind, boolean>>>({});
    const noteOpening = useCallback(
        (kind: Kind, still: boolean) => setOpening((all) => ({ ...all, [kind]: still })),
        [],
    );
    const currentMeter = useRef<Meter | null>(null);
    const { width, height, fps } = lesson;
    const lost = useRef(onLost);
    lost.current = onLost;

    const note = useCallback(
        (kind: Kind, problem: string | undefined) => setProblems((all) => ({ ...all, [kind]: problem })),
        [],
    );
    const refresh = useCallback(() => void listDevices().then(setLists), []);

    useEffect(() => {
        void listDevices().then((found) => {
            const last = remembered();
            setLists(found);
            setChosen({
                camera: last.camera ?? found.cameras.find((d) => d.id !== NONE)?.id ?? NONE,
                microphone: last.microphone ?? found.microphones.find((d) => d.id !== NONE)?.id ?? NONE,
            });
        });
        navigator.mediaDevices?.addEventListener('devicechange', refresh);
        return () => navigator.mediaDevices?.removeEventListener('devicechange', refresh);
    }, [refresh]);

    const choose = useCallback((kind: Kind, id: string) => {
        setChosen((all) => {
            const next = { ...all, [kind]: id };
            localStorage.setItem(STORED, JSON.stringify(next));
            return next;
        });
    }, []);

    const watch = useCallback(
        (device: OpenDevice, kind: Kind) => {
            device.stream.getTracks().forEach((track) => {
                track.onended = () => {
                    note(kind, `The ${kind} was unplugged. Plug it in again or choose another.`);
                    lost.current(kind);
                };
            });
        },
        [note],
    );

    // The stand-in voice reads the section at hand; real microphones stay open from one section to the next.
    const voiceOf = chosen.microphone === STAND_IN ? sectionId : '';
    useEffect(() => {
        if (chosen.microphone === undefined) {
            return;
        }
        let gone = false;
        let opened: OpenDevice | null = null;
        let listening: Meter | null = null;
        note('microphone', undefined);
        noteOpening('microphone', true);
        openMicrophone(chosen.microphone, `/api/sections/${voiceOf}/stand-in-voice`)
            .then((device) => {
                opened = device;
                if (gone || !device) {
                    device?.close();
                    return;
                }
                if ('speaks' in device && device.speaks === false) {
                    note(
                        'microphone',
                        'The stand-in voice cannot speak: the program flite is not installed on the server.',
                    );
                }
                watch(device, 'microphone');
                listening = new Meter(device.stream);
                currentMeter.current = listening;
                setMicrophone(device);
                setMeter(listening);
                refresh();
            })
            .catch((error: Error) => !gone && note('microphone', error.message))
            .finally(() => !gone && noteOpening('microphone', false));
        return () => {
            gone = true;
            opened?.stream.getTracks().forEach((track) => (track.onended = null));
            opened?.close();
            listening?.close();
            currentMeter.current = null;
            setMicrophone(null);
            setMeter(null);
        };
    }, [chosen.microphone, voiceOf, note, noteOpening, watch, refresh]);

    useEffect(() => {
        if (chosen.camera === undefined) {
            return;
        }
        let gone = false;
        let opened: OpenDevice | null = null;
        note('camera', undefined);
        noteOpening('camera', true);
        openCamera(chosen.camera, { width, height, fps }, () => currentMeter.current?.mouth() ?? 0)
            .then((device) => {
                opened = device;
                if (gone || !device) {
                    device?.close();
                    return;
                }
                watch(device, 'camera');
                setCamera(device);
                refresh();
            })
            .catch((error: Error) => !gone && note('camera', error.message))
            .finally(() => !gone && noteOpening('camera', false));
        return () => {
            gone = true;
            opened?.stream.getTracks().forEach((track) => (track.onended = null));
            opened?.close();
            setCamera(null);
        };
    }, [chosen.camera, width, height, fps, note, noteOpening, watch, refresh]);

    return {
        lists,
        chosen,
        choose,
        camera,
        microphone,
        meter,
        problems,
        opening: opening.camera || opening.microphone,
    };
}
