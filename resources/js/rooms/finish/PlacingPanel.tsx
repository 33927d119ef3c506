import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { NumberField } from '../../ui/NumberField';
import { drawnTo, moved } from '../../ui/part';
import { colours, isColoured, isLined, type Placing, placedNames } from './placing';

interface Props {
    placing: Placing;
    /** The words it is for, shortened. */
    says: string;
    disabled: boolean;
    onPlace: (placing: Placing) => void;
    onDone: () => void;
    onCancel: () => void;
}

/** The numbers of what is being placed on the picture, and its colour. */
export function PlacingPanel({ placing, says, disabled, onPlace, onDone, onCancel }: Props) {
    const { what, part, from, to } = placing;
    const lock = placing.shape;
    const fields: [string, number, (value: number) => Placing][] =
        what === 'label'
            ? [
                  ['Left', to.x, (x) => ({ ...placing, to: { ...to, x } })],
                  ['Top', to.y, (y) => ({ ...placing, to: { ...to, y } })],
              ]
            : what === 'arrow'
              ? [
                    ['From left', from.x, (x) => ({ ...placing, from: { ...from, x } })],
                    ['From top', from.y, (y) => ({ ...placing, from: { ...from, y } })],
                    ['To left', to.x, (x) => ({ ...placing, to: { ...to, x } })],
                    ['To top', to.y, (y) => ({ ...placing, to: { ...to, y } })],
                ]
              : [
                    ['Left', part.x, (x) => ({ ...placing, part: moved(part, x - part.x, 0) })],
                    ['Top', part.y, (y) => ({ ...placing, part: moved(part, 0, y - part.y) })],
                    [
                        'Width',
                        part.width,
                        (width) => ({
                            ...placing,
                            part: drawnTo(
                                part,
                                'se',
                                part.x + width,
                                part.y + (lock ? width / lock : part.height),
                                lock,
                            ),
                        }),
                    ],
                    ...(lock
                        ? []
                        : [
                              [
                                  'Height',
                                  part.height,
                                  (height: number) => ({
                                      ...placing,
                                      part: drawnTo(part, 'se', part.x + part.width, part.y + height, null),
                                  }),
                              ] as [string, number, (value: number) => Placing],
                          ]),
                ];
    const select = (label: string, name: 'look' | 'line' | 'drawn', options: [string | number, string][]) => (
        <Form.Group controlId={`placing-${name}`}>
            <Form.Label>{label}</Form.Label>
            <Form.Select
                size="sm"
                value={placing[name]}
                onChange={({ target }) => {
                    const chosen = options.find(([value]) => String(value) === target.value)?.[0];
                    onPlace({ ...placing, [name]: chosen });
                }}
            >
                {options.map(([value, says]) => (
                    <option key={value} value={value}>
                        {says}
                    </option>
                ))}
            </Form.Select>
        </Form.Group>
    );
    return (
        <section className="what-is-seen" aria-label={placedNames[what]}>
            <header>
                <h2>
                    {placedNames[what]}: <q>{says}</q>
                </h2>
            </header>
            <p className="soft mb-0">
                Move it on the picture, with the mouse or the arrow keys, or give its place in per cent of the picture.{' '}
                {what === 'inset' && 'The line shows what every screen shows.'}
            </p>
            <div className="placing-numbers">
                {fields.map(([name, value, change]) => (
                    <Form.Group key={name} controlId={`placing-${name}`}>
                        <Form.Label>{name}</Form.Label>
                        <NumberField
                            min={0}
                            value={Math.round(100 * value)}
                            onChange={(to100) => onPlace(change(Math.max(0, Math.min(100, to100)) / 100))}
                        />
                    </Form.Group>
                ))}
                {isColoured(what) && (
                    <Form.Group controlId="placing-colour">
                        <Form.Label>Colour</Form.Label>
                        <Form.Select
                            size="sm"
                            value={placing.colour}
                            onChange={(event) => onPlace({ ...placing, colour: event.target.value })}
                        >
                            {Object.entries(colours).map(([value, name]) => (
                                <option key={value} value={value}>
                                    {name}
                                </option>
                            ))}
                        </Form.Select>
                    </Form.Group>
                )}
                {isLined(what) && (
                    <>
                        {select('Look', 'look', [
                            ['', 'As usual'],
                            ['plain', 'Plain'],
                            ['hand-drawn', 'By hand'],
                        ])}
                        {select('Line', 'line', [
                            ['thin', 'Thin'],
                            ['medium', 'Medium'],
                            ['thick', 'Thick'],
                        ])}
                        {select('Drawn on', 'drawn', [
                            [0, 'At once'],
                            [0.4, 'In 0.4 s'],
                            [0.8, 'In 0.8 s'],
                            [1.5, 'In 1.5 s'],
                        ])}
                    </>
                )}
            </div>
            <div className="d-flex gap-2">
                <Button disabled={disabled} onClick={onDone}>
                    {what === 'zoom' ? 'Zoom to this' : what === 'inset' ? 'Put it there' : 'Show it'}
                </Button>
                <Button variant="quiet" onClick={onCancel}>
                    Cancel
                </Button>
            </div>
        </section>
    );
}
