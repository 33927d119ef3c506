import { useEffect, useRef } from 'react';
import type { Line } from '../../api/types';

interface Props {
    lines: Line[];
    current: number;
    onLine: (line: number) => void;
}

/** The script as it is spoken: the current line stands clear, near the camera; the next ones follow. */
export function Prompter({ lines, current, onLine }: Props) {
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
    }, [current]);
    return (
        <section className="prompter" aria-label="Prompter" ref={box} tabIndex={-1}>
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
