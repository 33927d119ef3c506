import { type ReactNode, type RefObject, useMemo } from 'react';
import type { Assembly, Picture } from '../../api/types';
import type { PlayerSnapshot } from '../../player/AssemblyPlayer';
import { meetingAt, runsOf, shotAt } from '../../player/plan';
import { Scene } from '../Scene';

interface Props {
    plan: Assembly;
    now: PlayerSnapshot;
    /** What is seen now. */
    picture: Picture;
    cameras: [RefObject<HTMLVideoElement | null>, RefObject<HTMLVideoElement | null>];
    screens: [RefObject<HTMLVideoElement | null>, RefObject<HTMLVideoElement | null>];
    /** What lies over the picture. */
    children: ReactNode;
}

/** Both elements of the player with the picture that each of them is part of; one is hidden unless they are changing over. */
export function WatchScenes({ plan, now, picture, cameras, screens, children }: Props) {
    const { index, frame, playing, turn: shows } = now;
    const runs = useMemo(() => runsOf(plan), [plan]);
    const meeting = meetingAt(plan, index, frame);
    const run = runs[index] ?? 0;
    /** The segment that one of the two elements shows, or will show next. */
    const segmentOf = (turn: number): number =>
        turn === shows ? index : (meeting.before ?? runs.findIndex((one) => one === run + 1));
    return (
        <div
            className="frame-picture"
            role="group"
            aria-label="The lesson as it will be exported"
            data-frame={frame}
            data-section={plan.segments[index]?.position}
            style={{ aspectRatio: `${picture.frame.width} / ${picture.frame.height}` }}
        >
            {cameras.map((element, turn) => {
                const own = segmentOf(turn);
                const shown = plan.segments[own];
                const seen = shown && shotAt(shown, own === index ? frame : Math.max(frame, shown.start_frame));
                return (
                    <Scene
                        key={turn}
                        picture={seen?.picture ?? picture}
                        fps={plan.fps}
                        frame={frame - (shown?.start_frame ?? 0) - (seen?.offset ?? 0)}
                        camera={<video ref={element} preload="auto" playsInline />}
                        screen={<video ref={screens[turn]} preload="auto" muted playsInline />}
                        opacity={own === index ? meeting.opacity : 1}
                        beside={meeting.pushed === null ? 0 : (own === index ? 1 : 0) - meeting.pushed}
                        above={own === index}
                        hidden={own !== index && own !== meeting.before}
                    />
                );
            })}
            {children}
            {/* Before it is begun, one sees what it begins with. */}
            {meeting.veil > 0 && (playing || frame > 0) && (
                <div className="veil" style={{ background: `#${picture.ground}`, opacity: meeting.veil }} />
            )}
        </div>
    );
}
