import Button from 'react-bootstrap/Button';
import type { Lesson, Section } from '../../api/types';
import { NONE } from '../../recorder/devices';
import type { Setup } from '../../recorder/setup';
import { Icon } from '../../ui/Icon';
import { KeysDialog } from '../../ui/KeysDialog';
import type { Key } from '../../ui/useKeys';
import { MeterBar } from './MeterBar';
import type { Sources } from './useSources';

interface Props {
    lesson: Lesson;
    section: Section;
    title: string;
    /** Number of the take that rolls, or comes next. */
    take: number;
    rolling: boolean;
    /** Seconds that are not on the server yet. */
    waiting: number;
    markers: number;
    /** Counted from 0. */
    line: number;
    setup: Setup;
    sources: Sources;
    keys: Key[];
    onSetup: () => void;
    onOtherDevices: () => void;
    onSmallWindow: (() => void) | null;
}

/** Beside the picture: what is recorded, from what, and whether it is safe. */
export function RoomFacts(props: Props) {
    const { lesson, section, title, take, rolling, waiting, markers, line, setup, sources, keys } = props;
    const { lists, problems } = sources;
    const name = (list: { id: string; name: string }[], id: string | undefined) =>
        list.find((device) => device.id === id)?.name ?? (lists.named ? 'no longer there' : 'the one used last');
    const device = (what: string, says: string, problem: string | undefined) => (
        <div>
            <dt>{what}</dt>
            <dd>
                {says}
                {problem && <p className="device-problem">{problem}</p>}
            </dd>
        </div>
    );
    return (
        <>
            <aside className="record-side" aria-label="Devices">
                <MeterBar meter={sources.meter} />
                <dl className="devices">
                    {device('Camera', name(lists.cameras, setup.camera), problems.camera)}
                    {device('Microphone', name(lists.microphones, setup.microphone), problems.microphone)}
                    {setup.screen !== NONE && device('Screen', name(lists.screens, setup.screen), problems.screen)}
                </dl>
                {sources.news && !rolling && <p className="device-problem">{sources.news}</p>}
                {!rolling && (
                    <Button variant="quiet" size="sm" onClick={props.onSetup}>
                        <Icon name="mic" /> Set up
                    </Button>
                )}
            </aside>
            <aside className="record-facts" aria-label="This section">
                <h2>{title}</h2>
                <p className="soft">
                    {rolling ? `Take ${take}` : `Take ${take} comes next`}
                    {rolling && section.lines.length > 0 && `, line ${line + 1} of ${section.lines.length}`}
                    {section.take_count > 0 && !rolling && `, after ${section.take_count} so far`}
                    {rolling && markers > 0 && `, ${markers} ${markers === 1 ? 'marker' : 'markers'}`}
                </p>
                <p className="soft small">
                    {rolling
                        ? waiting === 0
                            ? 'Everything you say is on the server a moment later.'
                            : `${waiting} s are kept in this browser and still on their way to the server.`
                        : sources.camera
                          ? 'You see yourself as in a mirror. The film is not mirrored.'
                          : ''}
                </p>
                <div className="room-links">
                    <KeysDialog keys={keys} />
                    <a
                        className="btn btn-quiet btn-sm"
                        href={`/lessons/${lesson.id}/prompter`}
                        target="open-reel-prompter"
                        onClick={(event) => {
                            event.preventDefault();
                            window.open(event.currentTarget.href, 'open-reel-prompter', 'popup,width=900,height=640');
                        }}
                    >
                        Second prompter
                    </a>
                    {!rolling && (
                        <Button variant="quiet" size="sm" onClick={props.onOtherDevices}>
                            Other devices
                        </Button>
                    )}
                    {props.onSmallWindow && (
                        <Button variant="quiet" size="sm" onClick={props.onSmallWindow}>
                            Small window
                        </Button>
                    )}
                </div>
            </aside>
        </>
    );
}
