import type { CSSProperties } from 'react';
import type { PicturePlan, Rect } from '../api/types';

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

/** How the camera is cut out and edged, in parts of the frame's own width (`cqw`), so that it fits any size. */
export function insetLook(plan: PicturePlan): CSSProperties {
    const look = plan.inset_frame;
    const part = (pixels: number) => `${(100 * pixels) / plan.frame.width}cqw`;
    return look
        ? {
              borderRadius: part(look.radius),
              boxShadow: look.border > 0 ? `inset 0 0 0 ${part(look.border)} #${look.colour}` : undefined,
          }
        : {};
}
