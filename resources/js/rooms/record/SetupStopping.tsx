import Form from 'react-bootstrap/Form';
import type { Setup } from '../../recorder/setup';
import type { ChangeSetup } from './useSetup';

/** When a take ends by itself, and how it goes on behind a pause. */
export function SetupStopping({ setup, onChange }: { setup: Setup; onChange: ChangeSetup }) {
    return (
        <section className="device">
            <Form.Check
                id="count-in"
                label="Count three seconds in when a pause ends"
                checked={setup.countIn}
                onChange={(event) => onChange({ countIn: event.target.checked })}
            />
            <StopAfter
                id="stop-minutes"
                label="Stop by itself after"
                value={setup.stopAfterMinutes}
                choices={[1, 2, 5, 10, 20, 45]}
                unit="minute"
                onValue={(stopAfterMinutes) => onChange({ stopAfterMinutes })}
            />
            <StopAfter
                id="stop-silence"
                label="Stop by itself when nobody has spoken for"
                value={setup.stopAfterSilence}
                choices={[15, 30, 60, 120]}
                unit="second"
                onValue={(stopAfterSilence) => onChange({ stopAfterSilence })}
            />
            <p className="soft small mb-0">
                The last ten seconds are counted on the screen. What was recorded is kept.
            </p>
        </section>
    );
}

function StopAfter({
    id,
    label,
    value,
    choices,
    unit,
    onValue,
}: {
    id: string;
    label: string;
    value: number;
    choices: number[];
    unit: string;
    onValue: (value: number) => void;
}) {
    return (
        <Form.Group controlId={id}>
            <Form.Label>{label}</Form.Label>
            <Form.Select size="sm" value={value} onChange={(event) => onValue(Number(event.target.value))}>
                <option value={0}>never</option>
                {choices.map((choice) => (
                    <option key={choice} value={choice}>
                        {choice} {choice === 1 ? unit : `${unit}s`}
                    </option>
                ))}
            </Form.Select>
        </Form.Group>
    );
}
