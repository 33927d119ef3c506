import type { Mark, Rect } from '../api/types';

/** Width of a box's line, in parts of the picture's shorter side; see core/Annotation/Box.php. */
const WIDTH = 0.008;

/** A picture's height in the units of paths and rings; see core/Annotation/Figure.php. */
export const UNITS = 10_000;

/** Marks over a picture: the same values that core/Render/MarkScript.php draws for the film. */
export function MarkDrawing({ marks, rect, frame }: { marks: Mark[]; rect: Rect; frame: number }) {
    return (
        <svg viewBox={`0 0 ${rect.width} ${rect.height}`} width="100%" height="100%" aria-hidden="true">
            {marks.map((mark, index) =>
                mark.from <= frame && frame < mark.until ? (
                    <FigureDrawing key={index} mark={mark} rect={rect} frame={frame} />
                ) : null,
            )}
        </svg>
    );
}

function FigureDrawing({ mark, rect, frame }: { mark: Mark; rect: Rect; frame: number }) {
    const scale = rect.height / UNITS;
    if (mark.kind === 'outline') {
        return <path d={mark.path} transform={`scale(${scale})`} fill={`#${mark.colour}`} fillOpacity={mark.opacity} />;
    }
    if (mark.kind === 'ring') {
        const part = (frame - mark.from) / (mark.until - mark.from);
        const way = (from: number, to: number) => from + (to - from) * part;
        const middle = mark.radius - mark.line / 2;
        const [x, y] = [way(mark.x, mark.to_x) * rect.width, way(mark.y, mark.to_y) * rect.height];
        return (
            <g
                transform={`translate(${x} ${y}) scale(${scale})`}
                opacity={way(mark.opacity, mark.opacity_to)}
                fill="none"
            >
                <circle r={middle} stroke={`#${mark.edge_colour}`} strokeWidth={mark.line + 2 * mark.edge} />
                <circle r={middle} stroke={`#${mark.colour}`} strokeWidth={mark.line} />
            </g>
        );
    }
    const width = Math.max(2, WIDTH * Math.min(rect.width, rect.height));
    const [w, h] = [mark.width * rect.width, mark.height * rect.height];
    const line = Math.min(width, w / 2, h / 2);
    return (
        <rect
            x={mark.x * rect.width + line / 2}
            y={mark.y * rect.height + line / 2}
            width={w - line}
            height={h - line}
            fill="none"
            stroke={`#${mark.colour}`}
            strokeWidth={line}
        />
    );
}
