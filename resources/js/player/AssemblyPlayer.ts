import type { Assembly, Segment } from '../api/types';
import { Subscribable } from '../lib/Subscribable';
import { type Companions, MediaPair, type Turn } from './MediaPair';
import { PlayerSound } from './PlayerSound';
import { frameAt, isOver, isSilentAt, overlaps, paceOf, partsOf, placeOf, runsOf } from './plan';

export interface PlayerSnapshot {
    /** Of the segment. */
    index: number;
    frame: number;
    playing: boolean;
    /** Which of the two elements shows it. */
    turn: Turn;
}

/** How long a picture stands before what comes behind it is got ready. */
const AT_REST_MS = 800;

/**
 * Plays an assembly without rendering it. Two media elements take turns, so that the next run of segments is loaded and
 * stands at its start before the one on show is over.
 */
export class AssemblyPlayer extends Subscribable<PlayerSnapshot> {
    /** Which segments go on in one media element: see `runsOf`. */
    private readonly runs: number[];
    private readonly media: MediaPair;
    private readonly sound: PlayerSound;
    private tick = 0;
    private preparing = 0;
    private over = false;
    /** Index of the part that is on. */
    private at = 0;
    /** Runs take turns, beginning with this element. */
    private begins: Turn = 0;
    /** The run for which the element that is not on show was got ready on a guess; null when it is the run behind. */
    private guessed: number | null = null;
    private readonly plan: ReturnType<typeof partsOf>;
    /** When the card on show began, in milliseconds of the page's clock; cards have no media to keep time. */
    private cardSince = 0;

    constructor(
        plan: Assembly,
        elements: [HTMLVideoElement, HTMLVideoElement],
        /** What runs beside each of them: a screen, and the computer's sound. */
        beside: [Companions, Companions],
    ) {
        super({ index: 0, frame: 0, playing: false, turn: 0 });
        this.plan = partsOf(plan);
        this.runs = runsOf(this.plan);
        this.media = new MediaPair(elements, beside);
        this.sound = new PlayerSound(this.media, plan.music);
        this.seek(0);
    }

    async play(): Promise<void> {
        await this.sound.open();
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
        this.sound.stopMusic();
        this.media.pause();
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
        this.media.pause();
        this.sound.stopMusic();
        this.over = false;
        const { index, offset } = placeOf(this.plan, frame);
        if (this.guessed !== null && this.guessed === this.runs[index] && this.turn(index) === this.turn(this.at)) {
            this.begins = this.begins === 0 ? 1 : 0;
        }
        this.guessed = null;
        this.media.load(this.segment(index), offset, this.turn(index));
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
        this.media.load(this.segment(index), offset, this.turn(this.at) === 0 ? 1 : 0);
    }

    /** Another part is on. */
    private go(part: number, frame: number): void {
        this.at = part;
        this.set({ index: this.plan.segments[part]?.of ?? 0, frame, turn: this.turn(part) });
    }

    close(): void {
        this.pause();
        clearTimeout(this.preparing);
        this.media.close();
        this.sound.close();
    }

    private segment(index: number): Segment | undefined {
        return this.plan.segments[index];
    }

    private element(index: number): HTMLVideoElement {
        return this.media.elements[this.turn(index)];
    }

    private turn(index: number): Turn {
        return (((this.runs[index] ?? 0) + this.begins) % 2) as Turn;
    }

    /** The first segment of the next run. */
    private behind(index: number): number {
        const found = this.runs.findIndex((run) => run > (this.runs[index] ?? 0));
        return found < 0 ? this.plan.segments.length : found;
    }

    /** Gets the run behind ready, once what is wanted now is there: both at once would take twice as long. */
    private prepare(index: number): void {
        clearTimeout(this.preparing);
        const element = this.element(index);
        if (this.segment(index)?.media_url && (element.seeking || element.readyState < 2)) {
            this.preparing = window.setTimeout(() => this.prepare(index), 100);
        } else if (this.at === index) {
            this.begin(this.behind(index));
        }
    }

    /** Brings the element of a segment to its beginning. */
    private begin(index: number): void {
        this.media.load(this.segment(index), 0, this.turn(index));
    }

    private async run(): Promise<void> {
        const index = this.at;
        const segment = this.segment(index);
        if (!segment) {
            return;
        }
        if (segment.media_url) {
            this.setRate(index);
            if (!overlaps(segment)) {
                this.sound.setGain(this.turn(index), segment.gain_db);
            }
            await this.element(index)
                .play()
                .catch(() => undefined);
        } else {
            const offset = this.snapshot().frame - segment.start_frame;
            this.cardSince = performance.now() - (1000 * offset) / this.plan.fps;
        }
        const { frame, playing } = this.snapshot();
        if (playing) {
            this.sound.playMusic(frame / this.plan.fps);
        }
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
                this.media.mute(this.turn(index), isSilentAt(segment, frame) || element.playbackRate > 1);
                this.set({ frame });
            }
            this.watch();
        });
    }

    /** Clicks of the pointer between two frames. */
    private click(segment: Segment, from: number, to: number): void {
        const heard = segment.clicks.some((at) => at + segment.start_frame > from && at + segment.start_frame <= to);
        if (heard && to - from <= this.plan.fps) {
            this.sound.click();
        }
    }

    private next(index: number): void {
        const segment = this.segment(index + 1);
        if (!segment) {
            this.element(index).pause();
            this.sound.stopMusic();
            this.over = true;
            this.set({ playing: false, frame: this.plan.frames - 1 });
            return;
        }
        const goesOn = this.runs[index] === this.runs[index + 1];
        if (!goesOn) {
            // It may have come sooner than it could be got ready.
            this.begin(index + 1);
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
            this.begin(this.behind(index + 1));
        }
    }

    /** A silence that runs faster. */
    private setRate(index: number): void {
        const segment = this.segment(index);
        this.element(index).playbackRate = segment ? paceOf(segment, this.plan.fps) : 1;
    }

    /** Brings a segment's sound up, or takes it away. */
    private fade(index: number, to: 0 | 1, milliseconds: number): void {
        this.sound.fade(this.turn(index), this.segment(index)?.gain_db ?? 0, to, milliseconds);
    }
}
