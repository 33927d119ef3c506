import type { Lesson, Section, Take } from '../../api/types';
import { pickupPath, roomPath } from '../../shell/paths';
import { sectionState } from '../../shell/sectionState';

/** Where the work goes on after a take is kept: the next section without one, or Finish. */
export function nextStep(lesson: Lesson, section: Section, take: Take): { to: string; says: string } {
    if (section.coverage.missing.length > 0 && section.coverage.heard) {
        const lines = section.coverage.missing;
        const says = lines.length === 1 ? 'Record the missing line' : `Record the ${lines.length} missing lines`;
        return { to: pickupPath(lesson.id, section.id, lines), says };
    }
    const at = lesson.sections.findIndex((s) => s.id === section.id);
    const order = [...lesson.sections.slice(at + 1), ...lesson.sections.slice(0, at)];
    const open = order.find((s) => s.id !== take.section_id && s.lines.length > 0 && sectionState(s).fill !== 'filled');
    if (!open) {
        return { to: roomPath(lesson.id, 'finish'), says: 'Finish' };
    }
    const number = lesson.sections.indexOf(open) + 1;
    return sectionState(open).waiting
        ? { to: roomPath(lesson.id, 'review', open.id), says: `Review section ${number}` }
        : { to: roomPath(lesson.id, 'record', open.id), says: `Record section ${number}` };
}
