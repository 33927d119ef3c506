import type { ReactNode } from 'react';
import type { LinePicture } from '../../api/types';
import type { Rolls } from '../../ui/FilmLayer';
import { FramePicture } from '../../ui/FramePicture';
import { Live } from './Live';

interface Props {
    plan: LinePicture;
    camera: MediaStream | undefined;
    screen: MediaStream | undefined;
    /** How far the recording is. */
    rolls: Rolls;
    /** A sheet over the stage to draw on. */
    sheet: ReactNode;
}

/** The picture as the viewer will get it, except that the presenter sees herself as in a mirror. */
export function Stage({ plan, camera, screen, rolls, sheet }: Props) {
    return (
        <FramePicture
            picture={plan}
            label="The picture as it will be delivered"
            mirrored
            live={rolls}
            camera={camera && <Live stream={camera} />}
            screen={screen && <Live stream={screen} />}
            sheet={sheet}
        />
    );
}
