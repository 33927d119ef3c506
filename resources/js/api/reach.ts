import { Subscribable } from '../ui/Subscribable';

const lookAgainMs = 2000;

interface Found {
    /** Nothing can be asked for. */
    away: boolean;
    /** It answers, and wants one to sign in again. */
    signedOut: boolean;
}

/** Whether the server can be reached, as the last request found it. While it cannot, this looks for it. */
export class Reach extends Subscribable<Found> {
    private timer: ReturnType<typeof setTimeout> | undefined;

    /** @param ping resolves when the server answers, with `signed-out` when that is what it says */
    constructor(private readonly ping: () => Promise<unknown>) {
        super({ away: false, signedOut: false });
    }

    lost(signedOut = false): void {
        const now = this.snapshot();
        if (!now.away || now.signedOut !== signedOut) {
            this.set({ away: true, signedOut });
        }
        clearTimeout(this.timer);
        this.timer = setTimeout(() => void this.look(), lookAgainMs);
    }

    found(): void {
        if (this.snapshot().away) {
            clearTimeout(this.timer);
            this.set({ away: false, signedOut: false });
        }
    }

    private async look(): Promise<void> {
        try {
            if ((await this.ping()) === 'signed-out') {
                this.lost(true);
            } else {
                this.found();
            }
        } catch {
            this.lost();
        }
    }
}
