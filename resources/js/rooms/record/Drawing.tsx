import { type PointerEvent, useEffect, useLayoutEffect, useRef, useState } from 'react';
import type { Rect } from '../../api/types';
import { UNITS } from '../../ui/MarkDrawing';
import { type Ink, type InkChoice, inkOpacity, sampleOf, type Stroke, strokePath } from './useInk';

interface Props {
    /** The stage, in pixels of the frame. */
    stage: Rect;
    surface: string;
    ink: Ink;
    choice: InkChoice;
    accent: string;
    /** A ring follows the pointer; clicks ripple. */
    pointer: boolean;
    clicks: boolean;
    clickSounds: boolean;
}

const STILL_MS = 1200;

/** A transparent sheet over the stage that is pointed at and written on. */
export function Drawing({ stage, surface, ink, choice, accent, pointer, clicks, clickSounds }: Props) {
    const canvas = useRef<HTMLCanvasElement>(null);
    const stroke = useRef<Stroke | null>(null);
    const [ring, setRing] = useState<{ x: number; y: number; seen: boolean } | null>(null);
    const [ripples, setRipples] = useState<{ id: number; x: number; y: number }[]>([]);
    const still = useRef<ReturnType<typeof setTimeout>>(undefined);
    const aspect = stage.width / stage.height;
    const strokes = ink.on(surface);

    const draw = (more: Stroke | null = null) => {
        const pen = canvas.current?.getContext('2d');
        if (!pen || !canvas.current) {
            return;
        }
        pen.setTransform(1, 0, 0, 1, 0, 0);
        pen.clearRect(0, 0, canvas.current.width, canvas.current.height);
        const scale = canvas.current.height / UNITS;
        pen.setTransform(scale, 0, 0, scale, 0, 0);
        for (const one of more ? [...strokes, more] : strokes) {
            pen.globalAlpha = inkOpacity[one.tool];
            pen.fillStyle = `#${one.colour}`;
            pen.fill(new Path2D(strokePath(one, aspect)));
        }
    };
    const redraw = useRef(draw);
    redraw.current = draw;
    useLayoutEffect(() => redraw.current(stroke.current));
    useEffect(() => {
        const element = canvas.current;
        if (!element) {
            return;
        }
        const fit = new ResizeObserver(([entry]) => {
            const { width = 0, height = 0 } = entry?.contentRect ?? {};
            element.width = Math.round(width * window.devicePixelRatio);
            element.height = Math.round(height * window.devicePixelRatio);
            redraw.current(stroke.current);
        });
        fit.observe(element);
        return () => fit.disconnect();
    }, []);
    useEffect(() => () => clearTimeout(still.current), []);

    const placeOf = (event: { clientX: number; clientY: number }) => {
        const box = (canvas.current as HTMLCanvasElement).getBoundingClientRect();
        return { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height };
    };
    const down = (event: PointerEvent<HTMLCanvasElement>) => {
        if (event.button !== 0) {
            return;
        }
        const { x, y } = placeOf(event);
        if (choice.hand === 'point') {
            if (clicks) {
                ink.click(surface, x, y, accent, clickSounds);
                setRipples((all) => [...all.slice(-3), { id: event.timeStamp, x, y }]);
            }
            return;
        }
        event.currentTarget.setPointerCapture(event.pointerId);
        stroke.current = ink.begin(choice);
        stroke.current.samples.push(sampleOf(stroke.current.at, x, y, event.pressure));
        draw(stroke.current);
    };
    const move = (event: PointerEvent<HTMLCanvasElement>) => {
        const { x, y } = placeOf(event);
        const drawn = stroke.current;
        if (drawn) {
            const native = event.nativeEvent;
            for (const one of native.getCoalescedEvents?.() ?? [native]) {
                const at = placeOf(one);
                drawn.samples.push(sampleOf(drawn.at, at.x, at.y, one.pressure));
            }
            // At once, not with the next picture of the page: a pen that lags is hard to write with.
            draw(drawn);
            return;
        }
        if (choice.hand === 'point' && pointer) {
            ink.point(surface, x, y);
            setRing({ x, y, seen: true });
            clearTimeout(still.current);
            still.current = setTimeout(() => setRing((now) => now && { ...now, seen: false }), STILL_MS);
        }
    };
    const up = () => {
        const drawn = stroke.current;
        stroke.current = null;
        if (drawn && drawn.samples.length > 0) {
            ink.finish(surface, drawn);
        }
    };
    const at = ({ x, y }: { x: number; y: number }) => ({ left: `${100 * x}%`, top: `${100 * y}%` });
    return (
        <>
            <canvas
                ref={canvas}
                className={choice.hand === 'point' ? 'drawing is-pointing' : 'drawing'}
                aria-label="The stage: point at it or write on it"
                onPointerDown={down}
                onPointerMove={move}
                onPointerUp={up}
                onPointerCancel={up}
                onPointerLeave={() => setRing(null)}
            />
            {ring && choice.hand === 'point' && pointer && (
                <span className={ring.seen ? 'pointer-ring' : 'pointer-ring is-still'} style={at(ring)} />
            )}
            {ripples.map((one) => (
                <span
                    key={one.id}
                    className="pointer-ripple"
                    style={at(one)}
                    onAnimationEnd={() => setRipples((all) => all.filter(({ id }) => id !== one.id))}
                />
            ))}
        </>
    );
}
