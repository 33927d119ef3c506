import type { Assembly, Segment, Shot } from '../api/types';

const TICKS_PER_SECOND = 48_000;

/** Where a frame of the lesson lies: which segment, and how many frames into it. */
export interface Place {
    index: number;
    offset: number;
}

/** @returns the place of a frame; frames outside the lesson are taken as its first or last */
export function placeOf(plan: Pick<Assembly, 'segments' | 'frames'>, frame: number): Place {
    const inside = Math.max(0, Math.min(plan.frames - 1, Math.floor(frame)));
    const index = plan.segments.findLastIndex((segment) => segment.start_frame <= inside);
    const found = Math.max(0, index);
    return { index: found, offset: inside - (plan.segments[found]?.start_frame ?? 0) };
}

/** Seconds into the take's media at which a frame of a segment is shown. */
export function mediaTime(segment: Segment, offset: number, fps: number): number {
    return segment.in_ticks / TICKS_PER_SECOND + offset / fps;
}

/** The frame of the lesson that is shown when a segment's media stands at a time; never outside the segment. */
export function frameAt(segment: Segment, seconds: number, fps: number): number {
    const offset = Math.floor((seconds - segment.in_ticks / TICKS_PER_SECOND) * fps + 1e-6);
    return segment.start_frame + Math.max(0, Math.min(segment.frames - 1, offset));
}

/** Whether a segment has been played to its end. */
export function isOver(segment: Segment, seconds: number, fps: number): boolean {
    return seconds >= mediaTime(segment, segment.frames, fps) - 0.5 / fps;
}

/** What is seen at a frame of the lesson. */
export function shotAt(segment: Segment, frame: number): Shot | undefined {
    const offset = frame - segment.start_frame;
    return segment.shots.findLast((shot) => shot.offset <= offset) ?? segment.shots[0];
}
