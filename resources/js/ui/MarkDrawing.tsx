import type { Mark, Rect } from '../api/types';

/** Width of a box's line, in parts of the picture's shorter side; see core/Mark/Box.php. */
const WIDTH = 0.008;

/** Marks over a picture: the same values that core/Render/MarkScript.php draws for the film. */
export function MarkDrawing({ marks, rect, frame }: { marks: Mark[]; rect: Rect; frame: number }) {
    const width = Math.max(2, WIDTH * Math.min(rect.width, rect.height));
    return (
        <svg viewBox={`0 0 ${rect.width} ${rect.height}`} width="100%" height="100%" aria-hidden="true">
            {marks
                .filter((mark) => mark.from <= frame && frame < mark.until)
                .map((mark, index) => {
                    const [w, h] = [mark.width * rect.width, mark.height * rect.height];
                    const line = Math.min(width, w / 2, h / 2);
                    return (
                        <rect
                            key={index}
                            x={mark.x * rect.width + line / 2}
                            y={mark.y * rect.height + line / 2}
                            width={w - line}
                            height={h - line}
                            fill="none"
                            stroke={`#${mark.colour}`}
                            strokeWidth={line}
                        />
                    );
                })}
        </svg>
    );
}
