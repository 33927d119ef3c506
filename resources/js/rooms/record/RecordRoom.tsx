import { useCallback, useEffect, useRef, useSyncExternalStore } from 'react';
import Alert from 'react-bootstrap/Alert';
import Button from 'react-bootstrap/Button';
import { useNavigate } from 'react-router';
import { useSectionPicture } from '../../api/lesson';
import { refreshLesson } from '../../api/queries';
import type { Lesson, Section } from '../../api/types';
import { outbox } from '../../recorder/outbox';
import { useLessonPlace } from '../../shell/LessonFrame';
import { roomPath } from '../../shell/paths';
import { useNotices } from '../../shell/Notices';
import { sectionState, sectionTitle } from '../../shell/sectionState';
import { EmptyPlace } from '../../ui/EmptyPlace';
import { Icon } from '../../ui/Icon';
import { KeysDialog } from '../../ui/KeysDialog';
import { Controls } from './Controls';
import { DevicePanel } from './DevicePanel';
import { LeaveDialog } from './LeaveDialog';
import { MeterBar, useMeter } from './MeterBar';
import { Prompter } from './Prompter';
import { recordKeys } from './recordKeys';
import { Slate } from './Slate';
import { Stage } from './Stage';
import { useDevices } from './useDevices';
import { useDrop } from './useDrop';
import { useSession } from './useSession';

const SILENT_WARNING_MS = 8000;

export default function RecordRoom() {
    const { lesson, section } = useLessonPlace();
    const go = useNavigate();
    if (!section) {
        return (
            <EmptyPlace room="Record" says="There is no section to record yet.">
                <Button onClick={() => go(roomPath(lesson.id, 'script'))}>Write the script</Button>
            </EmptyPlace>
        );
    }
    if (section.card) {
        const next = lesson.sections.find((s) => sectionState(s).fill === 'hollow');
        return (
            <EmptyPlace room="Record" says="This section is a card: nobody speaks here, and it needs no take.">
                <Button onClick={() => go(roomPath(lesson.id, next ? 'record' : 'finish', next?.id))}>
                    {next ? `Record section ${lesson.sections.indexOf(next) + 1}` : 'Finish'}
                </Button>
            </EmptyPlace>
        );
    }
    return <Recording key={section.id} lesson={lesson} section={section} />;
}

function Recording({ lesson, section }: { lesson: Lesson; section: Section }) {
    const go = useNavigate();
    const { say } = useNotices();
    const lost = useRef<(kind: string) => void>(() => {});
    const devices = useDevices(lesson, section.id, (kind) => lost.current(kind));
    const { camera, microphone, meter } = devices;
    const { session, ...now } = useSession({
        lessonId: lesson.id,
        sectionId: section.id,
        camera: camera?.stream,
        microphone: microphone?.stream,
    });
    const sending = useSyncExternalStore(outbox.subscribe, outbox.snapshot);
    const heard = useMeter(meter);
    const rolling = now.state === 'rolling' || now.state === 'paused';
    const ready = !devices.opening && (camera !== null || microphone !== null);

    useEffect(() => {
        if (ready) {
            session.arm();
        } else {
            session.disarm();
        }
    }, [session, ready, now.state]);

    // The stand-in voice starts with the take, and holds its breath with it.
    useEffect(() => {
        if (now.state === 'rolling') {
            microphone?.go?.();
        } else if (now.state === 'paused') {
            microphone?.hold?.();
        }
    }, [now.state, microphone]);
    useEffect(() => {
        if (rolling) {
            microphone?.begin?.();
        } else {
            microphone?.rehearse?.();
        }
    }, [rolling, microphone]);

    const start = useCallback(() => void session.start(lesson.count_down), [session, lesson.count_down]);
    const finish = useCallback(async () => {
        const take = await session.finish();
        if (take) {
            await refreshLesson(lesson.id);
            void go(roomPath(lesson.id, 'review', section.id));
        }
    }, [session, lesson.id, section.id, go]);
    lost.current = (kind) => {
        if (rolling) {
            say(`The ${kind} was unplugged. The take was finished; everything up to then is safe.`);
            void finish();
        } else {
            // The devices' own place says what to do.
            void session.cancel();
        }
    };
    const drop = useDrop(async () => {
        const take = await session.finish(true);
        if (take) {
            say(`Take ${take.number} is set aside. It can be brought back in Review.`);
            void refreshLesson(lesson.id);
            start();
        }
    });
    const lines = section.lines.length;
    const step = (by: number) => session.toLine(Math.max(0, Math.min(lines - 1, now.line + by)));
    const keys = recordKeys({
        state: now.state,
        start,
        cancel: () => void session.cancel(),
        pause: () => session.pause(),
        resume: () => session.resume(),
        finish: () => void finish(),
        drop: drop.press,
        step,
    });

    const size = camera?.stream.getVideoTracks()[0]?.getSettings();
    const { data: plans } = useSectionPicture(section, lesson.revision, size ?? null);
    // The picture follows the prompter, as the film will follow the words.
    const plan = plans?.findLast((one) => one.from_line <= now.line + 1) ?? plans?.[0];
    const silent = rolling && microphone !== null && heard.silentMs > SILENT_WARNING_MS;
    const warning =
        (silent &&
            `The microphone went silent ${Math.round(heard.silentMs / 1000)} s ago. ` +
                'The take is still rolling. Check the plug.') ||
        now.notice ||
        (sending.trouble &&
            `${sending.trouble} What you record is kept in this browser and sent as soon as it can be.`) ||
        (microphone === null &&
            !devices.problems.microphone &&
            devices.chosen.microphone === 'none' &&
            'No microphone is chosen: nobody will hear you.') ||
        null;
    const index = lesson.sections.findIndex((s) => s.id === section.id);
    const nextNumber = Math.max(0, ...section.takes.map((take) => take.number)) + 1;

    return (
        <main className={`record-room state-${now.state}`}>
            <h1 className="visually-hidden">
                Record section {index + 1}, {sectionTitle(section, index)}
            </h1>
            <Prompter lines={section.lines} current={now.line} onLine={(line) => session.toLine(line)} />
            <aside className="record-side" aria-label="Devices">
                <DevicePanel devices={devices} locked={now.state !== 'idle' && now.state !== 'armed'} />
                <MeterBar meter={heard} off={microphone === null} />
            </aside>
            <div className="record-stage">
                {plan && <Stage plan={plan} camera={camera?.stream} />}
                {now.state === 'counting' && (
                    <Slate
                        lesson={lesson.title}
                        section={`${index + 1}. ${sectionTitle(section, index)}`}
                        take={now.takeNumber ?? nextNumber}
                        left={now.countLeft}
                        of={lesson.count_down}
                    />
                )}
            </div>
            <aside className="record-facts" aria-label="This section">
                <h2>
                    {index + 1}. {sectionTitle(section, index)}
                </h2>
                <p className="soft">
                    {rolling ? `Take ${now.takeNumber}` : `Take ${nextNumber} comes next`}
                    {section.takes.length > 0 && !rolling && `, after ${section.takes.length} so far`}
                </p>
                <p className="soft small">
                    {rolling
                        ? sending.waiting <= 2
                            ? 'Everything you say is on the server a moment later.'
                            : `${sending.waiting} s are kept in this browser and still on their way to the server.`
                        : camera
                          ? 'You see yourself as in a mirror. The film is not mirrored.'
                          : ''}
                </p>
                <KeysDialog keys={keys} />
            </aside>
            <div className="record-warning" role="status" aria-live="assertive">
                {warning && (
                    <Alert variant="warning" className="mb-0">
                        <Icon name="exclamation" /> {warning}
                    </Alert>
                )}
            </div>
            <Controls
                state={now.state}
                session={session}
                expectedMs={section.estimate_ms}
                dropArmed={drop.armed}
                onStart={start}
                onFinish={() => void finish()}
                onDrop={drop.press}
                onStep={step}
                lines={lines}
                line={now.line}
            />
            <LeaveDialog state={now.state} onLeave={() => session.leave()} />
        </main>
    );
}
