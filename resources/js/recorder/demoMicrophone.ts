import { keepAwake } from '../lib/awake';

/** The voice comes near full scale; a well-set microphone leaves room. */
const DISTANCE = 0.4;

/** What is heard of a quiet room when nobody speaks. A microphone that delivers nothing at all would be a broken one. */
const ROOM_DB = -70;

function roomTone(context: AudioContext): AudioNode {
    const buffer = context.createBuffer(1, 2 * context.sampleRate, context.sampleRate);
    const samples = buffer.getChannelData(0);
    const loud = 10 ** (ROOM_DB / 20) * Math.sqrt(3);
    for (let i = 0; i < samples.length; i++) {
        samples[i] = (2 * Math.random() - 1) * loud;
    }
    const source = new AudioBufferSourceNode(context, { buffer, loop: true });
    source.start();
    return source;
}

/** A long section takes the voice a while to read. */
const againMs = 1000;
const patienceMs = 180_000;

async function spoken(url: string): Promise<Response | null> {
    const end = Date.now() + patienceMs;
    while (true) {
        const answer = await fetch(url).catch(() => null);
        if (answer?.status !== 202 || Date.now() > end) {
            return answer?.status === 202 ? null : answer;
        }
        await new Promise((resolve) => setTimeout(resolve, againMs));
    }
}

/** A microphone that hears the shipped voice read the section's script. Nothing comes out of the loudspeaker. */
export class StandInMicrophone {
    readonly stream: MediaStream;
    private readonly room: GainNode;
    private source: AudioBufferSourceNode | null = null;

    /** A take is paused: it is silent on purpose. */
    private held = false;
    private readonly letSleep: () => void;

    private constructor(
        private readonly context: AudioContext,
        out: MediaStreamAudioDestinationNode,
        private readonly voice: AudioBuffer | null,
    ) {
        this.stream = out.stream;
        this.room = new GainNode(context, { gain: DISTANCE });
        this.room.connect(out);
        roomTone(context).connect(out);
        this.rehearse();
        this.letSleep = keepAwake(context, () => !this.held);
    }

    static async open(voiceUrl: string): Promise<StandInMicrophone> {
        const context = new AudioContext({ sampleRate: 48000 });
        const out = context.createMediaStreamDestination();
        const answer = await spoken(voiceUrl);
        const voice = answer?.ok ? await context.decodeAudioData(await answer.arrayBuffer()).catch(() => null) : null;
        return new StandInMicrophone(context, out, voice);
    }

    /** Whether there is a voice to be heard. */
    get speaks(): boolean {
        return this.voice !== null;
    }

    /** Speaks on and on, so that the meter has something to show before recording. */
    rehearse(): void {
        this.play(true);
    }

    /** Reads the script once, from the top, after the breath anyone takes. */
    begin(): void {
        this.play(false, 0.6);
    }

    hold(): void {
        this.held = true;
        void this.context.suspend();
    }

    go(): void {
        this.held = false;
        void this.context.resume();
    }

    close(): void {
        this.letSleep();
        this.stream.getTracks().forEach((track) => track.stop());
        void this.context.close();
    }

    private play(again: boolean, wait = 0): void {
        void this.context.resume();
        this.source?.stop();
        this.source?.disconnect();
        this.source = null;
        if (this.voice) {
            this.source = this.context.createBufferSource();
            this.source.buffer = this.voice;
            this.source.loop = again;
            this.source.connect(this.room);
            this.source.start(this.context.currentTime + wait);
        }
    }
}
