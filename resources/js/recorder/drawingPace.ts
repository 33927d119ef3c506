/** How much slower than wanted pictures may come, at most. */
const SLOWEST = 6;

/**
 * When the next picture is drawn. Drawing shares the page's one thread with everything else: where timers come late, because the
 * machine is busy, there are fewer pictures, and the page still answers.
 */
export class DrawingPace {
    private gap: number;
    private due: number;

    /** @param interval milliseconds from picture to picture on a machine that keeps up */
    constructor(
        private readonly interval: number,
        startedAt: number,
    ) {
        this.gap = interval;
        this.due = startedAt;
    }

    /** @returns milliseconds to wait, told that a picture is drawn now */
    next(now: number): number {
        const isLate = now - this.due > this.interval;
        this.gap = isLate
            ? Math.min(SLOWEST * this.interval, this.gap * 1.5)
            : Math.max(this.interval, this.gap * 0.95);
        this.due = isLate ? now + this.gap : this.due + this.gap;
        return Math.max(0, this.due - now);
    }
}
