import { keepAwake } from '../lib/awake';
import workletUrl from './voiceWorklet.js?url&no-inline';

export interface VoiceState {
    speaking: boolean;
    /** The room, when nobody speaks: dBFS; null until it is known. */
    roomDb: number | null;
    /** The voice, while somebody does. */
    voiceDb: number | null;
}

/** Tells, fifty times a second, whether somebody speaks: from the level against that of the room. */
export class Voice {
    private readonly context = new AudioContext();
    private node: AudioWorkletNode | null = null;
    private closed = false;
    private readonly letSleep: () => void;

    constructor(stream: MediaStream, heard: (state: VoiceState, milliseconds: number) => void) {
        void this.context.audioWorklet.addModule(workletUrl).then(() => {
            if (this.closed) {
                return;
            }
            this.node = new AudioWorkletNode(this.context, 'open-reel-voice', { numberOfOutputs: 0 });
            this.node.port.onmessage = ({ data }: MessageEvent<VoiceState & { milliseconds: number }>) =>
                heard(data, data.milliseconds);
            this.context.createMediaStreamSource(new MediaStream(stream.getAudioTracks())).connect(this.node);
        });
        this.letSleep = keepAwake(this.context);
    }

    close(): void {
        this.closed = true;
        this.letSleep();
        this.node?.disconnect();
        void this.context.close();
    }
}
