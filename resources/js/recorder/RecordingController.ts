import type { OpenedTake, RecordingSession } from './session';
import { isRolling } from './sessionStates';

/** What one records from. */
export type SourceKind = 'camera' | 'microphone' | 'screen';

/** What the acts of the recording room are about, as the room stands now. */
export interface RoomNow {
    session: Pick<RecordingSession, 'snapshot' | 'start' | 'cancel' | 'pause' | 'resume' | 'finish' | 'again'>;
    /** Seconds counted before a take, and when a pause ends. */
    countDown: number;
    countIn: number;
    /** What is heard before a pickup. */
    leadIn: { play(): Promise<boolean>; stop(): void };
    /** Where in the lines one is, and what is seen there. */
    picture: {
        line: number;
        move(by: number): void;
        toLine(line: number): void;
        again(): void;
        forget(): void;
        toStart(): void;
    };
    /** What is drawn over it. */
    ink: { flush(): void; clear(): void; line(): void; again(): void };
    /** Whether a section follows that one can go on with. */
    hasNext: boolean;
    /** The room makes way: what lies over it closes. */
    onStart(): void;
    /** All of the take is on the server. */
    onFinished(take: OpenedTake): Promise<void>;
    /** The take is on its way, and the next section is wanted. */
    onNext(take: OpenedTake): void;
    /** The take was set aside, and another one begins. */
    onDropped(take: OpenedTake): void;
    say(text: string): void;
}

const lostNames: Record<SourceKind, string> = {
    camera: 'The camera was unplugged.',
    microphone: 'The microphone was unplugged.',
    screen: 'The screen is no longer shared.',
};

/**
 * The acts of the recording room: what a key, a button, a second window or a device that goes does to session, lines and ink.
 * What may be done when is the session's (`sessionStates.ts`).
 */
export class RecordingController {
    private room!: RoomNow;

    /** The room was drawn anew: from here on its acts are about what it shows now. */
    shows(room: RoomNow): void {
        this.room = room;
    }

    /** Counts down and records, behind the sentence before where there is one. */
    readonly start = async (): Promise<void> => {
        const { session, leadIn, countDown, onStart } = this.room;
        onStart();
        this.lines();
        if (await leadIn.play()) {
            await session.start(countDown);
        }
    };

    readonly cancel = async (): Promise<void> => {
        this.room.leadIn.stop();
        await this.room.session.cancel();
    };

    readonly pause = (): void => {
        if (this.room.session.snapshot().state === 'paused') {
            this.resume();
        } else {
            this.room.session.pause();
        }
    };

    readonly resume = (): void => this.room.session.resume(this.room.countIn);

    readonly finish = async (): Promise<void> => {
        this.room.ink.flush();
        const take = await this.room.session.finish();
        if (take) {
            await this.room.onFinished(take);
        }
    };

    /** Finishes and goes on with the next section; where there is none, finishes. */
    readonly goOn = async (): Promise<void> => {
        if (!this.room.hasNext) {
            await this.finish();
            return;
        }
        this.room.ink.flush();
        const take = await this.room.session.finish(false, true);
        if (take) {
            this.room.onNext(take);
        }
    };

    /** Sets the take aside and begins another one. */
    readonly drop = async (): Promise<void> => {
        const take = await this.room.session.finish(true);
        if (take) {
            this.room.onDropped(take);
            await this.start();
        }
    };

    /** The line at hand is said again from its start. */
    readonly again = (): void => {
        const { ink, picture, session } = this.room;
        ink.again();
        picture.again();
        session.again(picture.line);
    };

    readonly step = (by: number): void => {
        this.room.picture.move(by);
        this.room.ink.line();
    };

    readonly toLine = (line: number): void => {
        this.room.picture.toLine(line);
        this.room.ink.line();
    };

    /** A take begins on clean surfaces, also when something was tried before. */
    readonly clean = (): void => {
        this.room.picture.forget();
        this.room.ink.clear();
    };

    /** Other lines are at hand, or they are begun anew. */
    readonly lines = (): void => {
        this.clean();
        this.room.picture.toStart();
    };

    /** A device is gone: what was recorded up to then is kept. */
    readonly lost = (kind: SourceKind): void => {
        if (isRolling(this.room.session.snapshot().state)) {
            this.room.say(`${lostNames[kind]} The take was finished; everything up to then is safe.`);
            void this.finish();
        } else {
            // The set-up says what to do.
            void this.room.session.cancel();
        }
    };
}
