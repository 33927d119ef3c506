import type { CSSProperties } from 'react';
import type { Rect } from '../api/types';

/** A rectangle in frame pixels as a place in per cent, so that it fits a frame drawn at any size. */
export function place(rect: Rect, frame: { width: number; height: number }): CSSProperties {
    return {
        left: `${(100 * rect.x) / frame.width}%`,
        top: `${(100 * rect.y) / frame.height}%`,
        width: `${(100 * rect.width) / frame.width}%`,
        height: `${(100 * rect.height) / frame.height}%`,
    };
}

/** Kept in the page, because it plays, but not seen. */
export const outOfSight: CSSProperties = { width: 1, height: 1, opacity: 0 };
