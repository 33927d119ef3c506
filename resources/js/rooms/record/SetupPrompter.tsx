import Form from 'react-bootstrap/Form';
import type { Setup } from '../../recorder/setup';
import type { ChangeSetup } from './useSetup';

/** How the prompter looks and moves, and what is seen of the pointer. */
export function SetupPrompter({ setup, onChange }: { setup: Setup; onChange: ChangeSetup }) {
    const { prompter } = setup;
    const set = (some: Partial<Setup['prompter']>) => onChange({ prompter: { ...prompter, ...some } });
    return (
        <section className="device">
            <fieldset>
                <legend>It moves</legend>
                <Form.Check
                    type="radio"
                    id="pace-key"
                    name="pace"
                    label="By key or clicker"
                    checked={prompter.pace === 'key'}
                    onChange={() => set({ pace: 'key' })}
                />
                <Form.Check
                    type="radio"
                    id="pace-voice"
                    name="pace"
                    label="With my voice: it waits while I am silent, and the arrow keys set it right"
                    checked={prompter.pace === 'voice'}
                    onChange={() => set({ pace: 'voice' })}
                />
            </fieldset>
            <Slider
                id="prompter-size"
                label="Size"
                min={1.2}
                max={3.2}
                step={0.05}
                value={prompter.size}
                onValue={(size) => set({ size })}
            />
            <Slider
                id="prompter-width"
                label="Width"
                min={35}
                max={100}
                step={1}
                value={prompter.width}
                onValue={(width) => set({ width })}
            />
            {prompter.pace === 'voice' && (
                <Slider
                    id="prompter-speed"
                    label="Speed"
                    min={0.6}
                    max={1.6}
                    step={0.05}
                    value={prompter.speed}
                    onValue={(speed) => set({ speed })}
                />
            )}
            <Form.Check
                id="prompter-mirrored"
                label="Mirrored, for a glass in front of the camera"
                checked={prompter.mirrored}
                onChange={(event) => set({ mirrored: event.target.checked })}
            />
            <Form.Check
                id="pointer"
                label="A ring follows the pointer on the stage"
                checked={setup.pointer}
                onChange={(event) => onChange({ pointer: event.target.checked })}
            />
            <Form.Check
                id="clicks"
                label="Clicks ripple"
                checked={setup.clicks}
                onChange={(event) => onChange({ clicks: event.target.checked })}
            />
            <Form.Check
                id="click-sounds"
                label="Clicks can be heard in the film"
                checked={setup.clickSounds}
                disabled={!setup.clicks}
                onChange={(event) => onChange({ clickSounds: event.target.checked })}
            />
        </section>
    );
}

function Slider({
    id,
    label,
    onValue,
    ...range
}: {
    id: string;
    label: string;
    min: number;
    max: number;
    step: number;
    value: number;
    onValue: (value: number) => void;
}) {
    return (
        <Form.Group controlId={id}>
            <Form.Label>{label}</Form.Label>
            <Form.Range {...range} onChange={(event) => onValue(Number(event.target.value))} />
        </Form.Group>
    );
}
