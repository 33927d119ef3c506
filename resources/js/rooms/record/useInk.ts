import { useEffect, useRef, useState } from 'react';
import type { RecordingSession } from '../../recorder/session';
import { type InkPoint, inkOpacity, inkOutline, inkPath, inkRadius, type Tool } from '../../lib/ink';
import { UNITS } from '../../ui/MarkDrawing';

export type Hand = 'point' | Tool;

/** What one draws with. */
export interface InkChoice {
    hand: Hand;
    colour: string;
    thick: boolean;
}

/** Milliseconds since it began, place in parts of the picture, pressure. */
type Sample = [number, number, number, number];

export interface Stroke {
    id: number;
    tool: Tool;
    colour: string;
    thick: boolean;
    /** On the clock of the session, when it began. */
    at: number;
    samples: Sample[];
}

const BATCH_MS = 400;
const POINTER_MS = 32;

const round = (value: number) => Math.round(Math.max(0, Math.min(1, value)) * 1e5) / 1e5;

/** The path of a stroke in a picture of some shape. */
export function strokePath({ tool, thick, samples }: Omit<Stroke, 'id' | 'at' | 'colour'>, aspect: number): string {
    const points = samples.map(([, x, y, pressure]): InkPoint => [
        Math.floor(x * aspect * UNITS + 0.5),
        Math.floor(y * UNITS + 0.5),
        inkRadius(tool, thick, pressure),
    ]);
    return inkPath(inkOutline(points));
}

/** What was drawn in this take, by surface, and noted in its log. Before the take rolls it is tried only. */
export function useInk(session: RecordingSession) {
    const strokes = useRef(new Map<string, Stroke[]>());
    /** Surfaces that were wiped: what stood on them before the take is gone too. */
    const wiped = useRef(new Set<string>());
    const lastId = useRef(0);
    const lineSince = useRef(0);
    const pointer = useRef<{ on: string; at: number; points: [number, number, number][] } | null>(null);
    const [, again] = useState(0);
    const redraw = () => again((count) => count + 1);
    const flush = () => {
        const batch = pointer.current;
        pointer.current = null;
        if (batch && batch.points.length > 0) {
            session.log('pointer', { on: batch.on, points: batch.points }, batch.at);
        }
    };
    const flushing = useRef(flush);
    flushing.current = flush;
    useEffect(() => {
        const timer = setInterval(() => flushing.current(), BATCH_MS);
        return () => clearInterval(timer);
    }, []);
    const all = (on: string) => strokes.current.get(on) ?? [];
    const remove = (on: string, gone: Stroke[]) => {
        gone.forEach(({ id }) => session.log('take-back', { id }));
        strokes.current.set(
            on,
            all(on).filter((stroke) => !gone.includes(stroke)),
        );
        redraw();
    };
    return {
        on: all,
        isWiped: (on: string): boolean => wiped.current.has(on),
        begin(choice: InkChoice): Stroke {
            const tool = choice.hand === 'point' ? 'pen' : choice.hand;
            return {
                id: ++lastId.current,
                tool,
                colour: choice.colour,
                thick: choice.thick,
                at: performance.now(),
                samples: [],
            };
        },
        finish(on: string, stroke: Stroke): void {
            strokes.current.set(on, [...all(on), stroke]);
            session.log(
                'stroke',
                {
                    id: stroke.id,
                    on,
                    tool: stroke.tool,
                    colour: stroke.colour,
                    width: stroke.thick ? 'thick' : 'thin',
                    points: stroke.samples,
                },
                stroke.at,
            );
            redraw();
        },
        click(on: string, x: number, y: number, colour: string, sound: boolean): void {
            session.log('click', { on, x: round(x), y: round(y), colour, sound });
        },
        point(on: string, x: number, y: number): void {
            const now = performance.now();
            if (pointer.current?.on !== on) {
                flush();
            }
            pointer.current ??= { on, at: now, points: [] };
            const { at, points } = pointer.current;
            if (points.length === 0 || now - at - (points.at(-1)?.[0] ?? 0) >= POINTER_MS) {
                points.push([Math.round(now - at), round(x), round(y)]);
            }
        },
        takeBack(on: string): void {
            const last = all(on).at(-1);
            if (last) {
                remove(on, [last]);
            }
        },
        wipe(on: string): void {
            session.log('wipe', { on });
            wiped.current.add(on);
            strokes.current.set(on, []);
            redraw();
        },
        /** A line began: what is drawn from here on is taken back when it is said again. */
        line(): void {
            lineSince.current = lastId.current;
        },
        again(): void {
            flush();
            for (const [on, some] of strokes.current) {
                remove(
                    on,
                    some.filter(({ id }) => id > lineSince.current),
                );
            }
        },
        /** A take begins on clean surfaces. */
        clear(): void {
            strokes.current.clear();
            wiped.current.clear();
            lastId.current = 0;
            lineSince.current = 0;
            redraw();
        },
        flush,
    };
}

export type Ink = ReturnType<typeof useInk>;

/** A moment of a pointer as it is kept. */
export const sampleOf = (at: number, x: number, y: number, pressure: number): Sample => [
    Math.max(0, Math.round(performance.now() - at)),
    round(x),
    round(y),
    round(pressure || 0.5),
];

export { inkOpacity };
