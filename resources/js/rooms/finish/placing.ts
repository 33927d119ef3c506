import type { Rect } from '../../api/types';
import { writeCue } from '../../lib/scriptSyntax';

/** What is placed on the picture: a part to zoom to, something laid over it, or the inset. */
export type Placed = 'zoom' | 'box' | 'round' | 'underline' | 'arrow' | 'spotlight' | 'label' | 'picture' | 'inset';

export interface Point {
    x: number;
    y: number;
}

/** Where it lies, in parts of the stage's picture (the inset: of the frame): a part, or of an arrow both ends. */
export interface Placing {
    what: Placed;
    part: Rect;
    from: Point;
    to: Point;
    colour: string;
    /** How its lines look: as in the house style when nothing is said. */
    look: '' | 'plain' | 'hand-drawn';
    line: 'thin' | 'medium' | 'thick';
    /** Seconds in which it is drawn on. */
    drawn: number;
    /** Words of a label, or the name of the picture that is laid over. */
    text: string;
    /** Width against height in parts of what it lies on, where it is kept; null where it is free. */
    shape: number | null;
}

export const placedNames: Record<Placed, string> = {
    zoom: 'Zoom',
    box: 'Box',
    round: 'Oval',
    underline: 'Underline',
    arrow: 'Arrow',
    spotlight: 'Spotlight',
    label: 'Label',
    picture: 'Picture',
    inset: 'Inset',
};

export const colours = { contrast: 'Contrast', accent: 'Accent', ink: 'Ink', paper: 'Paper' };

/** Whether it is made of lines. */
export const isLined = (what: Placed): boolean => ['box', 'round', 'underline', 'arrow'].includes(what);

/** Whether it has a colour to choose. */
export const isColoured = (what: Placed): boolean => !['zoom', 'picture', 'inset'].includes(what);

export const begin = (given: Partial<Placing> & Pick<Placing, 'what'>): Placing => ({
    part: { x: 0.3, y: 0.3, width: 0.4, height: 0.4 },
    from: { x: 0.65, y: 0.7 },
    to: { x: 0.5, y: 0.5 },
    colour: given.what === 'spotlight' ? 'ink' : 'contrast',
    look: '',
    line: 'medium',
    drawn: 0,
    text: '',
    shape: given.what === 'zoom' || given.what === 'picture' ? 1 : null,
    ...given,
});

const percent = (part: number): string => String(Math.round(1000 * part) / 10);

/** Words as they can stand before options: commas and brackets are the cue's own. */
const worded = (text: string): string => text.replace(/[[\]\r\n]+/g, ' ').trim();

/** The cue that says it; places are in per cent. */
export function cueOf({ what, part, from, to, colour, text, look, line, drawn }: Placing): string {
    const { x, y, width, height } = part;
    if (what === 'zoom') {
        return writeCue('zoom', [x, y, width].map(percent).join(' '));
    }
    if (what === 'inset') {
        return writeCue('layout', `at ${[x, y, width].map(percent).join(' ')}`);
    }
    if (what === 'label') {
        return writeCue('label', `${worded(text)}, at ${[to.x, to.y].map(percent).join(' ')}, ${colour}`);
    }
    if (what === 'picture') {
        return writeCue('picture', `${worded(text)}, at ${[x, y, width].map(percent).join(' ')}`);
    }
    const places =
        what === 'arrow'
            ? [from.x, from.y, to.x, to.y]
            : what === 'underline'
              ? [x, y + height, width]
              : [x, y, width, height];
    const lined = isLined(what) ? [look, line !== 'medium' && line, drawn > 0 && `drawn in ${drawn} s`] : [];
    return writeCue(
        'emphasis',
        [`${what} ${places.map(percent).join(' ')}`, colour, ...lined].filter(Boolean).join(', '),
    );
}
