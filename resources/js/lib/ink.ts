/**
 * The outline of a stroke, computed as OpenReel\Core\Mark\InkOutline does it: what one sees while drawing is what the film
 * shows. Both are held to tests/examples/ink.json.
 */

export type Tool = 'pen' | 'highlighter';

/** x, y and radius, in units of which the picture's height has 10,000. */
export type InkPoint = [number, number, number];

const CORNERS = 5;
const NEAR = 20;

export const inkOpacity: Record<Tool, number> = { pen: 1, highlighter: 0.38 };

export function inkRadius(tool: Tool, isThick: boolean, pressure: number): number {
    return tool === 'pen' ? Math.floor((isThick ? 46 : 24) * (0.5 + pressure) + 0.5) : isThick ? 240 : 140;
}

/** Which points are drawn: the first, and each that is far enough from the one drawn before. */
function drawn(points: InkPoint[]): InkPoint[] {
    const kept: InkPoint[] = [];
    points.forEach((point, index) => {
        const before = kept.at(-1);
        if (!before || (point[0] - before[0]) ** 2 + (point[1] - before[1]) ** 2 >= NEAR ** 2) {
            kept.push(point);
        } else if (index === points.length - 1 && kept.length > 1) {
            kept[kept.length - 1] = point;
        }
    });
    return kept;
}

/** What a round pen leaves between two points. */
function between(a: InkPoint, b: InkPoint): number[] {
    const way = Math.atan2(b[1] - a[1], b[0] - a[0]);
    const polygon: number[] = [];
    for (const [[x, y, radius], from] of [
        [a, Math.PI / 2],
        [b, -Math.PI / 2],
    ] as const) {
        for (let i = 0; i <= CORNERS; i++) {
            const angle = way + from + (Math.PI * i) / CORNERS;
            polygon.push(
                Math.floor(x + radius * Math.cos(angle) + 0.5),
                Math.floor(y + radius * Math.sin(angle) + 0.5),
            );
        }
    }
    return polygon;
}

/** @returns polygons, x and y in turn */
export function inkOutline(points: InkPoint[]): number[][] {
    const kept = drawn(points);
    const [first] = kept;
    if (first && kept.length === 1) {
        return [between(first, first)];
    }
    return kept.slice(1).map((point, index) => between(kept[index] as InkPoint, point));
}

/** The polygons as a path of SVG and canvas. */
export function inkPath(polygons: number[][]): string {
    return polygons
        .map((polygon) => {
            let path = '';
            for (let i = 0; i < polygon.length; i += 2) {
                path += `${i === 0 ? 'M' : 'L'}${polygon[i]} ${polygon[i + 1]}`;
            }
            return `${path}Z`;
        })
        .join('');
}
