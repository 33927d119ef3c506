import type { Bed } from '../api/types';
import { TICKS_PER_SECOND } from '../lib/TimeMap';

/** How loud a bed is at a sample of the film: as core/Sound/Envelope.php has it. */
export function loudAt(points: Bed['loud'], sample: number): number {
    const behind = points.findIndex(([at]) => at > sample);
    if (behind < 0) {
        return points.at(-1)?.[1] ?? 0;
    }
    const [until, b] = points[behind] ?? [0, 0];
    const [from, a] = points[behind - 1] ?? [until, b];
    return until === from ? b : a + ((b - a) * (sample - from)) / (until - from);
}

/** Which sample of its file is heard so many samples after a bed began; null behind its end. */
export function sampleOf(bed: Pick<Bed, 'round'>, samples: number, after: number): number | null {
    if (after < samples) {
        return after;
    }
    return bed.round ? bed.round.from + ((after - samples) % (samples - bed.round.from)) : null;
}

/** What is decoded, by address: a film that is made anew after a change has mostly the same music. */
const files = new Map<string, Promise<AudioBuffer | null>>();

/** Plays music and small sounds beside a film, as loud as the film has them. */
export class BedPlayer {
    private sources: AudioBufferSourceNode[] = [];
    /** Counts starts and stops, so that what was loaded for an earlier one is not heard. */
    private turn = 0;
    private begun: { sample: number; at: number } | null = null;

    constructor(private readonly beds: Bed[]) {
        const wanted = new Set(beds.map(({ url }) => url));
        [...files.keys()].filter((url) => !wanted.has(url)).forEach((url) => files.delete(url));
        // Read ahead, so that it is heard as soon as it is wanted.
        beds.forEach((bed) => void this.file(bed));
    }

    get isPlaying(): boolean {
        return this.begun !== null;
    }

    /** Plays from a sample of the film on. */
    async start(context: AudioContext, out: AudioNode, sample: number): Promise<void> {
        this.stop();
        const turn = this.turn;
        this.begun = { sample, at: context.currentTime };
        await Promise.all(
            this.beds
                .filter((bed) => bed.until > sample)
                .map(async (bed) => {
                    const file = await this.file(bed);
                    if (file && turn === this.turn) {
                        // While it was loaded the film went on.
                        this.play(context, out, bed, file, this.reached(context));
                    }
                }),
        );
    }

    stop(): void {
        this.turn++;
        this.begun = null;
        this.sources.forEach((source) => source.stop());
        this.sources = [];
    }

    /** By how many samples what is heard lies behind a place in the film. */
    late(context: AudioContext, sample: number): number {
        return this.begun ? sample - this.reached(context) : 0;
    }

    private reached(context: AudioContext): number {
        const { sample, at } = this.begun ?? { sample: 0, at: context.currentTime };
        return sample + (context.currentTime - at) * TICKS_PER_SECOND;
    }

    private play(context: AudioContext, out: AudioNode, bed: Bed, file: AudioBuffer, sample: number): void {
        const samples = bed.round?.until ?? file.length;
        const now = context.currentTime;
        const when = (at: number) => now + Math.max(0, at - sample) / TICKS_PER_SECOND;
        const offset = sampleOf(bed, samples, Math.max(0, sample - bed.at));
        if (offset === null || bed.until <= sample) {
            return;
        }
        const source = new AudioBufferSourceNode(context, { buffer: file });
        if (bed.round) {
            source.loop = true;
            source.loopStart = bed.round.from / TICKS_PER_SECOND;
            source.loopEnd = samples / TICKS_PER_SECOND;
        }
        const gain = new GainNode(context, { gain: loudAt(bed.loud, sample) });
        gain.gain.setValueAtTime(loudAt(bed.loud, sample), now);
        for (const [at, loud] of bed.loud) {
            if (at > sample) {
                gain.gain.linearRampToValueAtTime(loud, when(at));
            }
        }
        source.connect(gain).connect(out);
        source.start(when(bed.at), offset / TICKS_PER_SECOND);
        source.stop(when(bed.until));
        this.sources.push(source);
    }

    private file({ url }: Bed): Promise<AudioBuffer | null> {
        const known = files.get(url);
        if (known) {
            return known;
        }
        // A context that plays nothing needs no leave to read.
        const read = fetch(url)
            .then((answer) => (answer.ok ? answer.arrayBuffer() : Promise.reject(new Error(answer.statusText))))
            .then((bytes) => new OfflineAudioContext(2, 1, TICKS_PER_SECOND).decodeAudioData(bytes))
            .catch(() => {
                // It is asked for again the next time: the server may have been away.
                files.delete(url);
                return null;
            });
        files.set(url, read);
        return read;
    }
}
