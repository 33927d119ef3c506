import type { Rect } from '../../api/types';
import { writeCue } from '../../page/syntax';

/** What is placed on the picture: a part to zoom to, or something laid over it. */
export type Placed = 'zoom' | 'box' | 'round' | 'underline' | 'arrow' | 'spotlight';

export interface Point {
    x: number;
    y: number;
}

/** Where it lies, in parts of the stage's picture: a part, or of an arrow both ends. */
export interface Placing {
    what: Placed;
    part: Rect;
    from: Point;
    to: Point;
    colour: string;
}

export const placedNames: Record<Placed, string> = {
    zoom: 'Zoom',
    box: 'Box',
    round: 'Oval',
    underline: 'Underline',
    arrow: 'Arrow',
    spotlight: 'Spotlight',
};

export const colours = { contrast: 'Contrast', accent: 'Accent', ink: 'Ink', paper: 'Paper' };

export const begin = (what: Placed): Placing => ({
    what,
    part: { x: 0.3, y: 0.3, width: 0.4, height: 0.4 },
    from: { x: 0.65, y: 0.7 },
    to: { x: 0.5, y: 0.5 },
    colour: what === 'spotlight' ? 'ink' : 'contrast',
});

const percent = (part: number): string => String(Math.round(1000 * part) / 10);

/** The cue that says it; places are in per cent. */
export function cueOf({ what, part, from, to, colour }: Placing): string {
    const { x, y, width, height } = part;
    if (what === 'zoom') {
        return writeCue('zoom', [x, y, width].map(percent).join(' '));
    }
    const places =
        what === 'arrow'
            ? [from.x, from.y, to.x, to.y]
            : what === 'underline'
              ? [x, y + height, width]
              : [x, y, width, height];
    return writeCue('emphasis', `${what} ${places.map(percent).join(' ')}, ${colour}`);
}
