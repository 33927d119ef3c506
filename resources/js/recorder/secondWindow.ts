import type { Line } from '../api/types';
import type { SessionState } from './sessionStates';

/** What the room tells a second window, and what that sends back: at most a few milliseconds apart. */
export interface Shown {
    lessonId: string;
    title: string;
    section: string;
    lines: Pick<Line, 'number' | 'text'>[];
    line: number;
    state: SessionState;
    /** Milliseconds recorded when this was sent. */
    elapsed: number;
    countLeft: number;
}

type Message =
    { kind: 'shown'; shown: Shown } | { kind: 'here' } | { kind: 'step'; by: number } | { kind: 'line'; line: number };

const NAME = 'open-reel-prompter';

/** The room's side. */
export class PrompterHost {
    private readonly channel = new BroadcastChannel(NAME);
    private last: Shown | null = null;

    constructor(acts: { step: (by: number) => void; line: (line: number) => void }) {
        this.channel.onmessage = ({ data }: MessageEvent<Message>) => {
            if (data.kind === 'here' && this.last) {
                this.show(this.last);
            } else if (data.kind === 'step') {
                acts.step(data.by);
            } else if (data.kind === 'line') {
                acts.line(data.line);
            }
        };
    }

    show(shown: Shown): void {
        this.last = shown;
        this.channel.postMessage({ kind: 'shown', shown } satisfies Message);
    }

    /** The prompter moved: told before this window is painted anew. */
    move(line: number): void {
        if (this.last && this.last.line !== line) {
            this.show({ ...this.last, line });
        }
    }

    close(): void {
        this.channel.close();
    }
}

/** The second window's side. */
export class PrompterGuest {
    private readonly channel = new BroadcastChannel(NAME);

    constructor(lessonId: string, onShown: (shown: Shown) => void) {
        this.channel.onmessage = ({ data }: MessageEvent<Message>) => {
            if (data.kind === 'shown' && data.shown.lessonId === lessonId) {
                onShown(data.shown);
            }
        };
        this.send({ kind: 'here' });
    }

    step(by: number): void {
        this.send({ kind: 'step', by });
    }

    line(line: number): void {
        this.send({ kind: 'line', line });
    }

    close(): void {
        this.channel.close();
    }

    private send(message: Message): void {
        this.channel.postMessage(message);
    }
}
