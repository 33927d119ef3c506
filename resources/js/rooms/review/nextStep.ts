import type { Lesson, Section } from '../../api/types';
import { pickupPath, roomPath } from '../../shell/paths';

/** Where the work goes on after a take is kept: lines of this section that are still missing, or what comes behind it. */
export function nextStep(lesson: Lesson, { id, coverage, next }: Section): { to: string; says: string } {
    const { missing } = coverage;
    if (missing.length > 0 && coverage.heard) {
        const says = missing.length === 1 ? 'Record the missing line' : `Record the ${missing.length} missing lines`;
        return { to: pickupPath(lesson.id, id, missing), says };
    }
    return { to: roomPath(lesson.id, next.room, next.section ?? undefined), says: next.says };
}
