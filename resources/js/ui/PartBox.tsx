import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import type { Rect } from '../api/types';
import { type Corner, drawnTo, moved } from './part';

interface Props {
    part: Rect;
    /** Width against height in parts of the picture's sides, when it is to be kept; null lets it be free. */
    shape: number | null;
    /** What it is, with what the arrow keys do. */
    label: string;
    mirrored?: boolean;
    onPart: (part: Rect) => void;
}

const corners: Corner[] = ['nw', 'ne', 'sw', 'se'];
const mirror: Record<Corner, Corner> = { nw: 'ne', ne: 'nw', sw: 'se', se: 'sw' };
const names: Record<Corner, string> = { nw: 'Top left', ne: 'Top right', sw: 'Bottom left', se: 'Bottom right' };
const percent = (value: number) => `${100 * value}%`;

/** The step of an arrow key in parts of the picture, ten times as far with Shift; null for other keys. */
export function stepOf(event: KeyboardEvent): [number, number] | null {
    const by = (event.shiftKey ? 10 : 1) / 100;
    const ways: Record<string, [number, number]> = {
        ArrowLeft: [-by, 0],
        ArrowRight: [by, 0],
        ArrowUp: [0, -by],
        ArrowDown: [0, by],
    };
    const way = ways[event.key];
    if (!way) {
        return null;
    }
    event.preventDefault();
    event.stopPropagation();
    return way;
}

/** Follows the pointer from a press until it is up, in parts of a box. */
export function followPointer(
    event: PointerEvent<HTMLElement>,
    box: HTMLElement | null,
    follow: (at: { x: number; y: number }, from: { x: number; y: number }) => void,
): void {
    event.preventDefault();
    event.stopPropagation();
    const bounds = box?.getBoundingClientRect();
    if (!bounds) {
        return;
    }
    const target = event.currentTarget;
    target.focus();
    target.setPointerCapture(event.pointerId);
    const at = (e: { clientX: number; clientY: number }) => ({
        x: (e.clientX - bounds.left) / bounds.width,
        y: (e.clientY - bounds.top) / bounds.height,
    });
    const from = at(event);
    const onMove = (e: globalThis.PointerEvent) => follow(at(e), from);
    const end = () => target.removeEventListener('pointermove', onMove);
    target.addEventListener('pointermove', onMove);
    target.addEventListener('pointerup', end, { once: true });
    target.addEventListener('pointercancel', end, { once: true });
}

/** A part of a picture, moved and sized by mouse and by arrow keys; it fills what it stands in. */
export function PartBox({ part, shape, label, mirrored = false, onPart }: Props) {
    const box = useRef<HTMLDivElement>(null);
    const seen = ({ x, y }: { x: number; y: number }) => ({ x: mirrored ? 1 - x : x, y });
    const drag = (corner: Corner | null) => (event: PointerEvent<HTMLElement>) =>
        followPointer(event, box.current, (now, then) => {
            const [at, from] = [seen(now), seen(then)];
            onPart(corner ? drawnTo(part, corner, at.x, at.y, shape) : moved(part, at.x - from.x, at.y - from.y));
        });
    const byKey = (corner: Corner | null) => (event: KeyboardEvent) => {
        const way = stepOf(event);
        if (!way) {
            return;
        }
        const [x, y] = [mirrored ? -way[0] : way[0], way[1]];
        if (!corner) {
            onPart(moved(part, x, y));
            return;
        }
        const stands = {
            x: corner.includes('w') ? part.x : part.x + part.width,
            y: corner.includes('n') ? part.y : part.y + part.height,
        };
        // Locked to a shape, either way makes it larger or smaller.
        const grows =
            shape !== null && y === 0 ? [x, (x * (corner === 'nw' || corner === 'se' ? 1 : -1)) / shape] : [x, y];
        onPart(drawnTo(part, corner, stands.x + (grows[0] ?? 0), stands.y + (grows[1] ?? 0), shape));
    };
    return (
        <div className="part-area" ref={box}>
            <div
                className="part"
                role="group"
                tabIndex={0}
                aria-label={label}
                style={{
                    left: percent(mirrored ? 1 - part.x - part.width : part.x),
                    top: percent(part.y),
                    width: percent(part.width),
                    height: percent(part.height),
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
    );
}
