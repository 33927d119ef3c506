import { useEffect, useRef } from 'react';

/** A stream as it comes. */
export function Live({ stream }: { stream: MediaStream }) {
    const video = useRef<HTMLVideoElement>(null);
    useEffect(() => {
        if (video.current) {
            video.current.srcObject = stream;
        }
    }, [stream]);
    return <video ref={video} autoPlay muted playsInline />;
}
