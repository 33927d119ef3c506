import { Subscribable } from '../lib/Subscribable';

const lookAgainMs = 2000;

interface Found {
    /** Nothing can be asked for. */
    away: boolean;
    /** It answers, and wants one to sign in again. */
    signedOut: boolean;
    /** Who has signed in in this browser instead. */
    instead: string | null;
}

/** What the server says when it answers. */
type Answer = Partial<Omit<Found, 'away'>>;

const HERE: Found = { away: false, signedOut: false, instead: null };

/** Whether the server can be reached, as the last request found it. While it cannot, this looks for it. */
export class Connectivity extends Subscribable<Found> {
    private timer: ReturnType<typeof setTimeout> | undefined;

    /** @param ping resolves when the server answers */
    constructor(private readonly ping: () => Promise<Answer>) {
        super(HERE);
    }

    lost(answer: Answer = {}): void {
        const [was, now] = [this.snapshot(), { ...HERE, ...answer, away: true }];
        if (!was.away || was.signedOut !== now.signedOut || was.instead !== now.instead) {
            this.set(now);
        }
        clearTimeout(this.timer);
        this.timer = setTimeout(() => void this.look(), lookAgainMs);
    }

    found(): void {
        if (this.snapshot().away) {
            clearTimeout(this.timer);
            this.set(HERE);
        }
    }

    private async look(): Promise<void> {
        try {
            const answer = await this.ping();
            if (answer.signedOut) {
                this.lost(answer);
            } else {
                this.found();
            }
        } catch {
            this.lost();
        }
    }
}
