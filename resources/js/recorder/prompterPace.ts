/**
 * Where a prompter stands that moves with the presenter's voice: it counts how long somebody speaks, at the pace at which each
 * line is said, and waits while nobody does. It goes on where a breath is heard near the end of a line; without one it goes a
 * single line ahead and waits there.
 */
export class PrompterPace {
    /** How long somebody has spoken since the line at hand began. */
    private spoken = 0;
    private silent = 0;
    /** It went on without having heard a breath: it does not do so twice. */
    private ahead = false;

    /** @param lengths how long each line takes to say, in milliseconds */
    constructor(
        private readonly lengths: number[],
        private line = 0,
        private readonly speed = 1,
    ) {}

    /** Set by hand: what was counted counts no more. */
    moveTo(line: number): void {
        this.line = line;
        this.spoken = 0;
        this.silent = 0;
        this.ahead = false;
    }

    /**
     * Some milliseconds have gone by, in which somebody spoke or nobody did.
     *
     * @returns the line to show, counted from 0
     */
    pass(milliseconds: number, speaking: boolean): number {
        const length = (this.lengths[this.line] ?? 0) / this.speed;
        if (speaking) {
            this.silent = 0;
            this.spoken += milliseconds;
        } else {
            this.silent += milliseconds;
        }
        const breath = this.silent >= BREATH_MS;
        if (breath) {
            this.ahead = false;
        }
        const isLast = this.line >= this.lengths.length - 1;
        if (isLast || this.spoken < length * ENOUGH) {
            return this.line;
        }
        if (breath || (!this.ahead && this.spoken >= length * SURELY)) {
            this.ahead = !breath;
            // What was spoken beyond this line belongs to the next.
            this.spoken = breath ? 0 : Math.max(0, this.spoken - length);
            this.line++;
        }
        return this.line;
    }
}

/** Between sentences one breathes. */
const BREATH_MS = 220;
/** So much of a line's time is enough for it to be over where a breath is heard. */
const ENOUGH = 0.72;
/** And after so much it is over without one. */
const SURELY = 1.12;
