import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { Assembly } from '../../api/types';
import { AssemblyPlayer, type PlayerSnapshot } from '../../player/AssemblyPlayer';
import { Icon } from '../../ui/Icon';
import { KeysDialog } from '../../ui/KeysDialog';
import { outOfSight, place } from '../../ui/place';
import { clock } from '../../ui/time';

const still: PlayerSnapshot = { index: 0, frame: 0, playing: false };
const nothing = () => () => undefined;

/** Plays the whole assembly at once, without rendering: the same frames that the export will have. */
export function Watch({ plan, from }: { plan: Assembly; from: string | undefined }) {
    const first = useRef<HTMLVideoElement>(null);
    const second = useRef<HTMLVideoElement>(null);
    const [player, setPlayer] = useState<AssemblyPlayer | null>(null);
    const { index, frame, playing } = useSyncExternalStore(
        player?.subscribe ?? nothing,
        player?.snapshot ?? (() => still),
    );

    useEffect(() => {
        if (!first.current || !second.current) {
            return;
        }
        const made = new AssemblyPlayer(plan, [first.current, second.current]);
        setPlayer(made);
        return () => made.close();
        // One player a plan: the parent gives another key to another plan.
    }, []);
    useEffect(() => {
        const segment = plan.segments.find((s) => s.section_id === from);
        if (segment) {
            player?.seek(segment.start_frame);
        }
    }, [player, from, plan.segments]);

    const segment = plan.segments[index];
    if (!segment) {
        return null;
    }
    const toSegment = (by: number) => {
        const target = plan.segments[Math.max(0, Math.min(plan.segments.length - 1, index + by))];
        player?.seek(target?.start_frame ?? 0);
    };
    const keys = [
        { keys: [' ', 'p'], name: 'Space or P', does: 'Play, and pause', act: () => player?.toggle() },
        { keys: ['PageDown', 'ArrowDown'], name: 'Page Down or ↓', does: 'The next section', act: () => toSegment(1) },
        { keys: ['PageUp', 'ArrowUp'], name: 'Page Up or ↑', does: 'The section before', act: () => toSegment(-1) },
    ];
    return (
        <div className="watch">
            <div
                className="frame-picture"
                role="group"
                aria-label="The lesson as it will be exported"
                data-frame={frame}
                data-section={segment.position}
                style={{ aspectRatio: `${segment.picture.frame.width} / ${segment.picture.frame.height}` }}
            >
                {segment.picture.slide && segment.slide_url && (
                    <div className="slide" style={place(segment.picture.slide, segment.picture.frame)}>
                        <img src={segment.slide_url} alt="" />
                    </div>
                )}
                {[first, second].map((element, turn) => (
                    <div key={turn} className="camera" style={cameraPlace(plan, index, turn)}>
                        <video ref={element} preload="auto" playsInline />
                    </div>
                ))}
            </div>
            <div className="watch-row times">
                <Button onClick={() => player?.toggle()}>
                    <Icon name={playing ? 'pause' : 'play'} /> {playing ? 'Pause' : 'Watch'}
                </Button>
                <Form.Range
                    aria-label="Place in the lesson"
                    aria-valuetext={`${clock((1000 * frame) / plan.fps)}, section ${segment.position}, ${segment.title}`}
                    min={0}
                    max={plan.frames - 1}
                    value={frame}
                    onChange={(event) => player?.seek(Number(event.target.value))}
                />
                <span>
                    {clock((1000 * frame) / plan.fps)} of {clock(plan.length_ms)}
                </span>
                <KeysDialog keys={keys} />
            </div>
            <p className="soft mb-0">
                Now: {segment.position}. {segment.title}
            </p>
        </div>
    );
}

/** The element whose turn it is stands in its rectangle; the other waits out of sight. */
function cameraPlace(plan: Assembly, index: number, turn: number) {
    const picture = plan.segments[index]?.picture;
    return index % 2 === turn && picture?.camera ? place(picture.camera, picture.frame) : outOfSight;
}
