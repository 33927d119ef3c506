import Alert from 'react-bootstrap/Alert';
import Button from 'react-bootstrap/Button';
import { Link, useNavigate } from 'react-router';
import { api } from '../../api/client';
import { useAssembly, useExports, useLessonChange } from '../../api/lesson';
import type { Export, Lesson } from '../../api/types';
import { useLessonPlace } from '../../shell/LessonFrame';
import { roomPath } from '../../shell/paths';
import { SectionLinks } from '../../shell/SectionLinks';
import { useNotices } from '../../shell/Notices';
import { EmptyPlace } from '../../ui/EmptyPlace';
import { Icon } from '../../ui/Icon';
import { clock, day, megabytes } from '../../ui/time';
import { Waiting } from '../../ui/Waiting';
import { useCaptions } from '../captions/useCaptions';
import { CourseSite } from './CourseSite';
import { ExportProgress } from './ExportProgress';
import { FinishedExport } from './FinishedExport';

export default function HandOverRoom() {
    const { lesson } = useLessonPlace();
    const go = useNavigate();
    const { failed } = useNotices();
    const { data: plan, error } = useAssembly(lesson.id);
    const { data: exports, error: noExports } = useExports(lesson.id);
    const start = useLessonChange(lesson.id, (draft: boolean) =>
        api.post<Export>(`lessons/${lesson.id}/exports`, { draft }),
    );
    const lines = lesson.sections.reduce((sum, one) => sum + (one.card ? 0 : one.coverage.missing.length), 0);
    const exportDraft = lines > 0 && (
        <Button
            variant="quiet"
            disabled={start.isPending}
            title="A stand-in voice reads what is not recorded yet, and the picture and the name say that it is a draft."
            onClick={() => start.mutate(true, { onError: failed })}
        >
            Export a draft
        </Button>
    );
    if (!plan || !exports) {
        return (
            <Waiting room="Hand over" says="Putting the lesson together..." problem={(error ?? noExports)?.message} />
        );
    }
    const [latest, ...earlier] = exports;
    const running = latest?.state === 'waiting' || latest?.state === 'running';
    if (plan.segments.length === 0 && exports.length === 0) {
        return (
            <EmptyPlace room="Hand over" says="Nothing is kept yet, so there is nothing to hand over.">
                <Button onClick={() => go(roomPath(lesson.id, 'record'))}>Record</Button>
                {exportDraft}
            </EmptyPlace>
        );
    }
    const done = latest?.state === 'done';
    const missing = lesson.sections.filter((s) => plan.missing.includes(s.id));
    const ready = plan.rendered === plan.sections;
    return (
        <main className="room handover-room">
            <h1>Hand over</h1>
            <p className="times mb-1">
                {plan.sections} {plan.sections === 1 ? 'section' : 'sections'}, {clock(plan.length_ms)}, {lesson.width}{' '}
                x {lesson.height} at {lesson.fps} frames per second, with a chapter for each section.
            </p>
            {missing.length > 0 && (
                <p className="flag">
                    <Icon name="exclamation" />
                    <span>
                        Left out, because no take is kept: <SectionLinks lesson={lesson} sections={missing} />
                    </span>
                </p>
            )}
            <CaptionsState lesson={lesson} />
            {!running && (
                <div className="export-start">
                    <Button
                        variant={done && !latest.draft && latest.up_to_date ? 'quiet' : 'primary'}
                        disabled={start.isPending || plan.segments.length === 0}
                        onClick={() => start.mutate(false, { onError: failed })}
                    >
                        {done && !latest.draft ? 'Export again' : 'Export'}
                    </Button>
                    {exportDraft}
                    <span className="soft">
                        {done && latest.up_to_date && !latest.draft
                            ? 'The film below is up to date.'
                            : ready
                              ? 'Every section is rendered already; this takes a moment.'
                              : `${plan.rendered} of ${plan.sections} sections are rendered already.`}
                    </span>
                </div>
            )}
            {running && <ExportProgress lessonId={lesson.id} job={latest} />}
            {latest?.state === 'failed' && (
                <Alert variant="warning">
                    <Icon name="exclamation" /> {latest.problem}
                </Alert>
            )}
            {latest?.state === 'cancelled' && (
                <p className="soft">The last export was cancelled. What was rendered is kept for the next one.</p>
            )}
            {done && <FinishedExport lessonId={lesson.id} job={latest} />}
            <CourseSite lesson={lesson} latest={exports.find((one) => one.state === 'done')} />
            <Earlier exports={earlier.filter((one) => one.state === 'done')} />
        </main>
    );
}

function Earlier({ exports }: { exports: Export[] }) {
    if (exports.length === 0) {
        return null;
    }
    return (
        <section aria-labelledby="earlier" className="earlier">
            <h2 id="earlier">Earlier films</h2>
            <ul>
                {exports.map((one) => (
                    <li key={one.id} className="times">
                        <a href={`${one.file_url}?download`}>{one.file_name}</a>{' '}
                        <span className="soft">
                            {day(one.started_at)} · {clock(one.length_ms)} · {megabytes(one.bytes ?? 0)}
                        </span>
                    </li>
                ))}
            </ul>
        </section>
    );
}

/** Whether a person has read the captions. */
function CaptionsState({ lesson }: { lesson: Lesson }) {
    const { data: captions } = useCaptions(lesson.id);
    if (!captions || captions.count === 0) {
        return null;
    }
    const { count, unchecked } = captions;
    return (
        <p className="mb-1">
            {unchecked === 0 ? (
                <>
                    <Icon name="check" /> All {count} captions are checked.{' '}
                    <Link to={roomPath(lesson.id, 'captions')}>Read them again</Link>
                </>
            ) : (
                <>
                    {unchecked === count
                        ? `Nobody has read the ${count} captions yet.`
                        : `${unchecked} of ${count} captions are not checked yet.`}{' '}
                    <Link to={roomPath(lesson.id, 'captions')}>Check captions</Link>
                </>
            )}
        </p>
    );
}
