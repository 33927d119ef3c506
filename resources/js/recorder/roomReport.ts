/** What the room tells devices that follow it, by way of the server. */
export interface RoomShown {
    section: string;
    state: string;
    /** Counted from 0. */
    line: number;
    lines: number;
    now: string;
    next: string;
    elapsed_ms: number;
    count_left: number;
}

/** So soon a server that was away knows again; it forgets a room that says nothing for several times as long. */
const REPEAT_MS = 1500;

/** Sends what is shown, the newest only: while one report is on its way the next waits, and none is sent late. */
export class RoomReport {
    private latest: (() => RoomShown) | null = null;
    private isSending = false;
    private isStale = false;
    private repeat: ReturnType<typeof setInterval> | null = null;

    /** @param send fails where the server is away: the next one tells what this one would have */
    constructor(private readonly send: (shown: RoomShown) => Promise<unknown>) {}

    /** @param shown asked when it is sent, so that times are those of that moment */
    show(shown: () => RoomShown): void {
        this.latest = shown;
        this.repeat ??= setInterval(() => void this.go(), REPEAT_MS);
        void this.go();
    }

    stop(): void {
        this.latest = null;
        if (this.repeat !== null) {
            clearInterval(this.repeat);
            this.repeat = null;
        }
    }

    private async go(): Promise<void> {
        if (this.isSending) {
            this.isStale = true;
            return;
        }
        this.isSending = true;
        do {
            this.isStale = false;
            if (this.latest) {
                await this.send(this.latest()).catch(() => undefined);
            }
        } while (this.isStale);
        this.isSending = false;
    }
}
