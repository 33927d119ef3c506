/** Some frames of the film, and how the take goes on meanwhile. */
export interface Stretch {
    frames: number;
    /** Moment of the take that the first of them shows, in ticks of 1/48000 s. */
    in_ticks: number;
    /** Ticks of the take from one frame to the next; 0 while a picture is held. */
    step: number;
}

export const TICKS_PER_SECOND = 48_000;

/**
 * Which moment of a take each frame of a passage shows, and which frame shows a moment: the same as core/Kernel/TimeMap.php, by
 * the same examples (tests/examples/time-map.json).
 */
export class TimeMap {
    readonly frames: number;

    constructor(private readonly stretches: Stretch[]) {
        this.frames = stretches.reduce((sum, stretch) => sum + stretch.frames, 0);
    }

    /** @returns ticks of the take; frames outside are taken as the first, or as the end */
    timeOf(frame: number): number {
        let left = Math.max(0, frame);
        for (const stretch of this.stretches) {
            if (left < stretch.frames) {
                return stretch.in_ticks + left * stretch.step;
            }
            left -= stretch.frames;
        }
        const last = this.stretches.at(-1);
        return last ? last.in_ticks + last.frames * last.step : 0;
    }

    /** @returns the frame during which a moment comes; 0 for moments before, `frames` for those behind */
    frameOf(ticks: number): number {
        let before = 0;
        for (const stretch of this.stretches) {
            const into = ticks - stretch.in_ticks;
            if (into < 0) {
                return before;
            }
            if (into < stretch.frames * stretch.step) {
                return before + Math.floor(into / stretch.step);
            }
            if (into === 0) {
                return before;
            }
            before += stretch.frames;
        }
        return this.frames;
    }
}
