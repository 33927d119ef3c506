import type { Assembly } from '../api/types';
import { runsSoon } from '../lib/awake';
import { TICKS_PER_SECOND } from '../lib/TimeMap';
import { BedPlayer } from './BedPlayer';
import type { MediaPair, Turn } from './MediaPair';

/** Seconds by which music may be off from the picture before it is set right; that is heard as a small jump. */
const MOST_APART = 0.25;

/** Milliseconds in which sound is there, or is not waited for. */
const SOUND_MS = 800;

const amplitude = (db: number): number => 10 ** (db / 20);

/** What is heard of an assembly: takes as loud as in the film, music beside them, and clicks of the pointer. */
export class PlayerSound {
    private context: AudioContext | null = null;
    /** What all that is heard goes through. */
    private out: AudioNode | null = null;
    private gains: GainNode[] = [];
    private readonly beds: BedPlayer;

    constructor(
        private readonly media: MediaPair,
        music: Assembly['music'],
    ) {
        this.beds = new BedPlayer(music);
    }

    /**
     * Sound goes through gains, so that sections are as loud as they will be in the film. Without a sound output there is nothing
     * to go through, and the pictures do not wait for it.
     */
    async open(): Promise<void> {
        if (this.context) {
            await runsSoon(this.context, SOUND_MS);
            return;
        }
        const context = new AudioContext({ sampleRate: TICKS_PER_SECOND });
        if (!(await runsSoon(context, SOUND_MS))) {
            void context.close();
            return;
        }
        const limiter = new DynamicsCompressorNode(context, { threshold: -3, ratio: 20, attack: 0.003, release: 0.06 });
        limiter.connect(context.destination);
        this.out = limiter;
        this.gains = this.media.elements.map((element, turn) => {
            const gain = context.createGain();
            context.createMediaElementSource(element).connect(gain).connect(limiter);
            context.createMediaElementSource(this.media.voice(turn as Turn)).connect(gain);
            return gain;
        });
        this.context = context;
    }

    close(): void {
        this.stopMusic();
        void this.context?.close();
    }

    /** Music goes on by its own clock; where the film has stopped or gone ahead, it begins anew there. */
    playMusic(seconds: number): void {
        const sample = seconds * TICKS_PER_SECOND;
        if (!this.context || !this.out) {
            return;
        }
        if (!this.beds.isPlaying || Math.abs(this.beds.late(this.context, sample)) > MOST_APART * TICKS_PER_SECOND) {
            void this.beds.start(this.context, this.out, sample);
        }
    }

    stopMusic(): void {
        this.beds.stop();
    }

    /** A click of the pointer, as the film has it (core/Sound/ClickSound.php). */
    click(): void {
        const { context } = this;
        if (!context) {
            return;
        }
        const now = context.currentTime;
        const tone = new OscillatorNode(context, { frequency: 1600 });
        const gain = new GainNode(context, { gain: 0.125 });
        gain.gain.setTargetAtTime(0, now, 0.0046);
        tone.connect(gain).connect(context.destination);
        tone.start(now);
        tone.stop(now + 0.025);
    }

    setGain(turn: Turn, db: number): void {
        const gain = this.gains[turn];
        if (gain) {
            gain.gain.cancelScheduledValues(0);
            gain.gain.value = amplitude(db);
        }
    }

    /** Brings what is heard of an element up to its loudness, or takes it away. */
    fade(turn: Turn, db: number, to: 0 | 1, milliseconds: number): void {
        const { context } = this;
        const gain = this.gains[turn]?.gain;
        if (context && gain) {
            gain.cancelScheduledValues(0);
            gain.setValueAtTime(amplitude(db) * (1 - to), context.currentTime);
            gain.linearRampToValueAtTime(amplitude(db) * to, context.currentTime + milliseconds / 1000);
        }
    }
}
