import { useRef } from 'react';
import type { Picture } from '../../api/types';
import { followPointer, PartBox, stepOf } from '../../ui/PartBox';
import { place } from '../../ui/place';
import { isStage } from './storyboard';
import { type Placing, placedNames, type Point } from './placing';

interface Props {
    picture: Picture;
    placing: Placing;
    onPlace: (placing: Placing) => void;
}

/** Over the stage of the picture: what is being placed, to be moved and sized. */
export function PlaceOnStage({ picture, placing, onPlace }: Props) {
    const layer = picture.layers.find(({ shows }) => isStage(shows));
    return (
        layer && (
            <div className={`place-on-stage is-${placing.what}`} style={place(layer.rect, picture.frame)}>
                {placing.what === 'arrow' ? (
                    <ArrowEnds placing={placing} onPlace={onPlace} />
                ) : (
                    <PartBox
                        part={placing.part}
                        shape={placing.what === 'zoom' ? 1 : null}
                        label={`${placedNames[placing.what]}: move it with the arrow keys`}
                        onPart={(part) => onPlace({ ...placing, part })}
                    />
                )}
            </div>
        )
    );
}

const within = (value: number): number => Math.max(0, Math.min(1, Math.round(1000 * value) / 1000));

/** Where an arrow begins and where it points. */
function ArrowEnds({ placing, onPlace }: Pick<Props, 'placing' | 'onPlace'>) {
    const box = useRef<HTMLDivElement>(null);
    const { from, to } = placing;
    const set = (end: 'from' | 'to', { x, y }: Point) => onPlace({ ...placing, [end]: { x: within(x), y: within(y) } });
    const percent = (value: number) => `${100 * value}%`;
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
