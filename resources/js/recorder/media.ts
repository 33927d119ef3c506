import type { TrackKind } from '../api/types';
import type { TrackRecorder } from './session';

/** How one track is recorded. Camera and voice are one recording, so that they share the browser's own clock. */
export interface RecordingFormat {
    kind: TrackKind;
    mime: string;
}

const PICTURE = ['video/webm;codecs=vp8,opus', 'video/webm;codecs=h264,opus', 'video/webm', 'video/mp4'];
/** Two pictures at full size are more than a software encoder of VP8 can do; H.264 costs less and keeps every frame. */
const TWO_PICTURES = ['video/webm;codecs=h264,opus', 'video/webm;codecs=vp8,opus', 'video/webm', 'video/mp4'];
const SOUND = ['audio/webm;codecs=opus', 'audio/webm', 'audio/mp4'];

/** Bits a second: a talking face at full frame, small letters, and a voice. */
const CAMERA_BITS = 5_000_000;

/**
 * Milliseconds between pictures that stand by themselves, so that a jump into the take need not go through all before it. Those
 * of a screen are large, and what lies between them is soon read.
 */
const CAMERA_SEEKABLE = { videoKeyFrameIntervalDuration: 500 };
const SCREEN_SEEKABLE = { videoKeyFrameIntervalDuration: 1000 };
const SCREEN_BITS = 14_000_000;
const VOICE_BITS = 128_000;

/** What there is to record from. */
export interface Sources {
    camera: MediaStream | undefined;
    microphone: MediaStream | undefined;
    screen: MediaStream | undefined;
    surface: string | undefined;
}

const supported = (types: string[]) => types.find((type) => globalThis.MediaRecorder?.isTypeSupported(type));

/** @returns what is recorded, the track that ends the take first; empty when there is nothing, or this browser cannot record */
export function recordingFormats({ camera, microphone, screen }: Sources): RecordingFormat[] {
    const wanted: [boolean, TrackKind, string[]][] = [
        [camera !== undefined, 'camera', screen ? TWO_PICTURES : PICTURE],
        [camera === undefined && microphone !== undefined, 'microphone', SOUND],
        [screen !== undefined, 'screen', TWO_PICTURES],
        [(screen?.getAudioTracks().length ?? 0) > 0, 'computer', SOUND],
    ];
    return wanted.flatMap(([is, kind, types]) => {
        const mime = is ? supported(types) : undefined;
        return mime ? [{ kind, mime }] : [];
    });
}

/** Voice and computer, one on either side: the voice tells when the computer's sound began. */
function besideVoice(computer: MediaStream, voice: MediaStream): { stream: MediaStream; close: () => void } {
    const context = new AudioContext({ sampleRate: 48000 });
    const out = new MediaStreamAudioDestinationNode(context, { channelCount: 2 });
    const merger = new ChannelMergerNode(context, { numberOfInputs: 2 });
    const mono = { channelCount: 1, channelCountMode: 'explicit' } as const;
    const side = (stream: MediaStream, input: number) =>
        context
            .createMediaStreamSource(new MediaStream(stream.getAudioTracks()))
            .connect(new GainNode(context, mono))
            .connect(merger, 0, input);
    side(voice, 0);
    side(computer, 1);
    merger.connect(out);
    void context.resume();
    return { stream: out.stream, close: () => void context.close() };
}

/** Recorders of what there is, none of them started, in the order of `recordingFormats`. */
export function makeRecorders(sources: Sources): TrackRecorder[] {
    const { camera, microphone, screen, surface } = sources;
    const voice = microphone?.getAudioTracks() ?? [];
    return recordingFormats(sources).map(({ kind, mime: mimeType }) => {
        if (kind === 'screen') {
            // A copy of the voice beside the screen: by it the two are put in step, to a few milliseconds.
            const copy = voice.map((track) => track.clone());
            const stream = new MediaStream([...(screen?.getVideoTracks() ?? []), ...copy]);
            const recorder = new MediaRecorder(stream, {
                mimeType,
                videoBitsPerSecond: SCREEN_BITS,
                ...SCREEN_SEEKABLE,
                audioBitsPerSecond: VOICE_BITS,
            });
            recorder.addEventListener('stop', () => copy.forEach((track) => track.stop()));
            return { kind, recorder: recorder as never, inStep: voice.length > 0, surface };
        }
        if (kind === 'computer' && screen) {
            const both = microphone && voice.length > 0 ? besideVoice(screen, microphone) : null;
            const recorder = new MediaRecorder(both?.stream ?? new MediaStream(screen.getAudioTracks()), {
                mimeType,
                audioBitsPerSecond: 2 * VOICE_BITS,
            });
            recorder.addEventListener('stop', () => both?.close());
            return { kind, recorder: recorder as never, inStep: both !== null };
        }
        const stream = new MediaStream([...(camera?.getVideoTracks() ?? []), ...voice]);
        const recorder = new MediaRecorder(stream, {
            mimeType,
            videoBitsPerSecond: CAMERA_BITS,
            ...CAMERA_SEEKABLE,
            audioBitsPerSecond: VOICE_BITS,
        });
        return { kind, recorder: recorder as never };
    });
}
