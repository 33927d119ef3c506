import type { TrackKind } from '../api/types';
import { Subscribable } from '../lib/Subscribable';
import { can, type SessionAct, type SessionState } from './sessionStates';

export interface SessionSnapshot {
    state: SessionState;
    /** Seconds left of the count-down. */
    countLeft: number;
    /** Number of the take being recorded, once the server has given it. */
    takeNumber: number | null;
    takeId: string | null;
    /** Counted from 0; the line the prompter shows as current. */
    line: number;
    /** Markers dropped so far. */
    markers: number;
    /** The microphone is held silent. */
    muted: boolean;
    /** What went wrong, or what the presenter should know. */
    notice: string | null;
}

/** The part of MediaRecorder that is used. */
export interface RecorderLike {
    readonly state?: string;
    start(timeslice: number): void;
    pause(): void;
    resume(): void;
    stop(): void;
    ondataavailable: ((event: { data: Blob }) => void) | null;
    onstop: (() => void) | null;
    onerror: (() => void) | null;
}

/** One recorder of several that are started together. */
export interface TrackRecorder {
    kind: TrackKind;
    recorder: RecorderLike;
    /** The microphone is recorded along, so that the server can tell exactly when it began. */
    inStep?: boolean;
    /** What a screen is taken from. */
    surface?: string;
}

export interface OpenedTake {
    id: string;
    number: number;
    /** Id of each track that is recorded, by its kind. */
    tracks: Partial<Record<TrackKind, string>>;
}

/** What the session needs from outside. */
export interface SessionPorts {
    /** Opens the next take on the server. */
    openTake(): Promise<OpenedTake>;
    /** Gives up a take in which nothing was recorded. */
    abandonTake(take: OpenedTake): Promise<void>;
    /** Recorders of what the devices give now, one a track, none of them started; the take ends with the first of them. */
    recorders(): TrackRecorder[];
    /** `seconds`: how much of the take is in it; a slow machine's recorder gives fewer and longer ones. */
    keepChunk(take: OpenedTake, kind: TrackKind, chunk: Blob, seconds: number): void;
    keepEvent(take: OpenedTake, row: string): void;
    /** Everything is recorded: bring it to the server. Resolves when it is there. */
    deliver(take: OpenedTake, discard: boolean): Promise<void>;
    /** Keeps the microphone silent, or no longer. */
    mute(on: boolean): void;
    /** Takes the one recording place of this browser. */
    claim(): Promise<(() => void) | null>;
    now(): number;
}

/** One press on Record, from the count-down to the end of the take. */
interface Attempt {
    take: OpenedTake | null;
    recorders: RecorderLike[];
    /** Gives back the recording place. */
    release: (() => void) | null;
}

const TIMESLICE_MS = 1000;
const COUNT_MS = 1000;

/**
 * One section being recorded: armed, counting, rolling, paused, finishing. Wall times in the event log are milliseconds
 * since the recorder started.
 */
export class RecordingSession extends Subscribable<SessionSnapshot> {
    /** What was started last and is not over. An answer that comes late finds another one here, or none, and gives up. */
    private attempt: Attempt | null = null;
    /** Resolves when no attempt broken off holds the recording place any more. */
    private placeIsFree: Promise<void> = Promise.resolve();
    private countTimer: ReturnType<typeof setTimeout> | undefined;
    private startedAt = 0;
    private pausedAt: number | null = null;
    private pausedMs = 0;

    constructor(private readonly ports: SessionPorts) {
        super({
            state: 'idle',
            countLeft: 0,
            takeNumber: null,
            takeId: null,
            line: 0,
            markers: 0,
            muted: false,
            notice: null,
        });
    }

    /** The devices are open and show what they see. */
    arm(): void {
        if (this.can('arm')) {
            this.set({ state: 'armed' });
        }
    }

    disarm(): void {
        if (this.can('disarm')) {
            this.set({ state: 'idle' });
        }
    }

    say(notice: string | null): void {
        this.set({ notice });
    }

    /** Milliseconds recorded so far, without pauses. */
    elapsed(): number {
        return this.startedAt === 0 ? 0 : (this.pausedAt ?? this.ports.now()) - this.startedAt - this.pausedMs;
    }

    /** Counts down and then records; with no seconds, at once. */
    async start(seconds: number): Promise<void> {
        if (!this.can('record')) {
            return;
        }
        const attempt: Attempt = { take: null, recorders: [], release: null };
        this.attempt = attempt;
        this.set({
            state: 'counting',
            countLeft: seconds,
            notice: null,
            line: 0,
            markers: 0,
            takeNumber: null,
            takeId: null,
        });
        const claim = this.placeIsFree.then(() => this.ports.claim());
        this.placeIsFree = claim.then((release) => {
            attempt.release = release;
            if (this.attempt !== attempt) {
                this.giveBack(attempt);
            }
        });
        const claimed = await claim;
        if (this.attempt !== attempt) {
            return;
        }
        if (!claimed) {
            this.end({ state: 'armed', notice: 'Another window is recording. Finish there first, then record here.' });
            return;
        }
        try {
            attempt.take = await this.ports.openTake();
        } catch (error) {
            this.giveBack(attempt);
            if (this.attempt === attempt) {
                this.end({
                    state: 'armed',
                    notice: error instanceof Error ? error.message : 'The take could not be started.',
                });
            }
            return;
        }
        if (this.attempt !== attempt) {
            // Cancelled while the server answered.
            await this.abandon(attempt);
            return;
        }
        this.set({ takeNumber: attempt.take.number, takeId: attempt.take.id });
        this.count(attempt, seconds);
    }

    /** Ends the count-down without a take. */
    async cancel(): Promise<void> {
        const { attempt } = this;
        if (!attempt || !this.can('cancel')) {
            return;
        }
        clearTimeout(this.countTimer);
        this.end({ state: 'armed', countLeft: 0 });
        await this.abandon(attempt);
    }

    pause(): void {
        if (this.can('pause')) {
            this.attempt?.recorders.forEach((recorder) => recorder.state !== 'inactive' && recorder.pause());
            this.note('pause');
            this.pausedAt = this.ports.now();
            this.set({ state: 'paused' });
        }
    }

    /** Goes on, after so many seconds of counting; pressed again meanwhile, at once. */
    resume(countIn = 0): void {
        if (!this.can('resume')) {
            return;
        }
        clearTimeout(this.countTimer);
        if (countIn > 0 && this.snapshot().countLeft === 0) {
            this.countInto(countIn);
            return;
        }
        this.attempt?.recorders.forEach((recorder) => recorder.state !== 'inactive' && recorder.resume());
        this.pausedMs += this.ports.now() - (this.pausedAt ?? this.ports.now());
        this.pausedAt = null;
        this.note('resume');
        this.set({ state: 'rolling', countLeft: 0 });
    }

    private countInto(left: number): void {
        this.set({ countLeft: left });
        this.countTimer = setTimeout(() => {
            if (left > 1) {
                this.countInto(left - 1);
            } else {
                this.resume();
            }
        }, COUNT_MS);
    }

    /** Moves the prompter. */
    toLine(line: number): void {
        this.set({ line });
        if (this.can('log')) {
            this.note('line', { line: line + 1 });
        }
    }

    /** A line went wrong: what was said of it so far will not be used, and it is said again from its start. */
    again(line: number): void {
        if (this.can('again')) {
            this.note('again', { line: line + 1 });
            this.toLine(line);
        }
    }

    /** Drops a mark to come back to. */
    marker(): void {
        if (this.can('marker')) {
            this.note('marker');
            this.set({ markers: this.snapshot().markers + 1 });
        }
    }

    /** Holds the microphone silent for a moment. */
    mute(on: boolean): void {
        if (on !== this.snapshot().muted && (!on || this.can('mute'))) {
            this.ports.mute(on);
            this.note(on ? 'mute' : 'unmute');
            this.set({ muted: on });
        }
    }

    /**
     * Notes something in the take's log while it rolls or rests.
     *
     * @param at on the clock of `now`, when it began
     */
    log(kind: string, more: Record<string, unknown>, at?: number): void {
        if (this.can('log')) {
            this.note(kind, more, at);
        }
    }

    /** Whether an act would do something now. */
    can(act: SessionAct): boolean {
        return can(act, this.snapshot().state);
    }

    /**
     * Ends the take and brings it to the server.
     *
     * @param discard sets it aside at once, restorable
     * @param goOn does not wait until all of it has arrived, so that the next take can begin
     * @returns the take when all of it has arrived, null when nothing was rolling
     */
    async finish(discard = false, goOn = false): Promise<OpenedTake | null> {
        const { attempt } = this;
        if (!attempt?.take || !this.can('finish')) {
            return null;
        }
        const { take, recorders } = attempt;
        clearTimeout(this.countTimer);
        this.mute(false);
        this.note('finish');
        this.set({ state: 'finishing', countLeft: 0 });
        await Promise.all(
            recorders.map(
                (recorder) =>
                    new Promise<void>((stopped) => {
                        if (recorder.state === 'inactive') {
                            // It stopped by itself: its last chunk came before.
                            stopped();
                            return;
                        }
                        recorder.onstop = () => stopped();
                        recorder.stop();
                    }),
            ),
        );
        // From here on nothing can be lost; sending may take as long as the network wants.
        this.startedAt = 0;
        if (goOn) {
            void this.ports.deliver(take, discard).catch(() => undefined);
            this.end({ state: 'armed' });
            this.giveBack(attempt);
            return take;
        }
        try {
            await this.ports.deliver(take, discard);
            this.end({ state: 'armed' });
        } finally {
            this.giveBack(attempt);
        }
        return take;
    }

    /** Ends whatever is going on, as `finish` or `cancel` would. */
    async leave(): Promise<OpenedTake | null> {
        await this.cancel();
        return this.finish();
    }

    private count(attempt: Attempt, left: number): void {
        if (this.attempt !== attempt) {
            return;
        }
        if (left <= 0) {
            this.roll(attempt);
            return;
        }
        this.set({ countLeft: left });
        this.countTimer = setTimeout(() => this.count(attempt, left - 1), COUNT_MS);
    }

    private roll(attempt: Attempt): void {
        const { take } = attempt;
        if (!take) {
            return;
        }
        try {
            const made = this.ports.recorders();
            made.forEach(({ kind, recorder }, index) => {
                let until = 0;
                recorder.ondataavailable = ({ data }) => {
                    const from = until;
                    until = Math.max(from, this.elapsed());
                    this.ports.keepChunk(take, kind, data, (until - from) / 1000);
                };
                recorder.onerror = () => this.stopped(kind, index === 0);
            });
            this.startedAt = this.ports.now();
            const started = made.map(({ kind, recorder, inStep, surface }) => {
                recorder.start(TIMESLICE_MS);
                attempt.recorders.push(recorder);
                return { track: kind, in_step: inStep, surface, at: this.ports.now() };
            });
            // How much later one began than another, to a millisecond: what keeps them in step.
            started.forEach(({ at, ...track }) => this.note('start', track, at));
        } catch {
            attempt.recorders.forEach((recorder) => recorder.stop());
            this.startedAt = 0;
            this.end({
                state: 'failed',
                countLeft: 0,
                notice: 'This browser could not record from these devices. Choose others and try again.',
            });
            void this.abandon(attempt);
            return;
        }
        this.pausedAt = null;
        this.pausedMs = 0;
        this.set({ state: 'rolling', countLeft: 0 });
        this.note('line', { line: this.snapshot().line + 1 });
    }

    /** A recorder gave up. The take goes on without it, unless it is the one that everything else is beside. */
    private stopped(kind: TrackKind, isMain: boolean): void {
        if (isMain) {
            this.set({ notice: 'The recorder stopped by itself. Everything up to then is safe.' });
            void this.finish();
        } else {
            const what = kind === 'screen' ? 'The screen' : "The computer's sound";
            this.set({
                notice: `${what} is no longer recorded. The take goes on; what there is of both is safe.`,
            });
        }
    }

    /** The attempt at hand is over; what it still has to give back goes on by itself. */
    private end(change: Partial<SessionSnapshot>): void {
        this.attempt = null;
        this.set(change);
    }

    private async abandon(attempt: Attempt): Promise<void> {
        this.giveBack(attempt);
        const { take } = attempt;
        attempt.take = null;
        if (take) {
            await this.ports.abandonTake(take).catch(() => undefined);
        }
    }

    private giveBack(attempt: Attempt): void {
        attempt.release?.();
        attempt.release = null;
    }

    private note(kind: string, more: Record<string, unknown> = {}, at = this.ports.now()): void {
        const take = this.attempt?.take;
        if (take) {
            const at_ms = Math.max(0, Math.round(at - this.startedAt));
            this.ports.keepEvent(take, JSON.stringify({ at_ms, kind, ...more }));
        }
    }
}
