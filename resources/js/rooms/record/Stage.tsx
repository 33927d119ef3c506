import { useEffect, useRef } from 'react';
import type { LinePicture } from '../../api/types';
import { FramePicture } from '../../ui/FramePicture';

interface Props {
    plan: LinePicture;
    camera: MediaStream | undefined;
}

/** The picture as the viewer will get it, except that the presenter sees herself as in a mirror. */
export function Stage({ plan, camera }: Props) {
    const video = useRef<HTMLVideoElement>(null);
    useEffect(() => {
        if (video.current) {
            video.current.srcObject = camera ?? null;
        }
    }, [camera, plan]);
    return (
        <FramePicture
            picture={plan}
            label="The picture as it will be delivered"
            mirrored
            camera={camera && <video ref={video} autoPlay muted playsInline />}
        />
    );
}
