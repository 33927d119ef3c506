import type { Rect } from '../api/types';

/** The smallest part of a side that can be meant; see core/Picture/Crop.php. */
export const LEAST = 0.05;

export type Corner = 'nw' | 'ne' | 'sw' | 'se';

export const whole: Rect = { x: 0, y: 0, width: 1, height: 1 };

const tidy = (value: number) => Math.round(value * 1e5) / 1e5;

export const isWhole = ({ width, height }: Rect): boolean => width >= 0.9999 && height >= 0.9999;

/** Moved by parts of the picture's sides; it stops at the edges. */
export function moved(part: Rect, x: number, y: number): Rect {
    return {
        ...part,
        x: tidy(Math.max(0, Math.min(1 - part.width, part.x + x))),
        y: tidy(Math.max(0, Math.min(1 - part.height, part.y + y))),
    };
}

/**
 * With one corner drawn to a place, the opposite one standing.
 *
 * @param shape width against height of the part in parts of the picture's sides, when it is to be kept; null lets it be free
 */
export function drawnTo(part: Rect, corner: Corner, x: number, y: number, shape: number | null): Rect {
    const [west, north] = [corner.includes('w'), corner.includes('n')];
    const stands = { x: west ? part.x + part.width : part.x, y: north ? part.y + part.height : part.y };
    const room = { x: west ? stands.x : 1 - stands.x, y: north ? stands.y : 1 - stands.y };
    let width = Math.min(room.x, Math.max(LEAST, west ? stands.x - x : x - stands.x));
    let height = Math.min(room.y, Math.max(LEAST, north ? stands.y - y : y - stands.y));
    if (shape !== null) {
        // The larger of the two counts, as far as there is room for both.
        width = Math.min(Math.max(width, height * shape), room.x, room.y * shape);
        height = width / shape;
    }
    return {
        x: tidy(west ? stands.x - width : stands.x),
        y: tidy(north ? stands.y - height : stands.y),
        width: tidy(width),
        height: tidy(height),
    };
}

/** Brought to a shape about its middle, as large as it was at most. */
export function shaped(part: Rect, shape: number): Rect {
    const ratio = part.width / part.height / shape;
    const [width, height] = ratio > 1 ? [part.width / ratio, part.height] : [part.width, part.height * ratio];
    return moved(
        {
            x: part.x + (part.width - width) / 2,
            y: part.y + (part.height - height) / 2,
            width: tidy(width),
            height: tidy(height),
        },
        0,
        0,
    );
}

/** A frame's shape in parts of a source's sides: 1 when both have the same. */
export const shapeIn = (frame: { width: number; height: number }, source: { width: number; height: number }): number =>
    frame.width / frame.height / (source.width / source.height);
