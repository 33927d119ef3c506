import { type ImgHTMLAttributes, useEffect, useState } from 'react';

const againMs = 800;
/** A picture that does not come in this time does not come. */
const tries = 60;

type State = 'asked' | 'missing' | 'there';

/** A picture that may still be being drawn on the server: asked for again until it is there, and said to be drawn until then. */
export function DrawnImage({ src, alt, ...rest }: ImgHTMLAttributes<HTMLImageElement> & { src: string; alt: string }) {
    const [asked, setAsked] = useState<{ src: string; times: number; state: State }>({ src, times: 0, state: 'asked' });
    const now = asked.src === src ? asked : { src, times: 0, state: 'asked' as State };
    useEffect(() => {
        if (now.state !== 'missing' || now.times >= tries) {
            return;
        }
        const timer = setTimeout(() => setAsked({ src, times: now.times + 1, state: 'asked' }), againMs);
        return () => clearTimeout(timer);
    }, [now.state, now.times, src]);
    const waits = now.state === 'missing' || (now.state === 'asked' && now.times > 0);
    return (
        <>
            {waits && (
                <span className="being-drawn" role="img" aria-label={`${alt} (being drawn)`.trim()}>
                    {now.times >= tries ? 'No picture' : 'Being drawn…'}
                </span>
            )}
            <img
                {...rest}
                src={now.times === 0 ? src : `${src}${src.includes('?') ? '&' : '?'}again=${now.times}`}
                alt={alt}
                hidden={waits}
                onLoad={() => setAsked({ ...now, state: 'there' })}
                onError={() => setAsked({ ...now, state: 'missing' })}
            />
        </>
    );
}
