import type { ReactNode } from 'react';
import type { PicturePlan } from '../api/types';
import { DrawnImage } from './DrawnImage';
import { insetLook, outOfSight, place } from './place';

interface Props {
    plan: PicturePlan;
    slideUrl: string | null;
    logoUrl?: string | null;
    /** What fills the camera's rectangle: a video or a still. */
    camera?: ReactNode;
    mirrored?: boolean;
    label: string;
    children?: ReactNode;
}

/** The frame as it will be delivered, at whatever size there is room for: the plan's pixels become per cent. */
export function FramePicture({ plan, slideUrl, logoUrl = null, camera, mirrored = false, label, children }: Props) {
    return (
        <div
            className="frame-picture"
            role="group"
            aria-label={label}
            style={{ aspectRatio: `${plan.frame.width} / ${plan.frame.height}`, background: `#${plan.ground}` }}
        >
            {plan.slide && slideUrl && (
                <div className="slide" style={place(plan.slide, plan.frame)}>
                    <DrawnImage src={slideUrl} alt="" />
                </div>
            )}
            {camera && (
                <div
                    className={mirrored ? 'camera mirrored' : 'camera'}
                    style={plan.camera ? { ...place(plan.camera, plan.frame), ...cutOut(plan) } : outOfSight}
                >
                    {camera}
                    {plan.camera && plan.inset_frame && <div className="edge" style={insetLook(plan)} />}
                </div>
            )}
            {plan.logo && logoUrl && (
                <div className="logo" style={place(plan.logo, plan.frame)}>
                    <img src={logoUrl} alt="" />
                </div>
            )}
            {children}
        </div>
    );
}

/** The corners cut away; the edge is drawn over the picture. */
const cutOut = (plan: PicturePlan) => ({ borderRadius: insetLook(plan).borderRadius, overflow: 'hidden' as const });
