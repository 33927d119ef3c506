import type { LinePicture } from '../api/types';

/** A place one comes to with the clicker: a line, or a cue inside one. */
export interface Step {
    line: number;
    /** Index of what is seen from here on. */
    plan: number;
    /** Place of the cue in its line, from 0 to 1; 0 is the line itself. */
    within: number;
}

/**
 * Every line, and every cue inside one, in order.
 *
 * @param only indexes of the lines that are recorded, when it is not all of them
 */
export function stepsOf(
    lines: number,
    plans: Pick<LinePicture, 'from_line' | 'within'>[],
    only: number[] | null = null,
): Step[] {
    const steps: Step[] = [];
    for (let line = 0; line < Math.max(1, lines); line++) {
        const begins = plans.findLastIndex(
            (p) => p.from_line - 1 < line || (p.from_line - 1 === line && p.within === 0),
        );
        steps.push({ line, plan: Math.max(0, begins), within: 0 });
        plans.forEach((p, plan) => {
            if (p.from_line - 1 === line && p.within > 0) {
                steps.push({ line, plan, within: p.within });
            }
        });
    }
    const told = only && steps.filter((step) => only.includes(step.line));
    return told && told.length > 0 ? told : steps;
}
