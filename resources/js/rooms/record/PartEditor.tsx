import { type KeyboardEvent, type PointerEvent, type ReactNode, useRef } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { Rect } from '../../api/types';
import { NumberField } from '../../ui/NumberField';
import { type Corner, drawnTo, isWhole, moved, shaped, shapeIn, whole } from '../../recorder/part';

interface Size {
    width: number;
    height: number;
}

interface Props {
    /** What it is a part of, for names of controls: "screen", "camera". */
    of: string;
    picture: ReactNode;
    source: Size;
    frame: Size;
    part: Rect | null;
    locked: boolean;
    mirrored?: boolean;
    onPart: (part: Rect | null) => void;
    onLocked?: (locked: boolean) => void;
}

const corners: Corner[] = ['nw', 'ne', 'sw', 'se'];
const mirror: Record<Corner, Corner> = { nw: 'ne', ne: 'nw', sw: 'se', se: 'sw' };
const names: Record<Corner, string> = { nw: 'Top left', ne: 'Top right', sw: 'Bottom left', se: 'Bottom right' };

/** Chooses a part of a picture: moved and sized by mouse, by arrow keys, and by numbers of its pixels. */
export function PartEditor({ of, picture, source, frame, part, locked, mirrored = false, onPart, onLocked }: Props) {
    const box = useRef<HTMLDivElement>(null);
    const shape = shapeIn(frame, source);
    const shown = part ?? (locked ? shaped(whole, shape) : whole);
    const set = (next: Rect) => onPart(isWhole(next) ? null : next);
    const seenX = (x: number) => (mirrored ? 1 - x : x);

    const drag = (corner: Corner | null) => (event: PointerEvent<HTMLElement>) => {
        event.preventDefault();
        event.stopPropagation();
        const bounds = box.current?.getBoundingClientRect();
        if (!bounds) {
            return;
        }
        const target = event.currentTarget;
        target.setPointerCapture(event.pointerId);
        const at = (e: { clientX: number; clientY: number }) => ({
            x: seenX((e.clientX - bounds.left) / bounds.width),
            y: (e.clientY - bounds.top) / bounds.height,
        });
        const from = at(event);
        const follow = (e: globalThis.PointerEvent) => {
            const { x, y } = at(e);
            set(corner ? drawnTo(shown, corner, x, y, locked ? shape : null) : moved(shown, x - from.x, y - from.y));
        };
        target.addEventListener('pointermove', follow);
        target.addEventListener('pointerup', () => target.removeEventListener('pointermove', follow), { once: true });
        target.addEventListener('pointercancel', () => target.removeEventListener('pointermove', follow), {
            once: true,
        });
    };
    const byKey = (corner: Corner | null) => (event: KeyboardEvent) => {
        const by = (event.shiftKey ? 10 : 1) / 100;
        const ways: Record<string, [number, number]> = {
            ArrowLeft: [-by, 0],
            ArrowRight: [by, 0],
            ArrowUp: [0, -by],
            ArrowDown: [0, by],
        };
        const way = ways[event.key];
        if (!way) {
            return;
        }
        event.preventDefault();
        event.stopPropagation();
        const [x, y] = [mirrored ? -way[0] : way[0], way[1]];
        if (!corner) {
            set(moved(shown, x, y));
            return;
        }
        const stands = {
            x: corner.includes('w') ? shown.x : shown.x + shown.width,
            y: corner.includes('n') ? shown.y : shown.y + shown.height,
        };
        // Locked to a shape, either way makes it larger or smaller.
        const grows = locked && y === 0 ? [x, (x * (corner === 'nw' || corner === 'se' ? 1 : -1)) / shape] : [x, y];
        set(drawnTo(shown, corner, stands.x + (grows[0] ?? 0), stands.y + (grows[1] ?? 0), locked ? shape : null));
    };
    const pixels = {
        left: Math.round(shown.x * source.width),
        top: Math.round(shown.y * source.height),
        width: Math.round(shown.width * source.width),
        height: Math.round(shown.height * source.height),
    };
    const byNumber = (name: keyof typeof pixels, value: number) => {
        if (!Number.isFinite(value)) {
            return;
        }
        const along = name === 'left' || name === 'width' ? source.width : source.height;
        const v = value / along;
        const right = { x: shown.x + shown.width, y: shown.y + shown.height };
        const lock = locked ? shape : null;
        const next = {
            left: () => moved(shown, v - shown.x, 0),
            top: () => moved(shown, 0, v - shown.y),
            width: () => drawnTo(shown, 'se', shown.x + v, lock ? shown.y + v / lock : right.y, lock),
            height: () => drawnTo(shown, 'se', lock ? shown.x + v * lock : right.x, shown.y + v, lock),
        }[name]();
        set(next);
    };
    const percent = (value: number) => `${100 * value}%`;
    const left = mirrored ? 1 - shown.x - shown.width : shown.x;
    return (
        <div className="part-editor">
            <div className="part-picture" ref={box} style={{ aspectRatio: `${source.width} / ${source.height}` }}>
                <div className={mirrored ? 'mirrored' : ''}>{picture}</div>
                <div
                    className="part"
                    role="group"
                    tabIndex={0}
                    aria-label={`Part of the ${of} that is shown: move it with the arrow keys`}
                    style={{
                        left: percent(left),
                        top: percent(shown.y),
                        width: percent(shown.width),
                        height: percent(shown.height),
                    }}
                    onPointerDown={drag(null)}
                    onKeyDown={byKey(null)}
                >
                    {corners.map((corner) => (
                        <button
                            key={corner}
                            type="button"
                            className={`bracket at-${mirrored ? mirror[corner] : corner}`}
                            aria-label={`${names[corner]} corner: size it with the arrow keys`}
                            onPointerDown={drag(corner)}
                            onKeyDown={byKey(corner)}
                        />
                    ))}
                </div>
            </div>
            <div className="part-numbers">
                {(Object.keys(pixels) as (keyof typeof pixels)[]).map((name) => (
                    <Form.Group key={name} controlId={`${of}-${name}`}>
                        <Form.Label>{name[0]?.toUpperCase() + name.slice(1)}</Form.Label>
                        <NumberField min={0} value={pixels[name]} onChange={(to) => byNumber(name, to)} />
                    </Form.Group>
                ))}
            </div>
            <div className="part-acts">
                {onLocked && (
                    <Form.Check
                        id={`${of}-locked`}
                        label="Keep the frame's shape"
                        checked={locked}
                        onChange={(event) => {
                            onLocked(event.target.checked);
                            if (event.target.checked) {
                                set(shaped(shown, shape));
                            }
                        }}
                    />
                )}
                <Button size="sm" variant="quiet" disabled={part === null} onClick={() => onPart(null)}>
                    Show all of it
                </Button>
            </div>
        </div>
    );
}
