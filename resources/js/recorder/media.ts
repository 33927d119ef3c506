import type { TrackKind } from '../api/types';

/** How one track is recorded. Camera and voice are one recording, so that they share the browser's own clock. */
export interface RecordingFormat {
    kind: TrackKind;
    mime: string;
}

const PICTURE = ['video/webm;codecs=vp8,opus', 'video/webm;codecs=h264,opus', 'video/webm', 'video/mp4'];
const SOUND = ['audio/webm;codecs=opus', 'audio/webm', 'audio/mp4'];

/** @returns null when there is nothing to record, or this browser cannot record */
export function recordingFormat(hasCamera: boolean, hasMicrophone: boolean): RecordingFormat | null {
    if (!hasCamera && !hasMicrophone) {
        return null;
    }
    const mime = (hasCamera ? PICTURE : SOUND).find((type) => globalThis.MediaRecorder?.isTypeSupported(type));
    return mime ? { kind: hasCamera ? 'camera' : 'microphone', mime } : null;
}

/** Bits a second: a talking face at full frame, and a voice. */
export const quality = { videoBitsPerSecond: 5_000_000, audioBitsPerSecond: 128_000 };
