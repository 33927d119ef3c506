import { useCallback, useEffect, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { useLocation, useNavigate } from 'react-router';
import { useSlides } from '../../api/lesson';
import { refreshLesson } from '../../api/queries';
import type { Layout, Lesson, Section } from '../../api/types';
import { keyName, keysOf, rememberedKeys, rememberKeys } from '../../recorder/keys';
import { RecordingController } from '../../recorder/RecordingController';
import { isRolling } from '../../recorder/sessionStates';
import type { PrompterHost } from '../../recorder/secondWindow';
import { useLessonPlace } from '../../shell/LessonFrame';
import { roomPath } from '../../shell/paths';
import { useNotices } from '../../ui/Notices';
import { sectionState, sectionTitle } from '../../shell/sectionState';
import { EmptyPlace } from '../../ui/EmptyPlace';
import { Controls } from './Controls';
import { LeaveDialog } from './LeaveDialog';
import { MeterBar, useHeard } from './MeterBar';
import { SmallRoom, useOutOfSight } from './OutOfSight';
import { PictureRow } from './PictureRow';
import { Prompter } from '../../ui/Prompter';
import { recordKeys } from './recordKeys';
import { RoomFacts } from './RoomFacts';
import { RoomStage } from './RoomStage';
import { OtherDevices } from './OtherDevices';
import { SetupPanel } from './SetupPanel';
import { stillOf } from './still';
import { type InkChoice, useInk } from './useInk';
import { useLivePicture } from './useLivePicture';
import { useArmed } from './useArmed';
import { usePickup } from './usePickup';
import { useMediaKeys } from './useMediaKeys';
import { usePrompterPace } from './usePrompterPace';
import { useDrop } from './useDrop';
import { useFollowers } from './useFollowers';
import { useSecondPrompter } from './useSecondPrompter';
import { useSession } from './useSession';
import { useSetup } from './useSetup';
import { useSources } from './useSources';
import { useSending } from './useSending';
import { useStopping } from './useStopping';
import { useWarnings } from './useWarnings';
import { Warnings } from './Warnings';

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
    return <Room lesson={lesson} section={section} />;
}

/** How one comes to a section when the one before was finished to go on: its countdown begins by itself. */
interface Arrival {
    roll?: boolean;
}

/** Seconds counted when a pause ends, for those who want it. */
const COUNT_IN = 3;

/** Devices stay open from one section to the next; what belongs to a section begins anew with it. */
function Room({ lesson, section: whole }: { lesson: Lesson; section: Section }) {
    const go = useNavigate();
    const { section, only, leadIn } = usePickup(whole);
    const arrival = useLocation().state as Arrival | null;
    const { say, failed } = useNotices();
    const [setup, change] = useSetup(lesson);
    const [ownKeys, setOwnKeys] = useState(rememberedKeys);
    const [settingUp, setSettingUp] = useState(false);
    const [lettingIn, setLettingIn] = useState(false);
    const [controller] = useState(() => new RecordingController());
    const sources = useSources(lesson, section.id, setup, change, controller.lost);
    const { camera, microphone, screen, meter } = sources;
    const { session, ...now } = useSession({
        lessonId: lesson.id,
        sectionId: section.id,
        camera: camera?.stream,
        microphone: microphone?.stream,
        screen: screen?.stream,
        surface: screen?.surface,
        framing: setup.framing,
        area: setup.area,
        lines: only && section.lines.map(({ id }) => id),
    });
    const { data: slides } = useSlides(lesson.id);
    const host = useRef<PrompterHost | null>(null);
    const live = useLivePicture(lesson, whole, setup, sources, session, slides, only, (line) =>
        host.current?.move(line),
    );
    const ink = useInk(session);
    const [choice, setChoice] = useState<InkChoice>({ hand: 'point', colour: lesson.pens[0] ?? '', thick: false });
    const sending = useSending();
    const heard = useHeard(meter);
    const rolling = isRolling(now.state);
    const ready = !sources.opening && (camera !== null || microphone !== null || screen !== null);
    const patch = useRef<HTMLDivElement>(null);
    const flicker = useCallback((bright: boolean) => patch.current?.classList.toggle('is-bright', bright), []);
    const { plan } = live;
    const surface = plan?.surface ?? null;
    const index = lesson.sections.findIndex((s) => s.id === section.id);
    const nextSection = lesson.sections.slice(index + 1).find((s) => !s.card);

    controller.shows({
        session,
        countDown: lesson.count_down,
        countIn: setup.countIn ? COUNT_IN : 0,
        leadIn,
        picture: live,
        ink,
        hasNext: nextSection !== undefined,
        onStart: () => setSettingUp(false),
        onFinished: async () => {
            await refreshLesson(lesson.id);
            void go(roomPath(lesson.id, 'review', section.id));
        },
        onNext: () => {
            void go(roomPath(lesson.id, 'record', nextSection?.id), { state: { roll: true } satisfies Arrival });
            void refreshLesson(lesson.id);
        },
        onDropped: ({ number }) => {
            say(`Take ${number} is set aside. It can be brought back in Review.`);
            void refreshLesson(lesson.id);
        },
        say,
    });
    useArmed(session, now.state, ready, microphone);
    const begun = rolling ? now.takeId : null;
    useEffect(() => {
        if (begun) {
            controller.clean();
        }
    }, [controller, begun]);
    // A section is new: so are its lines.
    useEffect(() => controller.lines(), [controller, section.id, only]);
    useEffect(() => {
        if (arrival?.roll && ready && now.state === 'armed') {
            void go('.', { replace: true, state: null });
            void controller.start();
        }
    }, [controller, arrival, ready, now.state, go]);

    const { again, pause, resume, step, toLine } = controller;
    const start = () => void controller.start();
    const finish = () => void controller.finish();
    const goOn = () => void controller.goOn();
    const drop = useDrop(() => void controller.drop());
    const still = async () => {
        if (screen) {
            try {
                const name = await stillOf(lesson.id, screen.stream, setup.area);
                say(`The screen as it is now is a slide: ${name}.`);
                void refreshLesson(lesson.id);
            } catch (error) {
                failed(error);
            }
        }
    };
    const layout = (to: Layout) => () => live.setLayout(to);
    const hand = (to: InkChoice['hand']) => () => setChoice({ ...choice, hand: to });
    const acts = {
        record: start,
        cancel: () => void controller.cancel(),
        pause,
        finish,
        goOn,
        drop: drop.press,
        again,
        marker: () => session.marker(),
        mute: () => session.mute(true),
        next: () => step(1),
        back: () => step(-1),
        inset: layout('slide-with-inset'),
        sides: layout('side-by-side'),
        stage: layout('slide-alone'),
        camera: layout('camera-alone'),
        nextSlide: () => live.turn(1),
        backSlide: () => live.turn(-1),
        point: hand('point'),
        pen: hand('pen'),
        highlight: hand('highlighter'),
        takeBack: () => surface && ink.takeBack(surface),
        wipe: () => surface && ink.wipe(surface),
    };
    const keys = recordKeys(now.state, ownKeys, acts, () => session.mute(false));
    useMediaKeys(now.state, pause, finish);

    usePrompterPace({
        lines: section.lines,
        line: live.line,
        speed: setup.prompter.speed,
        moves: setup.prompter.pace === 'voice' && now.state === 'rolling',
        voice: microphone?.stream,
        onLine: toLine,
    });
    const stopsIn = useStopping(session, now.state === 'rolling', setup, heard.silentMs, finish);

    const title = `${index + 1}. ${sectionTitle(section, index)}${only ? ', pickup' : ''}`;
    useSecondPrompter(
        host,
        session,
        { lesson, title, lines: section.lines, line: live.line, state: now.state, countLeft: now.countLeft },
        { step, toLine },
    );

    useFollowers(session, {
        lessonId: lesson.id,
        title,
        lines: section.lines,
        line: live.line,
        state: now.state,
        countLeft: now.countLeft,
    });

    const warnings = useWarnings({
        lesson,
        setup,
        sources,
        heard,
        rolling,
        muted: now.muted,
        sending,
        plan,
        patch: flicker,
    });
    const outOfSight = useOutOfSight(
        <SmallRoom
            session={session}
            state={now.state}
            line={section.lines[live.line]}
            level={<MeterBar meter={meter} />}
            inPicture={screen?.surface === 'monitor'}
            onAgain={again}
            onResume={resume}
            onFinish={finish}
        />,
    );
    const nextNumber = section.last_take + 1;
    return (
        <main className={`record-room state-${now.state}`}>
            <h1 className="visually-hidden">
                Record section {index + 1}, {sectionTitle(section, index)}
            </h1>
            <Prompter
                lines={section.lines}
                current={live.line}
                size={setup.prompter.size}
                width={setup.prompter.width}
                mirrored={setup.prompter.mirrored}
                onLine={toLine}
            />
            <RoomFacts
                lesson={lesson}
                section={section}
                title={title}
                take={rolling ? (now.takeNumber ?? nextNumber) : nextNumber}
                rolling={rolling}
                waiting={sending.waiting}
                markers={now.markers}
                line={live.line}
                setup={setup}
                sources={sources}
                keys={keys}
                onSetup={() => setSettingUp(true)}
                onOtherDevices={() => setLettingIn(true)}
                onSmallWindow={outOfSight.open}
            />
            <RoomStage
                lesson={lesson}
                title={title}
                now={now}
                take={now.takeNumber ?? nextNumber}
                countIn={COUNT_IN}
                plan={plan}
                sources={sources}
                setup={setup}
                ink={ink}
                choice={choice}
            />
            <PictureRow
                plan={plan}
                pens={lesson.pens}
                choice={choice}
                hasInk={surface !== null && ink.on(surface).length > 0}
                canTurn={live.canTurn}
                onChoice={setChoice}
                onLayout={live.setLayout}
                onTurn={live.turn}
                onTakeBack={acts.takeBack}
                onWipe={acts.wipe}
                onStill={screen && surface === 'screen' ? () => void still() : null}
            />
            <Warnings
                notice={leadIn.says ?? now.notice}
                stopsIn={stopsIn}
                muted={now.muted}
                warnings={warnings}
                share={sources.waitsForShare && !rolling ? sources.share : null}
            />
            <Controls
                state={now.state}
                session={session}
                expectedMs={section.estimate_ms}
                dropArmed={drop.armed}
                onStart={start}
                onFinish={finish}
                onGoOn={nextSection && !only ? goOn : null}
                onPause={pause}
                onAgain={again}
                onMarker={acts.marker}
                onDrop={drop.press}
                onStep={step}
                isFirst={live.isFirst}
                isLast={live.isLast}
                keyFor={(action) => keyName(keysOf(action, ownKeys)[0] ?? '')}
            />
            <SetupPanel
                open={settingUp && !rolling && now.state !== 'counting'}
                lesson={lesson}
                setup={setup}
                sources={sources}
                keys={ownKeys}
                onChange={change}
                onKeys={(next) => {
                    setOwnKeys(next);
                    rememberKeys(next);
                }}
                onClose={() => setSettingUp(false)}
            />
            <OtherDevices
                open={lettingIn && !rolling && now.state !== 'counting'}
                onClose={() => setLettingIn(false)}
            />
            {outOfSight.portal}
            <div ref={patch} className="own-patch" aria-hidden="true" />
            <LeaveDialog state={now.state} onLeave={() => session.leave()} />
        </main>
    );
}
