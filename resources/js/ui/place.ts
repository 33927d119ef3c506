import type { CSSProperties } from 'react';
import type { Layer, Rect } from '../api/types';

interface Size {
    width: number;
    height: number;
}

/** A rectangle in frame pixels as a place in per cent, so that it fits a frame drawn at any size. */
export function place(rect: Rect, frame: Size): CSSProperties {
    return {
        left: `${(100 * rect.x) / frame.width}%`,
        top: `${(100 * rect.y) / frame.height}%`,
        width: `${(100 * rect.width) / frame.width}%`,
        height: `${(100 * rect.height) / frame.height}%`,
    };
}

const wholeSource: Rect = { x: 0, y: 0, width: 1, height: 1 };

/** The part of its source that a layer shows some frames into its shot; null for all of it. */
export function cropAt({ crop, motion }: Pick<Layer, 'crop' | 'motion'>, frame: number): Rect | null {
    if (!motion?.part || frame >= motion.frames) {
        return crop;
    }
    return between(motion.part, crop ?? wholeSource, eased(motion, frame));
}

function eased({ ease, frames }: { ease: 'steady' | 'soft'; frames: number }, frame: number): number {
    const part = Math.max(0, frame) / frames;
    return ease === 'steady' ? part : (1 - Math.cos(Math.PI * part)) / 2;
}

function between(from: Rect, to: Rect, done: number): Rect {
    const way = (start: number, end: number) => start + (end - start) * done;
    return {
        x: way(from.x, to.x),
        y: way(from.y, to.y),
        width: way(from.width, to.width),
        height: way(from.height, to.height),
    };
}

/** Where a layer lies some frames into its shot: see core/Picture/Motion.php and Ease.php. */
export function rectAt({ rect, motion }: Pick<Layer, 'rect' | 'motion'>, frame: number): Rect {
    if (!motion || frame >= motion.frames) {
        return rect;
    }
    return between(motion.from, rect, eased(motion, frame));
}

/** Kept in the page, because it plays, but not seen. */
export const outOfSight: CSSProperties = { width: 1, height: 1, opacity: 0 };

/** How a layer is cut out, in parts of the frame's own width (`cqw`), so that it fits any size. */
export const cutOut = (layer: Layer, frame: Size): CSSProperties => ({
    borderRadius: layer.edge ? `${(100 * layer.edge.radius) / frame.width}cqw` : undefined,
    boxShadow: layer.edge?.shadow ? shadowOf(layer.edge, frame) : undefined,
    overflow: 'hidden',
});

/** The same as core/Picture/Edge.php draws for the film. */
function shadowOf({ shadow, drop, shade }: NonNullable<Layer['edge']>, frame: Size): string {
    const part = (pixels: number) => `${(100 * pixels) / frame.width}cqw`;
    return `0 ${part(drop)} ${part(shadow)} rgb(0 0 0 / ${shade})`;
}

/** The line along a layer's inner edge; null when it has none. */
export function edgeLook(layer: Layer, frame: Size): CSSProperties | null {
    const edge = layer.edge;
    return edge && edge.border > 0
        ? {
              borderRadius: cutOut(layer, frame).borderRadius,
              boxShadow: `inset 0 0 0 ${(100 * edge.border) / frame.width}cqw #${edge.colour}`,
          }
        : null;
}

/** A source of which only a part is shown, laid out so that this part fills its rectangle. */
export const cropped = (crop: Rect | null): CSSProperties =>
    crop
        ? {
              position: 'absolute',
              width: `${100 / crop.width}%`,
              height: `${100 / crop.height}%`,
              left: `${(-100 * crop.x) / crop.width}%`,
              top: `${(-100 * crop.y) / crop.height}%`,
          }
        : { width: '100%', height: '100%' };
