import { type ReactNode, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import Offcanvas from 'react-bootstrap/Offcanvas';
import type { Lesson } from '../../api/types';
import { ASK, type DeviceChoice, NONE } from '../../recorder/devices';
import type { OwnKeys } from '../../recorder/keys';
import { type Setup } from '../../recorder/setup';
import { KeysPanel } from './KeysPanel';
import { Live } from './Live';
import { MeterBar } from './MeterBar';
import { PartEditor } from '../../ui/PartEditor';
import { SoundTest } from './SoundTest';
import type { ChangeSetup } from './useSetup';
import type { Sources } from './useSources';

interface Props {
    open: boolean;
    lesson: Lesson;
    setup: Setup;
    sources: Sources;
    keys: OwnKeys;
    onChange: ChangeSetup;
    onKeys: (keys: OwnKeys) => void;
    onClose: () => void;
}

const parts = ['Devices', 'Framing', 'Prompter', 'Stopping', 'Keys'] as const;
type Part = (typeof parts)[number];

/** The one place where everything is chosen before recording. It is remembered for the course, in this browser. */
export function SetupPanel({ open, onClose, ...props }: Props) {
    const [part, setPart] = useState<Part>('Devices');
    const { lesson, setup, onChange } = props;
    return (
        <Offcanvas show={open} onHide={onClose} placement="end" className="setup-panel" aria-labelledby="setup-title">
            <Offcanvas.Header closeButton>
                <Offcanvas.Title id="setup-title" as="h2" className="h5">
                    Set up
                </Offcanvas.Title>
                <div className="choice" role="group" aria-label="Part of the set-up">
                    {parts.map((one) => (
                        <Button
                            key={one}
                            size="sm"
                            variant="quiet"
                            aria-pressed={part === one}
                            onClick={() => setPart(one)}
                        >
                            {one}
                        </Button>
                    ))}
                </div>
            </Offcanvas.Header>
            <Offcanvas.Body>
                {part === 'Devices' && <Devices {...props} />}
                {part === 'Framing' && <Framing {...props} />}
                {part === 'Prompter' && <PrompterPart setup={setup} onChange={onChange} />}
                {part === 'Stopping' && <Stopping setup={setup} onChange={onChange} />}
                {part === 'Keys' && <KeysPanel own={props.keys} onChange={props.onKeys} />}
                <p className="soft small mt-3 mb-0">
                    Remembered in this browser for {lesson.course ? `the course ${lesson.course.name}` : 'this lesson'}.
                </p>
            </Offcanvas.Body>
        </Offcanvas>
    );
}

function Device({
    id,
    name,
    list,
    value,
    problem,
    named,
    children,
    onChoose,
}: {
    id: string;
    name: string;
    list: DeviceChoice[];
    value: string | undefined;
    problem: string | undefined;
    /** Whether the browser says which devices there are. */
    named: boolean;
    children?: ReactNode;
    onChoose: (id: string) => void;
}) {
    const isMissing = value !== undefined && list.length > 0 && !list.some((device) => device.id === value);
    return (
        <section className="device">
            <Form.Group controlId={id}>
                <Form.Label>{name}</Form.Label>
                <Form.Select size="sm" value={value ?? ''} onChange={(event) => onChoose(event.target.value)}>
                    {isMissing && (
                        <option value={value}>
                            {named ? 'The one used last: no longer there' : 'The one used last'}
                        </option>
                    )}
                    {list.map((device) => (
                        <option key={device.id} value={device.id}>
                            {device.name}
                        </option>
                    ))}
                </Form.Select>
            </Form.Group>
            {problem && <p className="device-problem">{problem}</p>}
            {children}
        </section>
    );
}

const sizeOf = (stream: MediaStream | undefined) => {
    const { width = 0, height = 0 } = stream?.getVideoTracks()[0]?.getSettings() ?? {};
    return width > 0 && height > 0 ? { width, height } : null;
};

function Devices({ lesson, setup, sources, onChange }: Omit<Props, 'open' | 'onClose'>) {
    const { lists, problems } = sources;
    const camera = sizeOf(sources.camera?.stream);
    const screen = sizeOf(sources.screen?.stream);
    return (
        <>
            {sources.news && <p className="device-problem">{sources.news}</p>}
            <Device
                id="camera"
                name="Camera"
                list={lists.cameras}
                value={setup.camera}
                problem={problems.camera}
                named={lists.named}
                onChoose={(id) => onChange({ camera: id })}
            >
                {camera && (
                    <p className="soft small mb-0">
                        {camera.width} × {camera.height}, for a frame of {lesson.width} × {lesson.height} at{' '}
                        {lesson.fps} a second
                    </p>
                )}
            </Device>
            <Device
                id="microphone"
                name="Microphone"
                list={lists.microphones}
                value={setup.microphone}
                problem={problems.microphone}
                named={lists.named}
                onChoose={(id) => onChange({ microphone: id })}
            >
                <MeterBar meter={sources.meter} />
                <SoundTest microphone={sources.microphone?.stream} busy={false} />
            </Device>
            <Device
                id="screen"
                name="Screen"
                list={lists.screens}
                value={setup.screen}
                problem={problems.screen}
                named={lists.named}
                onChoose={(id) => onChange({ screen: id, area: null })}
            >
                {setup.screen !== NONE && (
                    <Form.Check
                        id="computer"
                        label="With the computer's sound"
                        checked={setup.computer}
                        onChange={(event) => onChange({ computer: event.target.checked })}
                    />
                )}
                {setup.screen === ASK && (
                    <Button size="sm" variant={sources.waitsForShare ? 'primary' : 'quiet'} onClick={sources.share}>
                        {sources.screen ? 'Share another' : 'Share a screen'}
                    </Button>
                )}
                {screen && (
                    <p className="soft small mb-0">
                        {screen.width} × {screen.height}
                        {setup.computer &&
                            sources.screen?.stream.getAudioTracks().length === 0 &&
                            (sources.screen.namesSurface !== false
                                ? '. This one gives no sound: share a tab for that.'
                                : '. This browser gives no sound with what is shared. Chromium does, of tabs.')}
                    </p>
                )}
            </Device>
        </>
    );
}

function Framing({ lesson, setup, sources, onChange }: Omit<Props, 'open' | 'onClose'>) {
    const camera = sizeOf(sources.camera?.stream);
    const screen = sizeOf(sources.screen?.stream);
    return (
        <>
            {!camera && !screen && <p>Choose a camera or a screen first; then say which part of it is shown.</p>}
            {camera && sources.camera && (
                <section className="device">
                    <h3 className="h6">Camera</h3>
                    <p className="soft small">
                        The recording keeps the whole picture, so this can be changed later too. You see yourself as in
                        a mirror.
                    </p>
                    <PartEditor
                        of="camera"
                        picture={<Live stream={sources.camera.stream} />}
                        source={camera}
                        frame={lesson}
                        part={setup.framing}
                        locked
                        mirrored
                        onPart={(framing) => onChange({ framing })}
                    />
                </section>
            )}
            {screen && sources.screen && (
                <section className="device">
                    <h3 className="h6">Screen</h3>
                    <PartEditor
                        of="screen"
                        picture={<Live stream={sources.screen.stream} />}
                        source={screen}
                        frame={lesson}
                        part={setup.area}
                        locked={setup.areaLocked}
                        onPart={(area) => onChange({ area })}
                        onLocked={(areaLocked) => onChange({ areaLocked })}
                    />
                    {screen.width * (setup.area?.width ?? 1) < lesson.width && (
                        <p className="device-problem">
                            Will look soft: {Math.round(screen.width * (setup.area?.width ?? 1))} wide for a{' '}
                            {lesson.width} frame.
                        </p>
                    )}
                </section>
            )}
        </>
    );
}

function PrompterPart({ setup, onChange }: { setup: Setup; onChange: ChangeSetup }) {
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

function Stopping({ setup, onChange }: { setup: Setup; onChange: ChangeSetup }) {
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
