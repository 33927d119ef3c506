import { useRef } from 'react';
import type { Picture, Rect } from '../../api/types';
import { moved } from '../../ui/part';
import { followPointer, PartBox, stepOf } from '../../ui/PartBox';
import { place } from '../../ui/place';
import { isStage } from './storyboard';
import { type Placing, placedNames, type Point } from './placing';

interface Props {
    picture: Picture;
    placing: Placing;
    onPlace: (placing: Placing) => void;
}

/** Kept free at the edges: within it everything is seen on every screen (EBU R95, graphics-safe area). */
const SAFE = 0.05;

/** What a course site may cover with a mark of its own, at the lower right. */
const COVERED: Rect = { x: 0.86, y: 0.88, width: 0.14, height: 0.12 };

/** How near to a guide something is drawn to it, in parts of the frame. */
const NEAR = 0.015;

/** Over the stage of the picture, or over all of it: what is being placed, to be moved and sized. */
export function PlaceOnStage({ picture, placing, onPlace }: Props) {
    const stage = picture.layers.find(({ shows }) => isStage(shows))?.rect;
    const { frame } = picture;
    const rect = placing.what === 'inset' ? { x: 0, y: 0, ...frame } : stage;
    return (
        rect && (
            <div className={`place-on-stage is-${placing.what}`} style={place(rect, frame)}>
                {placing.what === 'inset' && <Guides />}
                {placing.what === 'arrow' ? (
                    <ArrowEnds placing={placing} onPlace={onPlace} />
                ) : placing.what === 'label' ? (
                    <LabelPlace placing={placing} onPlace={onPlace} />
                ) : (
                    <PartBox
                        part={placing.part}
                        shape={placing.shape}
                        label={`${placedNames[placing.what]}: move it with the arrow keys`}
                        onPart={(part) => onPlace({ ...placing, part: placing.what === 'inset' ? drawn(part) : part })}
                    />
                )}
            </div>
        )
    );
}

/** Moved to the guides that it is near. */
function drawn(part: Rect): Rect {
    const to = (at: number, size: number) =>
        [SAFE, 1 - SAFE - size, (1 - size) / 2].find((guide) => Math.abs(guide - at) < NEAR) ?? at;
    return moved({ ...part, x: to(part.x, part.width), y: to(part.y, part.height) }, 0, 0);
}

function Guides() {
    const percent = (value: number) => `${100 * value}%`;
    return (
        <div className="guides" aria-hidden="true">
            <div style={{ inset: percent(SAFE) }} />
            <span
                style={{
                    left: percent(COVERED.x),
                    top: percent(COVERED.y),
                    width: percent(COVERED.width),
                    height: percent(COVERED.height),
                }}
            >
                a site&apos;s own mark
            </span>
        </div>
    );
}

const within = (value: number): number => Math.max(0, Math.min(1, Math.round(1000 * value) / 1000));
const percent = (value: number) => `${100 * value}%`;

/** Where an arrow begins and where it points. */
function ArrowEnds({ placing, onPlace }: Pick<Props, 'placing' | 'onPlace'>) {
    const box = useRef<HTMLDivElement>(null);
    const { from, to } = placing;
    const set = (end: 'from' | 'to', { x, y }: Point) => onPlace({ ...placing, [end]: { x: within(x), y: within(y) } });
    return (
        <div className="part-area" ref={box}>
            <svg viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true">
                <line
                    x1={100 * from.x}
                    y1={100 * from.y}
                    x2={100 * to.x}
                    y2={100 * to.y}
                    vectorEffect="non-scaling-stroke"
                />
            </svg>
            {(['from', 'to'] as const).map((end) => (
                <button
                    key={end}
                    type="button"
                    className={`arrow-end is-${end}`}
                    aria-label={`Where the arrow ${end === 'from' ? 'begins' : 'points'}: move it with the arrow keys`}
                    style={{ left: percent(placing[end].x), top: percent(placing[end].y) }}
                    onPointerDown={(event) => followPointer(event, box.current, (at) => set(end, at))}
                    onKeyDown={(event) => {
                        const way = stepOf(event);
                        if (way) {
                            set(end, { x: placing[end].x + way[0], y: placing[end].y + way[1] });
                        }
                    }}
                />
            ))}
        </div>
    );
}

/** Where a label's left upper corner lies. */
function LabelPlace({ placing, onPlace }: Pick<Props, 'placing' | 'onPlace'>) {
    const box = useRef<HTMLDivElement>(null);
    const set = ({ x, y }: Point) => onPlace({ ...placing, to: { x: within(x), y: within(y) } });
    return (
        <div className="part-area" ref={box}>
            <button
                type="button"
                className="label-place"
                aria-label={`Label ${placing.text}: move it with the arrow keys`}
                style={{ left: percent(placing.to.x), top: percent(placing.to.y) }}
                onPointerDown={(event) => {
                    const { x, y } = placing.to;
                    followPointer(event, box.current, (at, from) =>
                        set({ x: x + at.x - from.x, y: y + at.y - from.y }),
                    );
                }}
                onKeyDown={(event) => {
                    const way = stepOf(event);
                    if (way) {
                        set({ x: placing.to.x + way[0], y: placing.to.y + way[1] });
                    }
                }}
            >
                {placing.text}
            </button>
        </div>
    );
}
