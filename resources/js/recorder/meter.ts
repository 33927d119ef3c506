import { Subscribable } from '../lib/Subscribable';
import { keepAwake } from '../lib/awake';

export type LevelWord = 'silent' | 'too quiet' | 'good' | 'too loud';

/** Nobody can say yet: the browser keeps sound asleep until the page is touched. */
export const ASLEEP = 'asleep';

/** Nobody can say: some browsers measure none where there is nothing to play sound on. They record it all the same. */
export const UNMEASURED = 'unmeasured';

export interface MeterSnapshot {
    /** Level of the last moment, dBFS, -96..0. */
    db: number;
    /** Highest peak lately, dBFS. */
    peakDb: number;
    word: LevelWord | typeof ASLEEP | typeof UNMEASURED;
    /** Milliseconds since something was last heard. */
    silentMs: number;
}

const EVERY_MS = 80;
const REMEMBER_MS = 1800;
const FLOOR_DB = -96;
/** A context that runs at all does so this soon after the page was touched. */
const WAKES_MS = 2000;

// The same limits by which a finished take is judged (core/Analysis/SoundChecks).
const SILENT_DB = -60;
const QUIET_DB = -36;
const LOUD_PEAK_DB = -1;

/** What a voice of this loudness is called. Loudness of the loudest moment lately, peak of the same time, in dBFS. */
export function levelWord(loudest: number, peak: number): LevelWord {
    if (peak >= LOUD_PEAK_DB) {
        return 'too loud';
    }
    return loudest < SILENT_DB ? 'silent' : loudest < QUIET_DB ? 'too quiet' : 'good';
}

/** Listens to a stream and says how loud it is, in figures and in a word. */
export class Meter extends Subscribable<MeterSnapshot> {
    private readonly context = new AudioContext();
    private readonly analyser = this.context.createAnalyser();
    private readonly samples: Float32Array<ArrayBuffer>;
    private readonly timer: ReturnType<typeof setInterval>;
    private recent: { at: number; db: number; peak: number }[] = [];
    private heardAt = performance.now();
    private touchedAt = this.heardAt;
    private readonly letSleep: () => void;

    constructor(stream: MediaStream) {
        super({ db: FLOOR_DB, peakDb: FLOOR_DB, word: ASLEEP, silentMs: 0 });
        this.analyser.fftSize = 2048;
        this.samples = new Float32Array(this.analyser.fftSize);
        this.context.createMediaStreamSource(stream).connect(this.analyser);
        this.letSleep = keepAwake(this.context);
        this.timer = setInterval(() => this.measure(), EVERY_MS);
    }

    /** 0..1, for the stand-in presenter's mouth. */
    readonly mouth = (): number => Math.max(0, (this.snapshot().db + 45) / 35);

    close(): void {
        clearInterval(this.timer);
        this.letSleep();
        void this.context.close();
    }

    private measure(): void {
        if (this.context.state !== 'running') {
            // What is not listened to is not silent.
            this.heardAt = performance.now();
            if (!navigator.userActivation?.hasBeenActive) {
                this.touchedAt = this.heardAt;
            }
            const word = this.heardAt - this.touchedAt > WAKES_MS ? UNMEASURED : ASLEEP;
            this.set({ db: FLOOR_DB, peakDb: FLOOR_DB, word, silentMs: 0 });
            return;
        }
        this.analyser.getFloatTimeDomainData(this.samples);
        let sum = 0;
        let top = 0;
        for (const sample of this.samples) {
            sum += sample * sample;
            top = Math.max(top, Math.abs(sample));
        }
        const now = performance.now();
        const db = Math.max(FLOOR_DB, 10 * Math.log10(sum / this.samples.length + 1e-10));
        this.recent = [
            ...this.recent.filter((r) => now - r.at < REMEMBER_MS),
            { at: now, db, peak: 20 * Math.log10(top + 1e-10) },
        ];
        if (db >= SILENT_DB) {
            this.heardAt = now;
        }
        const peakDb = Math.max(FLOOR_DB, ...this.recent.map((r) => r.peak));
        const word = levelWord(Math.max(...this.recent.map((r) => r.db)), peakDb);
        this.set({ db, peakDb, word, silentMs: now - this.heardAt });
    }
}
