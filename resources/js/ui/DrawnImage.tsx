import { type ImgHTMLAttributes, useEffect, useState } from 'react';

const againMs = 800;
/** A picture that does not come in this time does not come. */
const tries = 60;

/** A picture that may still be being drawn on the server: asked for again until it is there. */
export function DrawnImage({ src, alt, ...rest }: ImgHTMLAttributes<HTMLImageElement> & { src: string; alt: string }) {
    const [asked, setAsked] = useState({ src, times: 0, missing: false });
    const now = asked.src === src ? asked : { src, times: 0, missing: false };
    useEffect(() => {
        if (!now.missing || now.times >= tries) {
            return;
        }
        const timer = setTimeout(() => setAsked({ src, times: now.times + 1, missing: false }), againMs);
        return () => clearTimeout(timer);
    }, [now.missing, now.times, src]);
    return (
        <img
            {...rest}
            src={now.times === 0 ? src : `${src}${src.includes('?') ? '&' : '?'}again=${now.times}`}
            alt={now.missing ? `${alt} (being drawn)` : alt}
            onError={() => setAsked({ ...now, missing: true })}
        />
    );
}
