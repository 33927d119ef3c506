import type { Assembly, Segment } from '../api/types';
import { Subscribable } from '../lib/Subscribable';
import { BedPlayer } from './BedPlayer';
import { runsSoon } from '../lib/awake';
import { follow } from './follow';
import { frameAt, isOver, isSilentAt, mediaTime, overlaps, paceOf, partsOf, placeOf, runsOf } from './plan';
import { TICKS_PER_SECOND } from '../lib/TimeMap';

export interface PlayerSnapshot {
    /** Of the segment. */
    index: number;
    frame: number;
    playing: boolean;
    /** Which of the two elements shows it. */
    turn: 0 | 1;
}

/** Seconds by which music may be off from the picture before it is set right; that is heard as a small jump. */
const MOST_APART = 0.25;

/** Milliseconds in which sound is there, or is not waited for. */
const SOUND_MS = 800;

/** How long a picture stands before what comes behind it is got ready. */
const AT_REST_MS = 800;

/** Seconds by which times that are the same differ at most: media elements round them. */
const SAME = 0.0005;

/** Elements that play in step with one of the player's own. */
export interface Companions {
    screen: HTMLVideoElement;
    computer: HTMLAudioElement;
    /** The cleaned voice, which is heard in place of the element's own. */
    voice: HTMLAudioElement;
}

/**
 * Plays an assembly without rendering it. Two media elements take turns, so that the next run of segments is loaded and
 * stands at its start before the one on show is over.
 */
export class AssemblyPlayer extends Subscribable<PlayerSnapshot> {
    /** Which segments go on in one media element: see `runsOf`. */
    private readonly runs: number[];
    private context: AudioContext | null = null;
    /** What all that is heard goes through. */
    private out: AudioNode | null = null;
    private readonly beds: BedPlayer;
    private gains: GainNode[] = [];
    /** By which element and kind: lets go of what runs beside. */
    private readonly releases = new Map<string, () => void>();
    private tick = 0;
    private preparing = 0;
    private over = false;
    /** Index of the part that is on. */
    private at = 0;
    /** Runs take turns, beginning with this element. */
    private begins: 0 | 1 = 0;
    /** The run for which the element that is not on show was got ready on a guess; null when it is the run behind. */
    private guessed: number | null = null;
    private readonly plan: ReturnType<typeof partsOf>;
    /** When the card on show began, in milliseconds of the page's clock; cards have no media to keep time. */
    private cardSince = 0;

    constructor(
        plan: Assembly,
        private readonly elements: [HTMLVideoElement, HTMLVideoElement],
        /** What runs beside each of them: a screen, and the computer's sound. */
        private readonly beside: [Companions, Companions],
    ) {
        super({ index: 0, frame: 0, playing: false, turn: 0 });
        this.plan = partsOf(plan);
        this.runs = runsOf(this.plan);
        this.beds = new BedPlayer(plan.music);
        this.seek(0);
    }

    async play(): Promise<void> {
        await this.wire();
        if (this.over) {
            this.seek(0);
        }
        this.set({ playing: true });
        this.guessed = null;
        this.prepare(this.at);
        await this.run();
    }

    pause(): void {
        cancelAnimationFrame(this.tick);
        this.beds.stop();
        this.elements.forEach((element) => element.pause());
        this.set({ playing: false });
    }

    toggle(): void {
        if (this.snapshot().playing) {
            this.pause();
        } else {
            void this.play();
        }
    }

    /** Shows a frame of the lesson; goes on playing if it was. */
    seek(frame: number): void {
        const { playing } = this.snapshot();
        this.elements.forEach((element) => element.pause());
        this.beds.stop();
        this.over = false;
        const { index, offset } = placeOf(this.plan, frame);
        if (this.guessed !== null && this.guessed === this.runs[index] && this.turn(index) === this.turn(this.at)) {
            this.begins = this.begins === 0 ? 1 : 0;
        }
        this.guessed = null;
        this.load(index, offset);
        this.cardSince = performance.now() - (1000 * offset) / this.plan.fps;
        this.go(index, (this.plan.segments[index]?.start_frame ?? 0) + offset);
        if (playing) {
            this.prepare(index);
            void this.run();
        } else {
            // Whoever looks for a place goes on to another one soon, and that would have to wait.
            clearTimeout(this.preparing);
            this.preparing = window.setTimeout(() => this.prepare(index), AT_REST_MS);
        }
    }

    /** Gets a frame ready that is likely to be wanted next; what is on show stays, and nothing is done while it plays. */
    ready(frame: number): void {
        const { index, offset } = placeOf(this.plan, frame);
        if (this.snapshot().playing || !this.segment(index)?.media_url) {
            return;
        }
        clearTimeout(this.preparing);
        this.guessed = this.runs[index] ?? null;
        this.load(index, offset, this.turn(this.at) === 0 ? 1 : 0);
    }

    /** Another part is on. */
    private go(part: number, frame: number): void {
        this.at = part;
        this.set({ index: this.plan.segments[part]?.of ?? 0, frame, turn: this.turn(part) });
    }

    close(): void {
        this.pause();
        clearTimeout(this.preparing);
        this.releases.forEach((letGo) => letGo());
        const beside = this.beside.flatMap(({ screen, computer, voice }) => [screen, computer, voice]);
        [...this.elements, ...beside].forEach((element) => element.removeAttribute('src'));
        void this.context?.close();
    }

    private segment(index: number): Segment | undefined {
        return this.plan.segments[index];
    }

    private element(index: number): HTMLVideoElement {
        return this.elements[this.turn(index)];
    }

    private turn(index: number): 0 | 1 {
        return (((this.runs[index] ?? 0) + this.begins) % 2) as 0 | 1;
    }

    /** The first segment of the next run. */
    private behind(index: number): number {
        const found = this.runs.findIndex((run) => run > (this.runs[index] ?? 0));
        return found < 0 ? this.plan.segments.length : found;
    }

    /** Brings an element to a place in the film; one that is there, or on the way, is left alone. */
    private load(index: number, offset: number, turn = this.turn(index)): void {
        const segment = this.segment(index);
        if (!segment?.media_url) {
            return;
        }
        const element = this.elements[turn];
        const time = mediaTime(segment, offset);
        if (element.getAttribute('src') !== segment.media_url) {
            element.src = segment.media_url;
            element.currentTime = time;
        } else if (Math.abs(element.currentTime - time) > SAME) {
            element.currentTime = time;
        }
        this.accompany(segment, turn);
    }

    /** Gets the run behind ready, once what is wanted now is there: both at once would take twice as long. */
    private prepare(index: number): void {
        clearTimeout(this.preparing);
        const element = this.element(index);
        if (this.segment(index)?.media_url && (element.seeking || element.readyState < 2)) {
            this.preparing = window.setTimeout(() => this.prepare(index), 100);
        } else if (this.at === index) {
            this.load(this.behind(index), 0);
        }
    }

    /** What runs beside a take's own media plays in step with it. */
    private accompany(segment: Segment, turn: 0 | 1): void {
        this.elements[turn].muted = segment.beside.some(({ kind }) => kind === 'voice');
        for (const kind of ['screen', 'computer', 'voice'] as const) {
            const element = this.beside[turn][kind];
            const found = segment.beside.find((one) => one.kind === kind);
            const key = `${turn}/${kind}`;
            if (element.getAttribute('src') === (found?.url ?? null)) {
                continue;
            }
            this.releases.get(key)?.();
            this.releases.delete(key);
            if (!found) {
                element.removeAttribute('src');
                continue;
            }
            element.src = found.url;
            if (kind === 'voice') {
                // What cannot be played is heard as it was recorded.
                element.onerror = () => (this.elements[turn].muted = false);
            } else {
                element.volume = Math.min(1, 10 ** (found.gain_db / 20));
            }
            const late = (found.offset_ticks - segment.offset_ticks) / TICKS_PER_SECOND;
            this.releases.set(key, follow(this.elements[turn], element, late));
        }
    }

    private async run(): Promise<void> {
        const index = this.at;
        const segment = this.segment(index);
        if (!segment) {
            return;
        }
        if (segment.media_url) {
            this.setRate(index);
            this.setGain(index, segment.gain_db);
            await this.element(index)
                .play()
                .catch(() => undefined);
        } else {
            const offset = this.snapshot().frame - segment.start_frame;
            this.cardSince = performance.now() - (1000 * offset) / this.plan.fps;
        }
        this.playBeds();
        this.watch();
    }

    private watch(): void {
        cancelAnimationFrame(this.tick);
        this.tick = requestAnimationFrame(() => {
            const index = this.at;
            const { playing } = this.snapshot();
            const segment = this.segment(index);
            const element = this.element(index);
            if (!segment || !playing) {
                return;
            }
            if (!segment.media_url) {
                const offset = Math.floor(((performance.now() - this.cardSince) * this.plan.fps) / 1000);
                if (offset >= segment.frames) {
                    this.next(index);
                } else {
                    this.set({ frame: segment.start_frame + offset });
                    this.watch();
                }
                return;
            }
            if (element.ended || isOver(this.plan, index, element.currentTime)) {
                this.next(index);
                return;
            }
            if (!element.seeking) {
                const frame = frameAt(segment, element.currentTime);
                this.click(segment, this.snapshot().frame, frame);
                this.mute(index, isSilentAt(segment, frame) || element.playbackRate > 1);
                this.set({ frame });
            }
            this.watch();
        });
    }

    /** Music goes on by its own clock; where the film has stopped or gone ahead, it begins anew there. */
    private playBeds(): void {
        const { frame, playing } = this.snapshot();
        const sample = (frame * TICKS_PER_SECOND) / this.plan.fps;
        if (!this.context || !this.out || !playing) {
            return;
        }
        if (!this.beds.isPlaying || Math.abs(this.beds.late(this.context, sample)) > MOST_APART * TICKS_PER_SECOND) {
            void this.beds.start(this.context, this.out, sample);
        }
    }

    /** Clicks of the pointer between two frames, as the film has them (core/Sound/ClickSound.php). */
    private click(segment: Segment, from: number, to: number): void {
        const { context } = this;
        const heard = segment.clicks.some((at) => at + segment.start_frame > from && at + segment.start_frame <= to);
        if (!context || !heard || to - from > this.plan.fps) {
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

    private next(index: number): void {
        const segment = this.segment(index + 1);
        if (!segment) {
            this.element(index).pause();
            this.beds.stop();
            this.over = true;
            this.set({ playing: false, frame: this.plan.frames - 1 });
            return;
        }
        const goesOn = this.runs[index] === this.runs[index + 1];
        if (!goesOn) {
            // It may have come sooner than it could be got ready.
            this.load(index + 1, 0);
        }
        this.go(index + 1, segment.start_frame);
        if (goesOn) {
            this.setRate(index + 1);
            this.watch();
            return;
        }
        if (overlaps(segment)) {
            // The one before is heard and seen until it is gone.
            const left = (1000 * segment.join.frames) / this.plan.fps;
            this.fade(index, 0, left);
            this.fade(index + 1, 1, left);
            setTimeout(() => this.leave(index), left);
        } else {
            this.leave(index);
        }
        void this.run();
    }

    /** A segment is over: its element gets the one after the next ready. */
    private leave(index: number): void {
        if (this.at === index + 1) {
            this.element(index).pause();
            this.load(this.behind(index + 1), 0);
        }
    }

    /**
     * Sound goes through gains, so that sections are as loud as they will be in the film. Without a sound output there is nothing
     * to go through, and the pictures do not wait for it.
     */
    private async wire(): Promise<void> {
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
        this.gains = this.elements.map((element, turn) => {
            const gain = context.createGain();
            context.createMediaElementSource(element).connect(gain).connect(limiter);
            const voice = this.beside[turn as 0 | 1].voice;
            context.createMediaElementSource(voice).connect(gain);
            return gain;
        });
        this.context = context;
    }

    /** A silence that runs faster. */
    private setRate(index: number): void {
        const segment = this.segment(index);
        this.element(index).playbackRate = segment ? paceOf(segment, this.plan.fps) : 1;
    }

    /** Nothing is heard of a take where the presenter wants silence. */
    private mute(index: number, silent: boolean): void {
        const turn = this.turn(index);
        for (const element of [this.elements[turn], this.beside[turn].voice]) {
            element.volume = silent ? 0 : 1;
        }
    }

    private setGain(index: number, db: number): void {
        const gain = this.gains[this.turn(index)];
        const segment = this.segment(index);
        if (gain && segment && !overlaps(segment)) {
            gain.gain.cancelScheduledValues(0);
            gain.gain.value = 10 ** (db / 20);
        }
    }

    /** Brings a segment's sound up, or takes it away. */
    private fade(index: number, part: 0 | 1, milliseconds: number): void {
        const { context } = this;
        const gain = this.gains[this.turn(index)]?.gain;
        const loud = 10 ** ((this.segment(index)?.gain_db ?? 0) / 20);
        if (context && gain) {
            gain.cancelScheduledValues(0);
            gain.setValueAtTime(loud * (1 - part), context.currentTime);
            gain.linearRampToValueAtTime(loud * part, context.currentTime + milliseconds / 1000);
        }
    }
}
