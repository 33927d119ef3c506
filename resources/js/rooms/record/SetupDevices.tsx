import type { ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { Lesson } from '../../api/types';
import { ASK, type DeviceChoice, NONE } from '../../recorder/devices';
import type { Setup } from '../../recorder/setup';
import { MeterBar } from './MeterBar';
import { SoundTest } from './SoundTest';
import { sizeOf } from './streamSize';
import type { ChangeSetup } from './useSetup';
import type { Sources } from './useSources';

interface Props {
    lesson: Lesson;
    setup: Setup;
    sources: Sources;
    onChange: ChangeSetup;
}

/** What is recorded from. */
export function SetupDevices({ lesson, setup, sources, onChange }: Props) {
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
                onChoose={(id) => onChange({ camera: id, cameraName: undefined })}
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
                onChoose={(id) => onChange({ microphone: id, microphoneName: undefined })}
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
