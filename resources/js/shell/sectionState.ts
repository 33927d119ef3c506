import type { Flag, Section, Take, TakeGlance } from '../api/types';

export interface SectionState {
    fill: Section['progress']['fill'];
    /** Something to look at. */
    notched: boolean;
    /** The state in words. */
    says: string;
    /** The take that is heard first, when it is one of the section's own. */
    kept: TakeGlance | null;
    /** The newest take still waiting for a verdict. */
    waiting: TakeGlance | null;
    /** The newest take that is kept and not read yet. */
    reading: TakeGlance | null;
    lengthMs: number;
    /** How much longer or shorter than meant, when that is more than a tenth; null without a target. */
    offTargetMs: number | null;
}

/** How far a section is, as the server says it, with the takes at hand. */
export function sectionState({ progress, takes }: Section): SectionState {
    const take = (id: string | null) => takes.find((one) => one.id === id) ?? null;
    return {
        fill: progress.fill,
        notched: progress.notched,
        says: progress.says,
        kept: take(progress.kept),
        waiting: take(progress.waiting),
        reading: take(progress.reading),
        lengthMs: progress.length_ms,
        offTargetMs: progress.off_target_ms,
    };
}

/** Sections of which the film has nothing: those in which nothing is kept, and those of which what is kept is being read. */
export function withoutFilm(sections: Section[], missing: string[]): { unkept: Section[]; reading: Section[] } {
    const without = sections.filter(({ id }) => missing.includes(id));
    return {
        unkept: without.filter(({ progress }) => progress.reading === null),
        reading: without.filter(({ progress }) => progress.reading !== null),
    };
}

/** A tenth more or less than meant is as meant. */
export function offTarget(lengthMs: number, targetMs: number | null): number | null {
    return targetMs !== null && Math.abs(lengthMs - targetMs) > targetMs / 10 ? lengthMs - targetMs : null;
}

export const sectionTitle = (section: Section, index: number): string =>
    section.heading.trim() || `Section ${index + 1}`;

const flagSays: Record<Flag, string> = {
    silent: 'Silent: no speech was heard in this take.',
    'very-quiet': 'Very quiet: the voice is hard to hear, and making it louder brings up the noise.',
    clipped: 'Too loud: the sound is clipped in places.',
    noisy: 'The room is loud. Choose less noise under Sound, or record in a quieter room.',
    'mains-hum': 'Hum of the mains is heard. Filter it under Sound, or try another socket.',
    'telephone-quality':
        'The sound is that of a telephone. Choose another microphone, or plug the headset in by cable.',
    'camera-black':
        "The camera's picture is black for a while. Show something else there, or record these lines again.",
    'camera-frozen':
        "The camera's picture stands still for a while. Show something else there, or record these lines again.",
    'no-sound': 'This take has no sound.',
    'lines-missing': 'Not every line was heard: the hollow ones are missing.',
    'cut-off-start': 'It begins in the middle of a word: wait a moment before you speak.',
    'cut-off-end': 'It ends in the middle of a word: wait a moment before you finish.',
    unscripted: 'Something is said that is not in the script. Leave it out, or write it there.',
    'too-fast': 'Much faster than you usually speak.',
    'too-slow': 'Much slower than you usually speak.',
    'long-pause': 'There is a pause of more than 3 s. Shorten it if it is not meant.',
};

/** What a flag means, and what to do. */
export const saysOf = (flag: Flag): string => flagSays[flag];

export const takeWarning = (take: Pick<Take, 'flags'>): string | null =>
    take.flags[0] === undefined ? null : saysOf(take.flags[0]);
