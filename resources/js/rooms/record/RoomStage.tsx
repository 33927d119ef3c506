import type { Lesson, LinePicture } from '../../api/types';
import type { SessionSnapshot } from '../../recorder/session';
import type { Setup } from '../../recorder/setup';
import { Drawing } from './Drawing';
import { Slate } from './Slate';
import { Stage } from './Stage';
import type { Ink, InkChoice } from './useInk';
import type { Sources } from './useSources';

interface Props {
    lesson: Lesson;
    /** The section, as it is called in the room. */
    title: string;
    now: SessionSnapshot;
    /** Number of the take at hand. */
    take: number;
    /** Seconds counted when a pause ends. */
    countIn: number;
    /** What is seen at the place where one is; undefined as long as it is not known. */
    plan: LinePicture | undefined;
    sources: Sources;
    setup: Setup;
    ink: Ink;
    choice: InkChoice;
}

const withoutMarks = (plan: LinePicture): LinePicture => ({
    ...plan,
    layers: plan.layers.filter((layer) => layer.shows !== 'marks'),
});

/** The picture as it will be seen, what is drawn over it, and the slate while one counts down. */
export function RoomStage({ lesson, title, now, take, countIn, plan, sources, setup, ink, choice }: Props) {
    const surface = plan?.surface ?? null;
    const isCounting = now.state === 'counting';
    return (
        <div className="record-stage">
            {plan && (
                <Stage
                    plan={surface && ink.isWiped(surface) ? withoutMarks(plan) : plan}
                    camera={sources.camera?.stream}
                    screen={sources.screen?.stream}
                    rolls={now.state === 'rolling' || now.state === 'paused' ? now.state : 'ready'}
                    sheet={
                        plan.stage &&
                        surface && (
                            <Drawing
                                key={surface}
                                stage={plan.stage}
                                surface={surface}
                                ink={ink}
                                choice={choice}
                                accent={lesson.pens[1] ?? ''}
                                pointer={setup.pointer}
                                clicks={setup.clicks}
                                clickSounds={setup.clickSounds}
                            />
                        )
                    }
                />
            )}
            {(isCounting || (now.state === 'paused' && now.countLeft > 0)) && (
                <Slate
                    lesson={lesson.title}
                    section={title}
                    take={take}
                    left={now.countLeft}
                    of={isCounting ? lesson.count_down : countIn}
                />
            )}
        </div>
    );
}
