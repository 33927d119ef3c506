import Alert from 'react-bootstrap/Alert';
import Button from 'react-bootstrap/Button';
import { Link, useNavigate } from 'react-router';
import { isOpen, useAssemblyRendered, useExports } from '../../api/lesson';
import type { Export, Lesson } from '../../api/types';
import { useLessonPlace } from '../../shell/LessonFrame';
import { roomPath } from '../../shell/paths';
import { SectionLinks } from '../../shell/SectionLinks';
import { withoutFilm } from '../../shell/sectionState';
import { EmptyPlace } from '../../ui/EmptyPlace';
import { Icon } from '../../ui/Icon';
import { clock, day, megabytes } from '../../lib/time';
import { Waiting } from '../../ui/Waiting';
import { useCaptions } from '../../ui/watch/useCaptions';
import { CourseSite } from './CourseSite';
import { DraftButton } from './DraftButton';
import { says } from './presets';
import { ExportChoice } from './ExportChoice';
import { ExportProgress } from './ExportProgress';
import { FinishedExport } from './FinishedExport';
import { SiteFolder } from './SiteFolder';

export default function ExportRoom() {
    const { lesson } = useLessonPlace();
    const go = useNavigate();
    const { data: plan, error } = useAssemblyRendered(lesson.id);
    const { data: exports, error: noExports } = useExports(lesson.id);
    const lines = lesson.sections.reduce((sum, one) => sum + (one.card ? 0 : one.coverage.missing.length), 0);
    if (!plan || !exports) {
        return (
            <Waiting room="Hand over" says="Putting the lesson together..." problem={(error ?? noExports)?.message} />
        );
    }
    const running = exports.filter(isOpen);
    const films = exports.filter((one) => one.state === 'done');
    const latest = newest(films);
    // A section by itself is not published.
    const whole = latest?.edition.section === null ? latest : undefined;
    const last = exports.find((one) => !isOpen(one));
    const { unkept, reading } = withoutFilm(lesson.sections, plan.missing);
    if (plan.segments.length === 0 && exports.length === 0 && reading.length === 0) {
        return (
            <EmptyPlace room="Hand over" says="Nothing is kept yet, so there is nothing to hand over.">
                <Button onClick={() => go(roomPath(lesson.id, 'record'))}>Record</Button>
                {lines > 0 && <DraftButton lessonId={lesson.id} />}
            </EmptyPlace>
        );
    }
    return (
        <main className="room handover-room">
            <h1>Hand over</h1>
            <p className="times mb-1">
                {plan.sections} {plan.sections === 1 ? 'section' : 'sections'}, {clock(plan.length_ms)}, {lesson.width}{' '}
                x {lesson.height} at {lesson.fps} frames per second, with a chapter for each section.
            </p>
            {unkept.length > 0 && (
                <p className="flag">
                    <Icon name="exclamation" />
                    <span>
                        Left out, because no take is kept: <SectionLinks lesson={lesson} sections={unkept} />
                    </span>
                </p>
            )}
            {reading.length > 0 && (
                <p className="mb-1">
                    What you kept of <SectionLinks lesson={lesson} sections={reading} room="review" /> is still being
                    read. An export waits for it.
                </p>
            )}
            <CaptionsState lesson={lesson} />
            <ExportChoice
                lesson={lesson}
                plan={plan}
                upToDate={latest !== undefined && latest.up_to_date && !latest.draft}
                exported={latest !== undefined && !latest.draft}
                canDraft={lines > 0}
            />
            {running.map((job) => (
                <ExportProgress key={job.id} lessonId={lesson.id} job={job} isAlone={running.length === 1} />
            ))}
            {last?.state === 'failed' && (
                <Alert variant="warning">
                    <Icon name="exclamation" /> {last.problem}
                </Alert>
            )}
            {last?.state === 'cancelled' && (
                <p className="soft">The last export was cancelled. What was rendered is kept for the next one.</p>
            )}
            {latest && <FinishedExport key={latest.id} lesson={lesson} job={latest} />}
            <CourseSite lesson={lesson} latest={whole} />
            <SiteFolder lesson={lesson} latest={whole} />
            <OtherFilms films={films.filter((one) => one !== latest)} />
        </main>
    );
}

/** Of the films that were asked for together last, the one that is as the lesson is. */
function newest(films: Export[]): Export | undefined {
    const [first] = films;
    const together = films.filter((one) => first?.batch !== null && one.batch === first?.batch);
    return together.find((one) => says(one.edition) === '') ?? first;
}

function OtherFilms({ films }: { films: Export[] }) {
    if (films.length === 0) {
        return null;
    }
    return (
        <section aria-labelledby="earlier" className="earlier">
            <h2 id="earlier">Other films</h2>
            <ul>
                {films.map((one) => (
                    <li key={one.id} className="times">
                        <a href={`${one.file_url}?download`}>{one.file_name}</a>{' '}
                        <span className="soft">
                            {[says(one.edition), day(one.started_at), clock(one.length_ms), megabytes(one.bytes ?? 0)]
                                .filter(Boolean)
                                .join(' · ')}
                            {!one.up_to_date && ' · the lesson has changed since'}
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
