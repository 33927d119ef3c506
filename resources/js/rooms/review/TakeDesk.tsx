import { useRef, useState } from 'react';
import Alert from 'react-bootstrap/Alert';
import Button from 'react-bootstrap/Button';
import Spinner from 'react-bootstrap/Spinner';
import { useNavigate } from 'react-router';
import { api } from '../../api/client';
import { giveVerdict, undoVerdict, useLessonChange } from '../../api/lesson';
import type { Lesson, Section, Take, Verdict, VerdictGiven } from '../../api/types';
import { roomPath } from '../../shell/paths';
import { useNotices } from '../../ui/Notices';
import { Icon } from '../../ui/Icon';
import { KeysDialog } from '../../ui/KeysDialog';
import type { Key } from '../../ui/useKeys';
import { HeardText } from './HeardText';
import { Markers } from './Markers';
import { TakeFlags } from './TakeFlags';
import { TakeFraming } from './TakeFraming';
import { TakePicture } from './TakePicture';
import { SoundButtons, SoundPanel, useTakeSound } from './TakeSound';
import { nextStep } from './nextStep';
import { Trim } from './Trim';
import { useTakePlayback } from './useTakePlayback';

interface Props {
    lesson: Lesson;
    section: Section;
    take: Take;
    onPicked: (take: string) => void;
    onStep: (by: number) => void;
    /** Plays the section from a line on, as the film will have it. */
    onJoin: (line: string | null) => void;
}

/** The take in hand: play it, see its sound, decide. */
export function TakeDesk({ lesson, section, take, onPicked, onStep, onJoin }: Props) {
    const go = useNavigate();
    const { say, failed } = useNotices();
    const media = useRef<HTMLVideoElement>(null);
    // The first address stays while the take is listened to: changing it would stop what is playing.
    const [mediaUrl] = useState(take.media_url);
    const playback = useTakePlayback(media, take);
    const sound = useTakeSound(lesson, take, media);
    const [soundOpen, setSoundOpen] = useState(false);
    const verdict = useLessonChange(lesson.id, (to: Verdict) => giveVerdict(take.id, to));
    const asArrived = useLessonChange(lesson.id, () => api.post(`takes/${take.id}/finish`, { as_arrived: true }));
    const readAgain = useLessonChange(lesson.id, () => api.post(`takes/${take.id}/read-again`));
    const playable = take.state === 'ready' || take.state === 'ingesting';

    // A verdict counts from the key on, not only when the server has answered.
    const standing = verdict.isPending ? verdict.variables : take.verdict;
    const decide = (to: Verdict) => {
        if (to === standing) {
            return;
        }
        onPicked(take.id);
        const undo = async (given: VerdictGiven) => {
            await undoVerdict(lesson.id, given.undo);
            verdict.reset();
            refresh.mutate();
        };
        const says = {
            kept: `Take ${take.number} is kept.`,
            discarded: `Take ${take.number} is set aside.`,
            undecided: `Take ${take.number} is undecided again.`,
        };
        verdict.mutate(to, {
            onSuccess: (given) => {
                const wrote = given.wrote.length > 0 ? ` Written into the script: ${given.wrote.join(', ')}.` : '';
                say(says[to] + wrote, () => void undo(given).catch(failed));
            },
            onError: failed,
        });
    };
    const refresh = useLessonChange(lesson.id, () => Promise.resolve());
    const again = () => go(roomPath(lesson.id, 'record', section.id));
    const next = nextStep(lesson, section);
    const keys: Key[] = [
        { keys: [' ', 'p'], name: 'Space or P', does: 'Play or pause', act: playback.toggle, when: playable },
        { keys: ['k'], name: 'K', does: 'Keep this take', act: () => decide('kept'), when: playable },
        {
            keys: ['d'],
            name: 'D',
            does: 'Discard this take; it can be put back',
            act: () => decide(standing === 'discarded' ? 'undecided' : 'discarded'),
        },
        { keys: ['g'], name: 'G', does: 'Go again: record another take', act: again },
        { keys: ['ArrowLeft', 'ArrowUp'], name: '← or ↑', does: 'Previous take', act: () => onStep(-1) },
        { keys: ['ArrowRight', 'ArrowDown'], name: '→ or ↓', does: 'Next take', act: () => onStep(1) },
        { keys: ['n'], name: 'N', does: 'Next step', act: () => void go(next.to), when: take.verdict === 'kept' },
    ];

    return (
        <section className="take-desk" aria-label={`Take ${take.number}`}>
            <header>
                <h2>Take {take.number}</h2>
                <VerdictMark verdict={take.verdict} />
                {take.recording_kept && take.state === 'ready' && (
                    <Button
                        variant="quiet"
                        size="sm"
                        disabled={readAgain.isPending}
                        title="Listens to this take anew, from what came from the recorder. Your choices stay."
                        onClick={() => readAgain.mutate(undefined, { onError: failed })}
                    >
                        Read again
                    </Button>
                )}
                {playable && (take.camera || take.screen) && <TakeFraming lesson={lesson} take={take} url={mediaUrl} />}
                {take.state === 'ready' && take.loudness !== null && (
                    <SoundButtons sound={sound} open={soundOpen} onOpen={() => setSoundOpen(!soundOpen)} />
                )}
                <KeysDialog keys={keys} />
            </header>
            {playable ? (
                <>
                    <TakePicture lesson={lesson} section={section} take={take} media={media} url={mediaUrl} />
                    <TakeFlags
                        section={section}
                        take={take}
                        cleaning={sound.cleaning}
                        playback={playback}
                        onJoin={onJoin}
                    />
                    <Markers lesson={lesson} take={take} media={media} />
                    {take.state === 'ready' ? (
                        <>
                            <Trim lesson={lesson} take={take} media={media} playback={playback} />
                            {soundOpen ? (
                                <SoundPanel lesson={lesson} take={take} sound={sound} />
                            ) : (
                                <HeardText lesson={lesson} take={take} media={media} />
                            )}
                        </>
                    ) : (
                        <div className="listening">
                            <Button variant="quiet" onClick={playback.toggle}>
                                <Icon name={playback.playing ? 'pause' : 'play'} />{' '}
                                {playback.playing ? 'Pause' : 'Play'}
                            </Button>
                            <span className="soft">
                                {take.problem ? (
                                    <>
                                        <Icon name="exclamation" /> {take.problem} The recording is safe, and is read
                                        again by itself.
                                    </>
                                ) : (
                                    <>
                                        <Spinner size="sm" aria-hidden="true" /> Listening to the take. You can play it
                                        already.
                                    </>
                                )}
                            </span>
                        </div>
                    )}
                </>
            ) : (
                <Alert variant="warning">
                    <Icon name="exclamation" />{' '}
                    {take.problem ??
                        (take.cut_off
                            ? 'This take was cut off while recording. What had arrived is safe.'
                            : 'This take is being recorded, or is still on its way from the browser that recorded it.')}
                    {take.state === 'unusable' && take.recording_kept && (
                        <p className="mt-2 mb-0">
                            <Button
                                size="sm"
                                disabled={readAgain.isPending}
                                onClick={() => readAgain.mutate(undefined, { onError: failed })}
                            >
                                Read again
                            </Button>
                        </p>
                    )}
                    {take.cut_off && (
                        <p className="mt-2 mb-0">
                            <Button size="sm" onClick={() => asArrived.mutate(undefined, { onError: failed })}>
                                Use what arrived
                            </Button>
                        </p>
                    )}
                </Alert>
            )}
            <div className="decide">
                {take.verdict === 'kept' ? (
                    <Button onClick={() => go(next.to)}>
                        {next.says} <kbd>N</kbd>
                    </Button>
                ) : (
                    <Button onClick={() => decide('kept')} disabled={!playable || verdict.isPending}>
                        <Icon name="check" /> Keep <kbd>K</kbd>
                    </Button>
                )}
                <Button variant="quiet" onClick={again}>
                    <Icon name="arrowCounter" /> Go again <kbd>G</kbd>
                </Button>
                {take.verdict === 'discarded' ? (
                    <Button variant="quiet" onClick={() => decide('undecided')}>
                        Put back <kbd>D</kbd>
                    </Button>
                ) : (
                    <Button variant="quiet" onClick={() => decide('discarded')}>
                        <Icon name="cross" /> Discard <kbd>D</kbd>
                    </Button>
                )}
            </div>
        </section>
    );
}

function VerdictMark({ verdict }: { verdict: Verdict }) {
    const words = { kept: 'Kept', undecided: 'Undecided', discarded: 'Set aside' };
    return (
        <span className={`verdict-mark is-${verdict}`} role="status">
            {verdict === 'kept' && <Icon name="check" />}
            {verdict === 'discarded' && <Icon name="cross" />} {words[verdict]}
        </span>
    );
}
