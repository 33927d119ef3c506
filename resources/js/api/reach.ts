import { Subscribable } from '../ui/Subscribable';

const lookAgainMs = 2000;

/** Whether the server can be reached, as the last request found it. While it cannot, this looks for it. */
export class Reach extends Subscribable<{ away: boolean }> {
    private timer: ReturnType<typeof setTimeout> | undefined;

    /** @param ping resolves when the server answers, whatever it says */
    constructor(private readonly ping: () => Promise<unknown>) {
        super({ away: false });
    }

    lost(): void {
        if (!this.snapshot().away) {
            this.set({ away: true });
        }
        clearTimeout(this.timer);
        this.timer = setTimeout(() => void this.look(), lookAgainMs);
    }

    found(): void {
        if (this.snapshot().away) {
            clearTimeout(this.timer);
            this.set({ away: false });
        }
    }

    private async look(): Promise<void> {
        try {
            await this.ping();
            this.found();
        } catch {
            this.lost();
        }
    }
}
