import type { Assembly, Bed, Segment, Shot } from '../api/types';
import { TICKS_PER_SECOND, TimeMap } from '../lib/TimeMap';

/** Where a frame of the lesson lies: which segment, and how many frames into it. */
export interface Place {
    index: number;
    offset: number;
}

/**
 * @returns the place of a frame, in the later segment where two dissolve; frames outside the lesson are taken as its first or
 * last
 */
export function placeOf(plan: Pick<Assembly, 'segments' | 'frames'>, frame: number): Place {
    const inside = Math.max(0, Math.min(plan.frames - 1, Math.floor(frame)));
    const index = plan.segments.findLastIndex((segment) => segment.start_frame <= inside);
    const found = Math.max(0, index);
    return { index: found, offset: inside - (plan.segments[found]?.start_frame ?? 0) };
}

const mapOf = (segment: Segment): TimeMap => new TimeMap(segment.map ?? []);

/** Seconds into the take's media at which a frame of a segment is shown. */
export function mediaTime(segment: Segment, offset: number): number {
    return Math.max(0, mapOf(segment).timeOf(offset) - segment.offset_ticks) / TICKS_PER_SECOND;
}

/** The frame of the lesson that is shown when a segment's media stands at a time; never outside the segment. */
export function frameAt(segment: Segment, seconds: number): number {
    // A media element's clock is a little coarser than ours.
    const ticks = Math.floor(seconds * TICKS_PER_SECOND + 0.5) + segment.offset_ticks;
    return segment.start_frame + Math.min(segment.frames - 1, mapOf(segment).frameOf(ticks));
}

/** Whether a segment has been played so far that the next one begins: to its end, or to where they dissolve. */
export function isOver(plan: Assembly, index: number, seconds: number): boolean {
    const segment = plan.segments[index];
    if (!segment) {
        return true;
    }
    const next = plan.segments[index + 1];
    const until = (next?.start_frame ?? segment.start_frame + segment.frames) - segment.start_frame;
    return seconds >= mediaTime(segment, until) - 0.5 / plan.fps;
}

/**
 * Segments that go on in the same media without a gap have the same number, others the next: one media element plays all of a
 * number.
 */
export function runsOf({ segments }: Pick<Assembly, 'segments'>): number[] {
    let run = 0;
    return segments.map((segment, index) => {
        const before = segments[index - 1];
        const goesOn =
            before !== undefined &&
            before.media_url !== null &&
            before.media_url === segment.media_url &&
            segment.join.kind === 'cut' &&
            mapOf(before).timeOf(before.frames) === mapOf(segment).timeOf(0);
        run += index > 0 && !goesOn ? 1 : 0;
        return run;
    });
}

/** A stretch of a segment in which its take goes on without a gap at one pace. */
export interface Part extends Segment {
    /** The segment it is of, by index. */
    of: number;
}

/** The same film with each segment parted where its take goes on otherwise. */
export function partsOf(plan: Assembly): Omit<Assembly, 'segments'> & { segments: Part[] } {
    const segments = plan.segments.flatMap((segment, of): Part[] => {
        const { map } = segment;
        if (map === null || map.length < 2) {
            return [{ ...segment, of }];
        }
        let before = 0;
        return map.map((stretch, n) => {
            const from = before;
            before += stretch.frames;
            return {
                ...segment,
                of,
                start_frame: segment.start_frame + from,
                frames: stretch.frames,
                map: [stretch],
                join: n === 0 ? segment.join : { kind: 'cut', frames: 0 },
                clicks: segment.clicks.map((frame) => frame - from).filter((at) => at >= 0 && at < stretch.frames),
                silences: segment.silences.map(([a, b]) => [a - from, b - from]),
            };
        });
    });
    return { ...plan, segments };
}

/** How many times as fast as it was recorded a segment's take goes on. */
export const paceOf = ({ map }: Pick<Segment, 'map'>, fps: number): number =>
    Math.max(1, ((map?.[0]?.step ?? 0) * fps) / TICKS_PER_SECOND);

/** Tells plans apart that need another player. */
export const fingerprint = ({ segments, music }: Pick<Assembly, 'segments' | 'music'>): string =>
    JSON.stringify(music) +
    segments.map((s) => `${s.take_id}/${JSON.stringify(s.map)}/${JSON.stringify(s.join)}/${s.frames}`).join();

/** The same music in a film that begins so many samples later. */
const earlier = (bed: Bed, samples: number): Bed => ({
    ...bed,
    at: bed.at - samples,
    until: bed.until - samples,
    loud: bed.loud.map(([at, loud]) => [at - samples, loud]),
});

/** A section by itself, as it is in the film. */
export function planOfSection(plan: Assembly, section: string): Assembly {
    const own = plan.segments.filter((segment) => segment.section_id === section);
    const start = own[0]?.start_frame ?? 0;
    const last = own.at(-1);
    const frames = last ? last.start_frame + last.frames - start : 0;
    return {
        ...plan,
        frames,
        fade_in: 0,
        fade_out: 0,
        length_ms: Math.round((1000 * frames) / plan.fps),
        music: plan.music.map((bed) => earlier(bed, (start * TICKS_PER_SECOND) / plan.fps)),
        segments: own.map((segment, index) => ({
            ...segment,
            start_frame: segment.start_frame - start,
            join: index === 0 ? { kind: 'cut', frames: 0 } : segment.join,
        })),
    };
}

/** Whether a segment and the one before are seen and heard together for a while. */
export const overlaps = ({ join }: Pick<Segment, 'join'>): boolean => ['dissolve', 'push'].includes(join.kind);

/** Whether nothing is heard of a segment's take at a frame of the lesson. */
export const isSilentAt = (segment: Segment, frame: number): boolean =>
    segment.silences.some(
        ([from, until]) => from <= frame - segment.start_frame && frame - segment.start_frame < until,
    );

/** What is seen at a frame of the lesson. */
export function shotAt(segment: Segment, frame: number): Shot | undefined {
    const offset = frame - segment.start_frame;
    return segment.shots.findLast((shot) => shot.offset <= offset) ?? segment.shots[0];
}

/** What else is seen at a frame, beside the segment it lies in. */
export interface Meeting {
    /** The segment before is seen too, under this one: how much of this one is seen, 0..1. */
    before: number | null;
    opacity: number;
    /** The segment before is pushed out to the left: how much of the way is done, 0..1; null where nothing is. */
    pushed: number | null;
    /** How much of the ground lies over everything, 0..1. */
    veil: number;
}

const alone: Meeting = { before: null, opacity: 1, pushed: null, veil: 0 };

/** How segments meet at a frame, and how the film begins and ends: see core/Render/JoinSpec.php and ShotCommand.php. */
export function meetingAt(plan: Assembly, index: number, frame: number): Meeting {
    const segment = plan.segments[index];
    const next = plan.segments[index + 1];
    const into = frame - (segment?.start_frame ?? 0);
    const join = segment?.join;
    if (join?.kind === 'dissolve' && into < join.frames) {
        return { ...alone, before: index - 1, opacity: into / join.frames };
    }
    if (join?.kind === 'push' && into < join.frames) {
        return { ...alone, before: index - 1, pushed: (1 - Math.cos((Math.PI * into) / join.frames)) / 2 };
    }
    if (join?.kind === 'dip' && into < join.frames / 2) {
        return { ...alone, veil: 1 - into / (join.frames / 2) };
    }
    if (segment && next?.join.kind === 'dip') {
        const half = next.join.frames / 2;
        const darkened = into - (segment.frames - half);
        return { ...alone, veil: darkened > 0 ? darkened / half : 0 };
    }
    const begun = plan.fade_in > 0 ? frame / plan.fade_in : 1;
    const left = plan.fade_out > 0 ? (plan.frames - frame) / plan.fade_out : 1;
    return { ...alone, veil: Math.max(0, 1 - begun, 1 - left) };
}
