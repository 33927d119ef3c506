import type { Section, Take } from '../api/types';

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
}

const shortest = 1000;

/** How far a section is, as the strip and the margin draw it. */
export function sectionState(section: Section): SectionState {
    const kept = section.takes.find((take) => take.verdict === 'kept') ?? null;
    const waiting = section.takes.findLast((take) => take.verdict === 'undecided' && take.state !== 'unusable') ?? null;
    const notched = kept ? kept.flags.length > 0 : (waiting?.flags.length ?? 0) > 0 || (waiting?.cut_off ?? false);
    const fill: Fill = kept ? 'filled' : waiting ? 'half' : 'hollow';
    const words = { hollow: 'not recorded', half: 'to be decided', filled: 'kept' }[fill];
    return {
        fill,
        notched,
        says: notched ? `${words}, something to look at` : words,
        kept,
        waiting,
        lengthMs: Math.max(shortest, kept ? kept.used_until_ms - kept.used_from_ms : section.estimate_ms),
    };
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
