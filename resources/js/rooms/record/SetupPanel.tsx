import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Offcanvas from 'react-bootstrap/Offcanvas';
import type { Lesson } from '../../api/types';
import type { OwnKeys } from '../../recorder/keys';
import type { Setup } from '../../recorder/setup';
import { KeysPanel } from './KeysPanel';
import { SetupDevices } from './SetupDevices';
import { SetupFraming } from './SetupFraming';
import { SetupPrompter } from './SetupPrompter';
import { SetupStopping } from './SetupStopping';
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
                {part === 'Devices' && <SetupDevices {...props} />}
                {part === 'Framing' && <SetupFraming {...props} />}
                {part === 'Prompter' && <SetupPrompter setup={setup} onChange={onChange} />}
                {part === 'Stopping' && <SetupStopping setup={setup} onChange={onChange} />}
                {part === 'Keys' && <KeysPanel own={props.keys} onChange={props.onKeys} />}
                <p className="soft small mt-3 mb-0">
                    Remembered in this browser for {lesson.course ? `the course ${lesson.course.name}` : 'this lesson'}.
                </p>
            </Offcanvas.Body>
        </Offcanvas>
    );
}
