import type { ReactNode } from 'react';
import type { Picture } from '../api/types';
import type { Rolls } from './FilmLayer';
import { Scene } from './Scene';

interface Props {
    picture: Picture;
    /** What fills the camera's rectangle: a video or a still. */
    camera?: ReactNode;
    /** The same for a screen. */
    screen?: ReactNode;
    mirrored?: boolean;
    /** What is recorded now: films on the stage play by themselves. */
    live?: Rolls;
    /** Lies over the stage and under everything else. */
    sheet?: ReactNode;
    label: string;
    children?: ReactNode;
}

/** The frame as it will be delivered, at whatever size there is room for. */
export function FramePicture({ picture, camera, screen, sheet, mirrored = false, live, label, children }: Props) {
    return (
        <div
            className="frame-picture"
            role="group"
            aria-label={label}
            style={{ aspectRatio: `${picture.frame.width} / ${picture.frame.height}` }}
        >
            <Scene picture={picture} camera={camera} screen={screen} sheet={sheet} mirrored={mirrored} live={live} />
            {children}
        </div>
    );
}
