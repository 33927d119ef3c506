import type { Segment } from '../api/types';
import { mediaTime } from '../player/plan';
import { TICKS_PER_SECOND } from '../lib/TimeMap';

/** The recorded screen as it is when a shot begins: at a frame of the film. */
export function ScreenStill({ segment, frame, fps }: { segment: Segment; frame: number; fps: number }) {
    const screen = segment.beside.find(({ kind }) => kind === 'screen');
    if (!screen) {
        return null;
    }
    // A little later: a screen comes up a few frames after its cue.
    const into = frame - segment.start_frame + fps / 2;
    const late = (screen.offset_ticks - segment.offset_ticks) / TICKS_PER_SECOND;
    const seconds = Math.max(0, mediaTime(segment, into) - late);
    return <video src={`${screen.url}#t=${seconds.toFixed(2)}`} preload="metadata" muted playsInline tabIndex={-1} />;
}
