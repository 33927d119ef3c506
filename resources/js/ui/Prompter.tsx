import { useEffect, useRef } from 'react';
import type { Line } from '../api/types';

interface Props {
    lines: Pick<Line, 'number' | 'text'>[];
    current: number;
    /** Rem. */
    size: number;
    /** Per cent of the room. */
    width?: number;
    mirrored?: boolean;
    onLine: (line: number) => void;
}

/** The script as it is spoken: the current line stands clear, near the camera; the next ones follow. */
export function Prompter({ lines, current, size, width = 100, mirrored = false, onLine }: Props) {
    const here = useRef<HTMLButtonElement>(null);
    const box = useRef<HTMLDivElement>(null);
    useEffect(() => {
        const line = here.current;
        const scroller = box.current;
        if (line && scroller) {
            const still = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
            scroller.scrollTo({
                top: line.offsetTop - scroller.clientHeight * 0.22,
                behavior: still ? 'auto' : 'smooth',
            });
        }
    }, [current, size, width]);
    return (
        <section
            className={mirrored ? 'prompter for-glass' : 'prompter'}
            aria-label="Prompter"
            ref={box}
            tabIndex={lines.length === 0 ? 0 : -1}
            style={{ fontSize: `${size}rem`, width: `${width}%` }}
        >
            {lines.length === 0 && (
                <p className="nothing">
                    Nothing is written in this section. Speak freely, or write it in Script first.
                </p>
            )}
            {lines.map((line, index) => (
                <button
                    key={line.number}
                    ref={index === current ? here : undefined}
                    type="button"
                    className={index === current ? 'current' : index < current ? 'spoken' : ''}
                    aria-current={index === current ? 'true' : undefined}
                    onClick={() => onLine(index)}
                >
                    {line.text}
                </button>
            ))}
        </section>
    );
}
