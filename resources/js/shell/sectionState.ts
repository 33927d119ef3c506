import type { Lesson, Section, Take } from '../api/types';

export type Fill = 'hollow' | 'half' | 'filled';

export interface SectionState {
    fill: Fill;
    /** Something to look at. */
    notched: boolean;
    /** The state in words. */
    says: string;
    kept: Take | null;
    /** The newest take still waiting for a verdict. */
    waiting: Take | null;
    lengthMs: number;
    /** How much longer or shorter than meant, when that is more than a tenth; null without a target. */
    offTargetMs: number | null;
}

const shortest = 1000;

/** How far a section is, as the strip and the margin draw it. */
export function sectionState(section: Section): SectionState {
    const card = section.card;
    if (card) {
        return {
            fill: 'filled',
            notched: false,
            says: `${card.kind} card`,
            kept: null,
            waiting: null,
            lengthMs: card.length_ms,
            offTargetMs: null,
        };
    }
    const kept = section.takes.find((take) => take.verdict === 'kept') ?? null;
    const waiting = section.takes.findLast((take) => take.verdict === 'undecided' && take.state !== 'unusable') ?? null;
    const notched = kept ? kept.flags.length > 0 : (waiting?.flags.length ?? 0) > 0 || (waiting?.cut_off ?? false);
    const fill: Fill = kept || section.spoken_elsewhere ? 'filled' : waiting ? 'half' : 'hollow';
    const words = section.spoken_elsewhere
        ? 'spoken in the take of another section'
        : { hollow: 'not recorded', half: 'undecided', filled: 'kept' }[fill];
    const lengthMs = Math.max(shortest, kept ? keptLength(section) : section.estimate_ms);
    return {
        fill,
        notched,
        says: notched ? `${words}, something to look at` : words,
        kept,
        waiting,
        lengthMs,
        offTargetMs: offTarget(lengthMs, section.target_ms),
    };
}

/** Sections that were merged have a kept take each. */
const keptLength = (section: Section): number =>
    section.takes
        .filter((take) => take.verdict === 'kept')
        .reduce((sum, take) => sum + take.used_until_ms - take.used_from_ms, 0);

/** Sections with a take of their own whose lines a take of this section speaks as well: they would be heard twice. */
export function heardTwice(lesson: Lesson, section: Section): Section[] {
    const spoken = new Set(
        section.takes.filter((take) => take.verdict === 'kept').flatMap((take) => take.lines.map((line) => line.id)),
    );
    return lesson.sections.filter(
        (other) =>
            other.id !== section.id &&
            other.takes.some((take) => take.verdict === 'kept') &&
            other.lines.some((line) => spoken.has(line.id)),
    );
}

/** A tenth more or less than meant is as meant. */
export function offTarget(lengthMs: number, targetMs: number | null): number | null {
    return targetMs !== null && Math.abs(lengthMs - targetMs) > targetMs / 10 ? lengthMs - targetMs : null;
}

export const sectionTitle = (section: Section, index: number): string =>
    section.heading.trim() || `Section ${index + 1}`;

export function takeWarning(take: Take): string | null {
    const worst = take.flags[0];
    return worst === undefined
        ? null
        : {
              silent: 'Silent: no speech was heard in this take.',
              'very-quiet': 'Very quiet: the voice is hard to hear, and making it louder brings up the noise.',
              clipped: 'Too loud: the sound is clipped in places.',
              'no-sound': 'This take has no sound.',
          }[worst];
}
