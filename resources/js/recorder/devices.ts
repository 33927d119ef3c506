import { StandInCamera } from './standInCamera';
import { StandInMicrophone } from './standInMicrophone';

export const NONE = 'none';
export const STAND_IN = 'stand-in';

export interface DeviceChoice {
    id: string;
    name: string;
}

export interface DeviceLists {
    cameras: DeviceChoice[];
    microphones: DeviceChoice[];
}

/** Real and stand-in devices in the same lists. Names of real ones are known only after permission was given. */
export async function listDevices(): Promise<DeviceLists> {
    const found = (await navigator.mediaDevices?.enumerateDevices().catch(() => [])) ?? [];
    const real = (kind: MediaDeviceKind, name: string): DeviceChoice[] =>
        found
            .filter(
                (device) =>
                    device.kind === kind && device.deviceId !== 'default' && device.deviceId !== 'communications',
            )
            .map((device, index) => ({
                id: device.deviceId || `any-${kind}`,
                name: device.label || `${name} ${index + 1}`,
            }));
    return {
        cameras: [
            ...real('videoinput', 'Camera'),
            { id: STAND_IN, name: 'Stand-in presenter' },
            { id: NONE, name: 'No camera' },
        ],
        microphones: [
            ...real('audioinput', 'Microphone'),
            { id: STAND_IN, name: 'Stand-in voice' },
            { id: NONE, name: 'No microphone' },
        ],
    };
}

/** A device could not be opened. The message says why, and what to do. */
export class DeviceProblem extends Error {}

function problem(error: unknown, what: string): DeviceProblem {
    const reason = error instanceof DOMException ? error.name : '';
    const says: Record<string, string> = {
        NotAllowedError: `The browser was not allowed to use the ${what}. Allow it in the address bar, or choose the stand-in.`,
        NotFoundError: `There is no ${what} to be found. Plug one in, or choose the stand-in.`,
        OverconstrainedError: `The ${what} you used last is not there. Choose another.`,
        NotReadableError: `The ${what} is in use by another program. Close that program, or choose another ${what}.`,
    };
    return new DeviceProblem(says[reason] ?? `The ${what} could not be opened. Choose another.`);
}

const exactly = (id: string): { deviceId?: { exact: string } } =>
    id.startsWith('any-') ? {} : { deviceId: { exact: id } };

/** What a device gives, and how to let go of it. */
export interface OpenDevice {
    stream: MediaStream;
    close(): void;
}

/**
 * @param level tells how loud the microphone is, 0..1: the stand-in presenter moves its mouth by it
 * @throws DeviceProblem
 */
export async function openCamera(
    id: string,
    frame: { width: number; height: number; fps: number },
    level: () => number,
): Promise<OpenDevice | null> {
    if (id === NONE) {
        return null;
    }
    if (id === STAND_IN) {
        return new StandInCamera(level);
    }
    try {
        const stream = await navigator.mediaDevices.getUserMedia({
            video: {
                ...exactly(id),
                width: { ideal: frame.width },
                height: { ideal: frame.height },
                frameRate: { ideal: frame.fps },
            },
        });
        return { stream, close: () => stream.getTracks().forEach((track) => track.stop()) };
    } catch (error) {
        throw problem(error, 'camera');
    }
}

/**
 * @param voiceUrl what the stand-in voice says
 * @throws DeviceProblem
 */
export async function openMicrophone(
    id: string,
    voiceUrl: string,
): Promise<(OpenDevice & Partial<StandInMicrophone>) | null> {
    if (id === NONE) {
        return null;
    }
    if (id === STAND_IN) {
        return StandInMicrophone.open(voiceUrl);
    }
    try {
        const stream = await navigator.mediaDevices.getUserMedia({
            // A recording wants the sound as it is; levels are evened out afterwards.
            audio: { ...exactly(id), echoCancellation: false, noiseSuppression: false, autoGainControl: false },
        });
        return { stream, close: () => stream.getTracks().forEach((track) => track.stop()) };
    } catch (error) {
        throw problem(error, 'microphone');
    }
}
