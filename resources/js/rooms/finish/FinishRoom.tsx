import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { Link, useNavigate } from 'react-router';
import { useAssembly } from '../../api/lesson';
import { fingerprint } from '../../player/plan';
import { useLessonPlace } from '../../shell/LessonFrame';
import { roomPath } from '../../shell/paths';
import { sectionTitle } from '../../shell/sectionState';
import { EmptyPlace } from '../../ui/EmptyPlace';
import { clock } from '../../ui/time';
import { Waiting } from '../../ui/Waiting';
import { SectionRow } from './SectionRow';
import { Watch } from './Watch';

export default function FinishRoom() {
    const { lesson, section } = useLessonPlace();
    const go = useNavigate();
    const [asDraft, setAsDraft] = useState(false);
    const { data: film, error } = useAssembly(lesson.id);
    const { data: draft } = useAssembly(lesson.id, asDraft);
    const plan = asDraft ? draft : film;
    if (!film || !plan) {
        return <Waiting room="Finish" says="Putting the lesson together..." problem={error?.message} />;
    }
    const missing = lesson.sections.filter((s) => film.missing.includes(s.id));
    const lines = lesson.sections.reduce((sum, one) => sum + (one.card ? 0 : one.coverage.missing.length), 0);
    return (
        <main className="room finish-room">
            <section aria-label="Sections" className="finish-list">
                <header>
                    <h1>Finish</h1>
                    <p className="soft times mb-0">
                        {lesson.sections.length - film.missing.length} of {lesson.sections.length} sections kept ·{' '}
                        {clock(plan.length_ms)}
                        {asDraft && ' with the stand-in voice'}
                    </p>
                </header>
                <ol>
                    {lesson.sections.map((one, index) => (
                        <SectionRow
                            key={one.id}
                            lesson={lesson}
                            section={one}
                            index={index}
                            segments={plan.segments.filter((s) => s.section_id === one.id)}
                        />
                    ))}
                </ol>
            </section>
            <section aria-label="Watch" className="finish-watch">
                {lines > 0 && (
                    <Form.Check
                        type="switch"
                        id="as-draft"
                        className="as-draft"
                        label={`Have a stand-in voice read the ${lines === 1 ? 'line' : `${lines} lines`} not recorded yet`}
                        checked={asDraft}
                        onChange={(event) => setAsDraft(event.target.checked)}
                    />
                )}
                {plan.unread > 0 && (
                    <p className="soft" role="status">
                        Reading {plan.unread} more {plan.unread === 1 ? 'line' : 'lines'}...
                    </p>
                )}
                {plan.segments.length === 0 ? (
                    <EmptyPlace says="Nothing is kept yet, so there is nothing to watch.">
                        <Button onClick={() => go(roomPath(lesson.id, 'record', section?.id))}>Record</Button>
                    </EmptyPlace>
                ) : (
                    <>
                        <Watch key={fingerprint(plan.segments)} plan={plan} from={section?.id} />
                        <div className="finish-next">
                            {missing.length > 0 && (
                                <p className="soft mb-0">
                                    Without a kept take, and left out of the film:{' '}
                                    {missing.map((one, index) => (
                                        <span key={one.id}>
                                            {index > 0 && ', '}
                                            <Link to={roomPath(lesson.id, 'record', one.id)}>
                                                {sectionTitle(one, lesson.sections.indexOf(one))}
                                            </Link>
                                        </span>
                                    ))}
                                    .
                                </p>
                            )}
                            <Button onClick={() => go(roomPath(lesson.id, 'handover'))}>Hand over</Button>
                        </div>
                    </>
                )}
            </section>
        </main>
    );
}
