/** What the room knows that could spoil a take. */
export interface RoomState {
    rolling: boolean;
    /** Why this browser records nothing at all. */
    cannotRecord: string | null;
    microphone: 'off' | 'none' | 'muted' | 'silent' | 'too loud' | 'fine';
    silentMs: number;
    /** Hz, when it is a headset's telephone quality. */
    telephone: number | null;
    camera: { black: boolean; frozen: boolean; width: number } | null;
    screen: { black: boolean; width: number } | null;
    /** Whether this page is in the picture that is recorded. */
    filmsItself: 'tab' | 'screen' | null;
    frameWidth: number;
    /** Pixels of the screen that are shown, across. */
    areaWidth: number | null;
    /** Frames a second that the camera gives, of how many it should. */
    frames: { of: number; come: number } | null;
    /** Seconds that have not reached the server. */
    waiting: number;
    sendingTrouble: string | null;
    /** Megabytes this browser has left. */
    roomMb: number | null;
    battery: number | null;
    wantsScreen: string | null;
}

export interface Warning {
    kind: string;
    says: string;
}

const PILED_UP = 10;
const LITTLE_MB = 500;
const LOW_BATTERY = 0.2;
const SLOW = 0.7;
const SILENT_WARNING_MS = 8000;

/** What to warn of, the most urgent first: what happened, what is safe, what to do. */
export function warningsOf(state: RoomState): Warning[] {
    const still = state.rolling ? ' The take is still rolling.' : '';
    const found: [string, string | false | null | undefined][] = [
        ['cannot record', state.cannotRecord],
        [
            'muted',
            state.microphone === 'muted' && `The microphone is switched off at the device.${still} Switch it on.`,
        ],
        [
            'silent',
            state.microphone === 'silent' &&
                state.silentMs > SILENT_WARNING_MS &&
                `The microphone went silent ${Math.round(state.silentMs / 1000)} s ago.${still} Check the plug.`,
        ],
        ['no microphone', state.microphone === 'off' && 'No microphone is chosen: nobody will hear you.'],
        [
            'films itself',
            state.filmsItself !== null &&
                (state.filmsItself === 'tab'
                    ? 'This very page is what is recorded.'
                    : 'This page is on the screen that is recorded.') +
                    (state.rolling
                        ? ' Camera and voice are safe.'
                        : ' Share a window or another screen, or move this page away.'),
        ],
        [
            'black camera',
            state.camera?.black && `The camera's picture is black.${still} Open its cover, or choose another camera.`,
        ],
        [
            'frozen camera',
            state.camera?.frozen &&
                `The camera's picture stands still.${still} Voice and screen are safe. Unplug it and plug it in again.`,
        ],
        [
            'black screen',
            state.screen?.black &&
                `The screen that is shared is black.${still} Share it again, or share a window instead.`,
        ],
        [
            'sending',
            state.sendingTrouble &&
                `${state.sendingTrouble} What you record is kept in this browser and sent as soon as it can be.`,
        ],
        [
            'piling up',
            state.waiting > PILED_UP &&
                `${state.waiting} s of what you recorded are still on their way to the server. ` +
                    `They are safe in this browser. Leave it open.`,
        ],
        [
            'little room',
            state.roomMb !== null &&
                state.roomMb < LITTLE_MB &&
                `This browser has only ${Math.round(state.roomMb)} MB left. ` +
                    `Takes are sent to the server at once and safe there. ` +
                    `Free some disk space before a long one.`,
        ],
        [
            'frames',
            state.frames !== null &&
                state.frames.come < SLOW * state.frames.of &&
                `Only ${Math.round(state.frames.come)} of ${state.frames.of} pictures a second come from the camera.` +
                    `${still} Close other programs, or give it more light.`,
        ],
        [
            'too loud',
            state.microphone === 'too loud' &&
                `The microphone is too loud.${still} Turn it down or move away a little.`,
        ],
        [
            'telephone',
            state.telephone !== null &&
                `This headset sends telephone quality (${state.telephone / 1000} kHz). ` +
                    `Plug it in by cable, or choose another microphone.`,
        ],
        [
            'battery',
            state.battery !== null &&
                state.battery < LOW_BATTERY &&
                `The battery is at ${Math.round(100 * state.battery)} %. Plug in the charger before you go on.`,
        ],
        [
            'soft',
            state.screen !== null &&
                state.areaWidth !== null &&
                state.areaWidth < state.frameWidth &&
                `The screen will look soft: ${state.areaWidth} wide for a ${state.frameWidth} frame.`,
        ],
        [
            'small camera',
            state.camera !== null &&
                state.screen === null &&
                state.camera.width > 0 &&
                state.camera.width < 0.6 * state.frameWidth &&
                `The camera gives ${state.camera.width} pixels for a frame of ${state.frameWidth}: ` +
                    'it will look soft when shown alone.',
        ],
        [
            'wants screen',
            state.wantsScreen !== null &&
                state.screen === null &&
                !state.rolling &&
                `This section shows a screen${state.wantsScreen ? `: ${state.wantsScreen}` : ''}. Choose one in the set-up.`,
        ],
    ];
    return found.flatMap(([kind, says]) => (says ? [{ kind, says }] : []));
}
