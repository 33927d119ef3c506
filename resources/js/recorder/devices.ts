import { StandInCamera } from './demoCamera';
import { StandInMicrophone } from './demoMicrophone';
import { StandInScreen } from './demoScreen';

export const NONE = 'none';
export const STAND_IN = 'stand-in';
/** Before the kind of a device of which the browser does not say more yet. */
export const ANY = 'any-';
/** The browser asks which screen, window or tab. */
export const ASK = 'ask';
/** Before the id of a second camera, such as one over the desk, that is recorded as a screen is. */
const DESK = 'camera:';

const WHOLE_SCREEN = 'monitor';

/** Why nothing can be recorded in this browser, and what to do; null where it can. */
export function cannotRecord(): string | null {
    if (navigator.mediaDevices === undefined) {
        return globalThis.isSecureContext === false
            ? 'Browsers give out cameras and microphones over HTTPS and on this machine only. Open it by its https address.'
            : 'This browser gives out neither camera nor microphone. Open this page in Chromium, Chrome, Edge or Firefox.';
    }
    return globalThis.MediaRecorder === undefined
        ? 'This browser cannot record. Open this page in Chromium, Chrome, Edge or Firefox.'
        : null;
}

export interface DeviceChoice {
    id: string;
    name: string;
}

export interface DeviceLists {
    cameras: DeviceChoice[];
    microphones: DeviceChoice[];
    screens: DeviceChoice[];
    /** Whether the browser says what there is: before anything was allowed devices have neither names nor ids. */
    named: boolean;
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
                id: device.deviceId || `${ANY}${kind}`,
                name: device.label || `${name} ${index + 1}`,
            }));
    const cameras = real('videoinput', 'Camera');
    return {
        named: found.some(({ label }) => label !== ''),
        screens: [
            { id: NONE, name: 'No screen' },
            ...(canShare() ? [{ id: ASK, name: 'Screen, window or tab' }] : []),
            { id: STAND_IN, name: 'Stand-in screen: a tide gauge' },
            ...cameras.map(({ id, name }) => ({ id: `${DESK}${id}`, name: `Second camera: ${name}` })),
        ],
        cameras: [...cameras, { id: STAND_IN, name: 'Stand-in presenter' }, { id: NONE, name: 'No camera' }],
        microphones: [
            ...real('audioinput', 'Microphone'),
            { id: STAND_IN, name: 'Stand-in voice' },
            { id: NONE, name: 'No microphone' },
        ],
    };
}

/** What an open device is to be remembered as, also where it was asked for as any there is, or by an id it had before. */
export function known(device: OpenDevice): Partial<KnownDevice> {
    const track = device.stream.getTracks()[0];
    return { id: track?.getSettings?.().deviceId, name: track?.label };
}

const canShare = () => typeof navigator.mediaDevices?.getDisplayMedia === 'function';

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
    id.startsWith(ANY) ? {} : { deviceId: { exact: id } };

/** A device as it was remembered. */
export interface KnownDevice {
    id: string;
    /** What it calls itself. */
    name?: string;
}

/**
 * Ids are new where a browser has forgotten what it knew of this site: then the name tells which device is meant, unless several
 * have it.
 */
async function ask(
    device: KnownDevice,
    kind: MediaDeviceKind,
    open: (id: ReturnType<typeof exactly>) => Promise<MediaStream>,
): Promise<OpenDevice> {
    const asked = await open(exactly(device.id)).catch(async (error: unknown) => {
        const isGone = error instanceof DOMException && error.name === 'OverconstrainedError';
        const [same, another] = (isGone ? await navigator.mediaDevices.enumerateDevices() : []).filter(
            (one) => one.kind === kind && one.label !== '' && one.label === device.name,
        );
        if (!same || another) {
            throw error;
        }
        return open(exactly(same.deviceId));
    });
    return { stream: asked, close: () => asked.getTracks().forEach((track) => track.stop()) };
}

/** What a device gives, and how to let go of it. */
export interface OpenDevice {
    stream: MediaStream;
    /** What a screen is taken from: `monitor`, `window`, `browser`. */
    surface?: string;
    /** Whether the browser says what is shared: those that do not give no sound with it. */
    namesSurface?: boolean;
    close(): void;
}

/**
 * @param level tells how loud the microphone is, 0..1: the stand-in presenter moves its mouth by it
 * @throws DeviceProblem
 */
export async function openCamera(
    device: KnownDevice,
    frame: { width: number; height: number; fps: number },
    level: () => number,
): Promise<OpenDevice | null> {
    if (device.id === NONE) {
        return null;
    }
    if (device.id === STAND_IN) {
        return new StandInCamera(level);
    }
    try {
        return await ask(device, 'videoinput', (id) =>
            navigator.mediaDevices.getUserMedia({
                video: {
                    ...id,
                    width: { ideal: frame.width },
                    height: { ideal: frame.height },
                    frameRate: { ideal: frame.fps },
                },
            }),
        );
    } catch (error) {
        throw problem(error, 'camera');
    }
}

/**
 * @param voiceUrl what the stand-in voice says
 * @throws DeviceProblem
 */
export async function openMicrophone(
    device: KnownDevice,
    voiceUrl: string,
): Promise<(OpenDevice & Partial<StandInMicrophone>) | null> {
    if (device.id === NONE) {
        return null;
    }
    if (device.id === STAND_IN) {
        return StandInMicrophone.open(voiceUrl);
    }
    try {
        return await ask(device, 'audioinput', (id) =>
            navigator.mediaDevices.getUserMedia({
                // A recording wants the sound as it is; levels are evened out afterwards.
                audio: { ...id, echoCancellation: false, noiseSuppression: false, autoGainControl: false },
            }),
        );
    } catch (error) {
        throw problem(error, 'microphone');
    }
}

/**
 * @param withSound the computer's sound is wanted too; not every screen gives it
 * @throws DeviceProblem
 */
export async function openScreen(
    id: string,
    frame: { width: number; height: number; fps: number },
    withSound: boolean,
): Promise<OpenDevice | null> {
    if (id === NONE) {
        return null;
    }
    if (id === STAND_IN) {
        return new StandInScreen(withSound);
    }
    if (id.startsWith(DESK)) {
        return openCamera({ id: id.slice(DESK.length) }, frame, () => 0);
    }
    try {
        const stream = await navigator.mediaDevices.getDisplayMedia({
            video: { frameRate: { max: frame.fps } },
            // A recording wants the sound as it is.
            audio: withSound && {
                echoCancellation: false,
                noiseSuppression: false,
                autoGainControl: false,
                channelCount: 2,
            },
            selfBrowserSurface: 'exclude',
            surfaceSwitching: 'include',
        } as DisplayMediaStreamOptions);
        // Where it is not said what was chosen, it may be the whole screen.
        const said = stream.getVideoTracks()[0]?.getSettings().displaySurface;
        return {
            stream,
            surface: said ?? WHOLE_SCREEN,
            namesSurface: said !== undefined,
            close: () => stream.getTracks().forEach((track) => track.stop()),
        };
    } catch (error) {
        const refused = error instanceof DOMException && error.name === 'NotAllowedError';
        throw new DeviceProblem(
            refused
                ? 'No screen is shared. Press Share a screen and choose one, or go on without.'
                : 'The screen could not be shared. Choose another, or the stand-in screen.',
        );
    }
}

/** A headset that sends telephone quality: what it says of its rate, in Hz; null when it is good enough or says nothing. */
export function telephoneRate(stream: MediaStream | undefined): number | null {
    const rate = stream?.getAudioTracks()[0]?.getSettings().sampleRate;
    return rate !== undefined && rate <= 16_000 ? rate : null;
}
