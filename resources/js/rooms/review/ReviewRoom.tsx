import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { useNavigate } from 'react-router';
import { useTakes } from '../../api/lesson';
import type { Lesson, Section, Take } from '../../api/types';
import { useLessonPlace } from '../../shell/LessonFrame';
import { roomPath } from '../../shell/paths';
import { sectionState, sectionTitle } from '../../shell/sectionState';
import { EmptyPlace } from '../../ui/EmptyPlace';
import { Icon } from '../../ui/Icon';
import { about } from '../../lib/time';
import { useKeys } from '../../ui/useKeys';
import { Waiting } from '../../ui/Waiting';
import { ImportDialog } from './ImportDialog';
import { ScriptMargin } from './ScriptMargin';
import { SectionWatch } from './SectionWatch';
import { TakeDesk } from './TakeDesk';

export default function ReviewRoom() {
    const { lesson, section } = useLessonPlace();
    const go = useNavigate();
    if (!section) {
        return (
            <EmptyPlace room="Review" says="There is nothing to review yet.">
                <Button onClick={() => go(roomPath(lesson.id, 'script'))}>Write the script</Button>
            </EmptyPlace>
        );
    }
    return <Reviewing key={section.id} lesson={lesson} section={section} />;
}

/** The takes of a section, once they are read. */
function Reviewing({ lesson, section }: { lesson: Lesson; section: Section }) {
    const { data: takes, error } = useTakes(lesson.id, section.id);
    // The lesson may have heard of a new one a moment before.
    return takes && takes.some(({ number }) => number === section.last_take) === section.last_take > 0 ? (
        <ReviewingTakes lesson={lesson} section={section} takes={takes} />
    ) : (
        <Waiting room="Review" says="Opening the takes..." problem={error?.message} />
    );
}

function ReviewingTakes({ lesson, section, takes }: { lesson: Lesson; section: Section; takes: Take[] }) {
    const go = useNavigate();
    const index = lesson.sections.findIndex((s) => s.id === section.id);
    const state = sectionState(section);
    const [picked, setPicked] = useState<string | null>(null);
    const { waiting, kept } = section.progress;
    const shown = [picked, waiting, kept].flatMap((id) => takes.find((one) => one.id === id) ?? [])[0] ?? takes.at(-1);
    /** The section is played as it will be in the film, from the beginning or over the join before a line. */
    const [watched, setWatched] = useState<{ line: string | null } | null>(null);
    useKeys([
        {
            keys: ['w'],
            name: 'W',
            does: 'Watch the section as it is in the film',
            act: () => setWatched({ line: null }),
            when: section.coverage.heard,
        },
    ]);
    const step = (by: number) => {
        const at = takes.findIndex((t) => t.id === shown?.id) + by;
        const next = takes[at];
        if (next) {
            setPicked(next.id);
        }
    };
    return (
        <main className="review-room">
            <section className="review-page" aria-label="Script and takes">
                <h1>
                    {index + 1}. {sectionTitle(section, index)}
                </h1>
                <p className="soft times">
                    {takes.length === 0 ? 'No take yet' : `${takes.length} ${takes.length === 1 ? 'take' : 'takes'}`} ·{' '}
                    {state.says} · {about(section.estimate_ms)} to speak
                </p>
                {!section.card && (
                    <div className="review-acts">
                        {section.coverage.heard && (
                            <Button size="sm" variant="quiet" onClick={() => setWatched({ line: null })}>
                                <Icon name="play" /> Watch the section <kbd>W</kbd>
                            </Button>
                        )}
                        <ImportDialog lesson={lesson} section={section} onTake={setPicked} />
                    </div>
                )}
                {watched && (
                    <SectionWatch
                        lesson={lesson}
                        section={section}
                        line={watched.line}
                        onClose={() => setWatched(null)}
                    />
                )}
                <ScriptMargin lesson={lesson} section={section} takes={takes} shown={shown?.id} onShow={setPicked} />
            </section>
            {shown ? (
                <TakeDesk
                    key={shown.id}
                    lesson={lesson}
                    section={section}
                    take={shown}
                    onPicked={setPicked}
                    onStep={step}
                    onJoin={(line) => setWatched({ line })}
                />
            ) : (
                <EmptyPlace
                    says={
                        section.card
                            ? 'This section is a card: it needs no take.'
                            : 'This section has not been recorded yet.'
                    }
                >
                    {section.card ? (
                        <Button variant="quiet" onClick={() => go(roomPath(lesson.id, 'script', section.id))}>
                            See it in the script
                        </Button>
                    ) : (
                        <Button onClick={() => go(roomPath(lesson.id, 'record', section.id))}>
                            Record section {index + 1}
                        </Button>
                    )}
                </EmptyPlace>
            )}
        </main>
    );
}
