import { drawnTo, moved } from '../../ui/part';
import type { Placed, Placing } from './placing';

/** A number that says where something lies. */
export interface PlacedNumber {
    name: string;
    /** Part of the picture, 0..1. */
    value: number;
    set: (value: number) => Placing;
}

/** The numbers of what is being placed, in the order in which they are asked for. */
export function numbersOf(placing: Placing): PlacedNumber[] {
    const { what, part, shape } = placing;
    const at = (end: 'from' | 'to', names: [string, string]): PlacedNumber[] =>
        (['x', 'y'] as const).map((way, n) => ({
            name: names[n] ?? way,
            value: placing[end][way],
            set: (value) => ({ ...placing, [end]: { ...placing[end], [way]: value } }),
        }));
    if (what === 'label') {
        return at('to', ['Left', 'Top']);
    }
    if (what === 'arrow') {
        return [...at('from', ['From left', 'From top']), ...at('to', ['To left', 'To top'])];
    }
    const reaching = (x: number, y: number): Placing => ({ ...placing, part: drawnTo(part, 'se', x, y, shape) });
    return [
        { name: 'Left', value: part.x, set: (x) => ({ ...placing, part: moved(part, x - part.x, 0) }) },
        { name: 'Top', value: part.y, set: (y) => ({ ...placing, part: moved(part, 0, y - part.y) }) },
        {
            name: 'Width',
            value: part.width,
            set: (width) => reaching(part.x + width, part.y + (shape ? width / shape : part.height)),
        },
        // What keeps its shape is as high as its width says.
        ...(shape
            ? []
            : [
                  {
                      name: 'Height',
                      value: part.height,
                      set: (height: number) => reaching(part.x + part.width, part.y + height),
                  },
              ]),
    ];
}

/** One of the choices of how lines look. */
export interface LineChoice {
    field: 'look' | 'line' | 'drawn';
    label: string;
    options: [string | number, string][];
}

export const lineChoices: LineChoice[] = [
    {
        field: 'look',
        label: 'Look',
        options: [
            ['', 'As usual'],
            ['plain', 'Plain'],
            ['hand-drawn', 'By hand'],
        ],
    },
    {
        field: 'line',
        label: 'Line',
        options: [
            ['thin', 'Thin'],
            ['medium', 'Medium'],
            ['thick', 'Thick'],
        ],
    },
    {
        field: 'drawn',
        label: 'Drawn on',
        options: [
            [0, 'At once'],
            [0.4, 'In 0.4 s'],
            [0.8, 'In 0.8 s'],
            [1.5, 'In 1.5 s'],
        ],
    },
];

/** What the button says that puts it into the film. */
export const doneWords = (what: Placed): string =>
    what === 'zoom' ? 'Zoom to this' : what === 'inset' ? 'Put it there' : 'Show it';
