import { useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { useNavigate } from 'react-router';
import type { Lesson, Section, Take } from '../../api/types';
import { roomPath } from '../../shell/paths';
import { useNotices } from '../../ui/Notices';
import { KeysDialog } from '../../ui/KeysDialog';
import type { Key } from '../../ui/useKeys';
import { Decide, VerdictMark } from './Decide';
import { HeardText } from './HeardText';
import { Markers } from './Markers';
import { TakeFlags } from './TakeFlags';
import { TakeFraming } from './TakeFraming';
import { TakePicture } from './TakePicture';
import { SoundButtons, SoundPanel, useTakeSound } from './TakeSound';
import { nextStep } from './nextStep';
import { Trim } from './Trim';
import { Listening, NotPlayable, useReadAgain } from './TakeWaits';
import { useTakePlayback } from './useTakePlayback';
import { useVerdict } from './useVerdict';

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
    const { failed } = useNotices();
    const media = useRef<HTMLVideoElement>(null);
    // The first address stays while the take is listened to: changing it would stop what is playing.
    const [mediaUrl] = useState(take.media_url);
    const playback = useTakePlayback(media, take);
    const sound = useTakeSound(lesson, take, media);
    const [soundOpen, setSoundOpen] = useState(false);
    const readAgain = useReadAgain(lesson, take);
    const playable = take.state === 'ready' || take.state === 'ingesting';

    const { standing, decide, isPending } = useVerdict(lesson, take, onPicked);
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
                        <Listening take={take} playback={playback} />
                    )}
                </>
            ) : (
                <NotPlayable lesson={lesson} take={take} />
            )}
            <Decide
                take={take}
                next={next.says}
                disabled={!playable || isPending}
                onNext={() => void go(next.to)}
                onDecide={decide}
                onAgain={again}
            />
        </section>
    );
}
