import type { Rect } from '../../api/types';

/** The least part of a camera's picture that is shown: nearer, it has no more to show. */
const LEAST = 0.2;

const within = (value: number, most: number): number => Math.max(0, Math.min(most, value));

/** The largest part in the middle of a part that has a shape: the same as core/Picture/Crop.php, by the same examples. */
export function narrowed(part: Rect, source: { width: number; height: number }, aspect: number): Rect {
    const ratio = ((source.width / source.height) * part.width) / part.height / aspect;
    const [width, height] = ratio > 1 ? [part.width / ratio, part.height] : [part.width, part.height * ratio];
    return { x: part.x + (part.width - width) / 2, y: part.y + (part.height - height) / 2, width, height };
}

/** The part moved, as far as the picture goes. */
export const panned = (part: Rect, x: number, y: number): Rect => ({
    ...part,
    x: within(part.x + x, 1 - part.width),
    y: within(part.y + y, 1 - part.height),
});

/** The part made so many times as large round its middle, as far as the picture goes; its shape stays. */
export function sized(part: Rect, times: number): Rect {
    const scale = Math.max(LEAST / part.width, Math.min(times, 1 / part.width, 1 / part.height));
    const [width, height] = [part.width * scale, part.height * scale];
    return {
        x: within(part.x + (part.width - width) / 2, 1 - width),
        y: within(part.y + (part.height - height) / 2, 1 - height),
        width,
        height,
    };
}
