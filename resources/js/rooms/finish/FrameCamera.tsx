import { useEffect, useRef } from 'react';
import type { Layer, Picture, Rect } from '../../api/types';
import { cropped, cutOut, place } from '../../ui/place';
import { panned, sized } from './framing';

interface Props {
    picture: Picture;
    camera: Layer;
    /** What is shown inside it, standing at the frame in sight. */
    src: string;
    part: Rect;
    onPart: (part: Rect) => void;
}

const STEP = 0.01;
const LARGE_STEP = 0.05;
const CLOSER = 1.06;

/** The camera's own picture in its rectangle: dragged about, and brought nearer or further with the wheel or + and -. */
export function FrameCamera({ picture, camera, src, part, onPart }: Props) {
    const box = useRef<HTMLDivElement>(null);
    const from = useRef<{ x: number; y: number; part: Rect } | null>(null);
    const latest = useRef({ part, onPart });
    latest.current = { part, onPart };
    useEffect(() => {
        const element = box.current;
        // React listens to wheels passively: the page would scroll along.
        const wheel = (event: WheelEvent) => {
            event.preventDefault();
            const now = latest.current;
            now.onPart(sized(now.part, event.deltaY > 0 ? CLOSER : 1 / CLOSER));
        };
        element?.addEventListener('wheel', wheel, { passive: false });
        element?.focus();
        return () => element?.removeEventListener('wheel', wheel);
    }, []);
    return (
        <div
            ref={box}
            className="frame-camera camera"
            role="group"
            // A group that takes arrow keys has to be reached by the keyboard.
            tabIndex={0}
            aria-label="Camera: move its picture"
            style={{ ...place(camera.rect, picture.frame), ...cutOut(camera, picture.frame) }}
            onPointerDown={(event) => {
                event.currentTarget.setPointerCapture(event.pointerId);
                from.current = { x: event.clientX, y: event.clientY, part };
            }}
            onPointerMove={(event) => {
                const { width, height } = event.currentTarget.getBoundingClientRect();
                const begun = from.current;
                if (begun && event.buttons === 1) {
                    const [x, y] = [(begun.x - event.clientX) / width, (begun.y - event.clientY) / height];
                    onPart(panned(begun.part, x * begun.part.width, y * begun.part.height));
                }
            }}
            onPointerUp={() => (from.current = null)}
            onKeyDown={(event) => {
                const step = event.shiftKey ? LARGE_STEP : STEP;
                const acts: Record<string, () => Rect> = {
                    ArrowLeft: () => panned(part, -step, 0),
                    ArrowRight: () => panned(part, step, 0),
                    ArrowUp: () => panned(part, 0, -step),
                    ArrowDown: () => panned(part, 0, step),
                    '+': () => sized(part, 1 / CLOSER),
                    '-': () => sized(part, CLOSER),
                };
                const act = acts[event.key];
                if (act) {
                    event.preventDefault();
                    event.stopPropagation();
                    onPart(act());
                }
            }}
        >
            <div style={cropped(part)}>
                <video src={src} preload="auto" muted playsInline tabIndex={-1} />
            </div>
        </div>
    );
}
