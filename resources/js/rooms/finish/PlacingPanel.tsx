import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { NumberField } from '../../ui/NumberField';
import { colours, isColoured, isLined, type Placing, placedNames } from './placing';
import { doneWords, lineChoices, numbersOf } from './placingFields';

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
    const { what } = placing;
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
                {numbersOf(placing).map(({ name, value, set }) => (
                    <Form.Group key={name} controlId={`placing-${name}`}>
                        <Form.Label>{name}</Form.Label>
                        <NumberField
                            min={0}
                            value={Math.round(100 * value)}
                            onChange={(to100) => onPlace(set(Math.max(0, Math.min(100, to100)) / 100))}
                        />
                    </Form.Group>
                ))}
                {isColoured(what) && (
                    <Choice
                        field="colour"
                        label="Colour"
                        options={Object.entries(colours)}
                        value={placing.colour}
                        onChoose={(colour) => onPlace({ ...placing, colour: String(colour) })}
                    />
                )}
                {isLined(what) &&
                    lineChoices.map((choice) => (
                        <Choice
                            key={choice.field}
                            {...choice}
                            value={placing[choice.field]}
                            onChoose={(value) => onPlace({ ...placing, [choice.field]: value })}
                        />
                    ))}
            </div>
            <div className="d-flex gap-2">
                <Button disabled={disabled} onClick={onDone}>
                    {doneWords(what)}
                </Button>
                <Button variant="quiet" onClick={onCancel}>
                    Cancel
                </Button>
            </div>
        </section>
    );
}

function Choice({
    field,
    label,
    options,
    value,
    onChoose,
}: {
    field: string;
    label: string;
    options: [string | number, string][];
    value: string | number;
    onChoose: (value: string | number) => void;
}) {
    return (
        <Form.Group controlId={`placing-${field}`}>
            <Form.Label>{label}</Form.Label>
            <Form.Select
                size="sm"
                value={value}
                onChange={({ target }) => {
                    const chosen = options.find(([one]) => String(one) === target.value)?.[0];
                    onChoose(chosen ?? value);
                }}
            >
                {options.map(([one, says]) => (
                    <option key={one} value={one}>
                        {says}
                    </option>
                ))}
            </Form.Select>
        </Form.Group>
    );
}
