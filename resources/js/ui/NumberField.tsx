import { useState } from 'react';
import Form from 'react-bootstrap/Form';

interface Props {
    value: number;
    min: number;
    onChange: (value: number) => void;
}

/** A number that counts when it is typed to its end (Enter, or on to another field), and at once when it is stepped by arrows. */
export function NumberField({ value, min, onChange }: Props) {
    const [typed, setTyped] = useState<string | null>(null);
    const settle = (text: string | null) => {
        setTyped(null);
        const number = Number.parseInt(text ?? '', 10);
        if (Number.isFinite(number) && number !== value) {
            onChange(number);
        }
    };
    return (
        <Form.Control
            size="sm"
            type="number"
            min={min}
            value={typed ?? value}
            onChange={(event) => {
                // Steps, by keys or the mouse, come without a kind of input.
                const isTyped = (event.nativeEvent as InputEvent).inputType !== undefined;
                if (isTyped) {
                    setTyped(event.target.value);
                } else {
                    settle(event.target.value);
                }
            }}
            onBlur={() => settle(typed)}
            onKeyDown={(event) => {
                if (event.key === 'Enter') {
                    settle(typed);
                } else if (event.key === 'Escape' && typed !== null) {
                    event.stopPropagation();
                    setTyped(null);
                }
            }}
        />
    );
}
