import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import Modal from 'react-bootstrap/Modal';
import { api } from '../../api/client';
import { may } from '../../api/me';
import type { ChangedSince, Export, Lesson, LessonSite } from '../../api/types';
import { useNotices } from '../../ui/Notices';
import { useSite, useSiteChange } from '../../shell/useSite';
import { CommentCard } from '../../shell/CommentCard';
import { WatchPassword } from '../../shell/WatchPassword';
import { copyText } from '../../lib/copyText';
import { Icon } from '../../ui/Icon';
import { day } from '../../lib/time';
import { useStored } from '../../ui/useStored';

/** The lesson on the course site that ships with the application: who may watch, which version, what is said of it. */
export function CourseSite({ lesson, latest }: { lesson: Lesson; latest: Export | undefined }) {
    const { data } = useSite(lesson.id);
    const change = useSiteChange(lesson.id);
    const [note, setNote] = useStored(`version-note/${lesson.id}`);
    if (!data || (!data.site && !latest)) {
        return null;
    }
    const { site, comments } = data;
    const [current] = site?.versions ?? [];
    const publishes = may(lesson, 'publish');
    const isNew = latest !== undefined && current?.export_id !== latest.id;
    return (
        <section className="course-site" aria-labelledby="course-site">
            <h2 id="course-site">Course site</h2>
            {!site && (
                <p className="soft">
                    Viewers get a page with the film, its captions, what is said in it, and a place for comments. Only
                    who has the link can open it.
                </p>
            )}
            {site && (
                <fieldset className="all-of-it" disabled={!publishes}>
                    <Published lesson={lesson} site={site} />
                </fieldset>
            )}
            {isNew && !publishes && <p className="soft">Editors and the owner publish it.</p>}
            {isNew && publishes && (
                <Form
                    className="publish"
                    onSubmit={(event) => {
                        event.preventDefault();
                        change.publish(latest.id, note, site?.withdrawn === true, () => setNote(''));
                    }}
                >
                    {current && (
                        <Form.Control
                            aria-label="What is new in this version"
                            placeholder="What is new in it (viewers see this)"
                            value={note}
                            maxLength={500}
                            onChange={(event) => setNote(event.target.value)}
                        />
                    )}
                    {current && note === '' && (
                        <WhatChanged lesson={lesson} exportId={current.export_id} onSay={setNote} />
                    )}
                    <Button type="submit" disabled={change.isPending}>
                        {current ? `Publish as version ${current.number + 1}` : 'Publish'}
                        {site?.withdrawn && ' and show it again'}
                    </Button>
                    {latest.draft && <span className="soft">It is a draft, and says so.</span>}
                    {!latest.up_to_date && <span className="soft">The lesson has changed since it was exported.</span>}
                </Form>
            )}
            {site && site.versions.length > 1 && <Before versions={site.versions.slice(1)} />}
            {site && site.watched.length > 0 && <Watched of={site.watched} />}
            {data.held > 0 && may(lesson, 'write') && <Held lessonId={lesson.id} count={data.held} />}
            {site && <Comments lessonId={lesson.id} all={comments} />}
        </section>
    );
}

/** Says for the presenter which sections are others than in the version that viewers see now. */
function WhatChanged({ lesson, exportId, onSay }: { lesson: Lesson; exportId: string; onSay: (note: string) => void }) {
    const { data: since } = useQuery({
        queryKey: ['since', exportId, lesson.revision, lesson.updated_at],
        queryFn: () => api.get<ChangedSince>(`exports/${exportId}/since`),
    });
    if (!since || since.sections.length === 0) {
        return null;
    }
    const titles = since.sections.map(({ title, new: isNew }) => (isNew ? `${title} (new)` : title));
    return (
        <Button size="sm" variant="quiet" onClick={() => onSay(`Changed: ${titles.join('; ')}.`.slice(0, 500))}>
            Say what changed
        </Button>
    );
}

function Published({ lesson, site }: { lesson: Lesson; site: NonNullable<LessonSite['site']> }) {
    const { say, failed } = useNotices();
    const change = useSiteChange(lesson.id);
    const [renewing, setRenewing] = useState(false);
    const [current] = site.versions;
    const address = `${location.origin}${site.path}`;
    const height = Math.round((960 * lesson.height) / lesson.width);
    const frame = `<iframe src="${address}/embed" width="960" height="${height}" allowfullscreen></iframe>`;
    const copy = (text: string, says: string) =>
        void copyText(text)
            .then(() => say(says))
            .catch(() => failed(new Error('The browser does not let this be copied. Select it and copy it by hand.')));
    return (
        <>
            <p className="site-link mb-1">
                {site.shown ? (
                    <a href={site.path} target="_blank" rel="noreferrer">
                        {address}
                    </a>
                ) : (
                    <span className="flag">
                        <Icon name="exclamation" />{' '}
                        {site.withdrawn
                            ? 'Withdrawn: nobody can open it.'
                            : 'Its last day is over: nobody can open it.'}
                    </span>
                )}
            </p>
            {current && (
                <p className="soft mb-1">
                    Version {current.number}, published {day(current.published_at)}
                    {current.draft && ', a draft'}
                    {current.note && `: ${current.note}`}
                </p>
            )}
            <p className="comment-acts">
                <Button size="sm" variant="quiet" onClick={() => copy(address, 'The link is copied.')}>
                    Copy link
                </Button>
                <Button size="sm" variant="quiet" onClick={() => copy(frame, 'The embed code is copied.')}>
                    Copy embed code
                </Button>
                <Button
                    size="sm"
                    variant="quiet"
                    disabled={change.isPending}
                    onClick={() => change.set({ withdrawn: !site.withdrawn })}
                >
                    {site.withdrawn ? 'Show it again' : 'Withdraw'}
                </Button>
                <Button size="sm" variant="quiet" disabled={change.isPending} onClick={() => setRenewing(true)}>
                    New link...
                </Button>
            </p>
            <Modal show={renewing} onHide={() => setRenewing(false)} aria-labelledby="renew-title">
                <Modal.Body>
                    <h2 id="renew-title" className="h5">
                        Give the page a new link?
                    </h2>
                    The link you have given out stops working at once, also where the video is embedded. Versions,
                    comments and views stay. This cannot be undone.
                </Modal.Body>
                <Modal.Footer>
                    <Button variant="quiet" autoFocus onClick={() => setRenewing(false)}>
                        Cancel
                    </Button>
                    <Button
                        onClick={() => {
                            setRenewing(false);
                            change.set({ renew: true }, () => say('The page has a new link. Copy it from here.'));
                        }}
                    >
                        New link
                    </Button>
                </Modal.Footer>
            </Modal>
            <div className="site-settings">
                <Form.Group controlId="site-ends">
                    <Form.Label>Last day (empty: no end)</Form.Label>
                    <Form.Control
                        type="date"
                        size="sm"
                        value={site.ends_on ?? ''}
                        onChange={(event) => change.set({ ends_on: event.target.value || null })}
                    />
                </Form.Group>
                <WatchPassword
                    id="site-password"
                    isSet={site.password}
                    onSet={(password, done) => change.set({ password }, done)}
                />
            </div>
        </>
    );
}

/** Versions that were seen before: their films are kept. */
function Before({ versions }: { versions: NonNullable<LessonSite['site']>['versions'] }) {
    return (
        <details className="mb-2">
            <summary>{versions.length === 1 ? 'The version before' : `${versions.length} versions before`}</summary>
            <ul className="mb-0">
                {versions.map((one) => (
                    <li key={one.number} className="times">
                        <a href={`/api/exports/${one.export_id}/file?download`}>Version {one.number}</a>{' '}
                        <span className="soft">
                            {day(one.published_at)}
                            {one.note && `: ${one.note}`}
                        </span>
                    </li>
                ))}
            </ul>
        </details>
    );
}

/** Where viewers stay, and where they leave. */
function Watched({ of }: { of: { title: string; seen: number }[] }) {
    return (
        <div className="watched">
            <h3>How far it was watched</h3>
            <ul>
                {of.map(({ title, seen }, n) => (
                    <li key={`${n}/${title}`}>
                        <span className="title" title={title}>
                            {title}
                        </span>
                        <span className="bar" aria-hidden="true">
                            <span style={{ width: `${Math.round(100 * seen)}%` }} />
                        </span>
                        <span className="times">{Math.round(100 * seen)} %</span>
                    </li>
                ))}
            </ul>
            <p className="soft mb-0">
                Against the part that was seen most often. Views are counted, viewers are not followed.
            </p>
        </div>
    );
}

/** Comments that came all at once are shown to nobody until somebody has said so. */
function Held({ lessonId, count }: { lessonId: string; count: number }) {
    const change = useSiteChange(lessonId);
    return (
        <div className="flag held-comments" role="status">
            <p className="mb-1">
                <Icon name="exclamation" /> {count === 1 ? 'One comment waits' : `${count} comments wait`}: so many came
                at once that viewers do not see the newest yet.
            </p>
            <p className="comment-acts mb-0">
                <Button size="sm" variant="quiet" disabled={change.isPending} onClick={() => change.settleHeld(true)}>
                    Show them
                </Button>
                <Button size="sm" variant="quiet" disabled={change.isPending} onClick={() => change.settleHeld(false)}>
                    Discard them
                </Button>
            </p>
        </div>
    );
}

function Comments({ lessonId, all }: { lessonId: string; all: LessonSite['comments'] }) {
    const [withDone, setWithDone] = useState(false);
    const seen = all.filter((one) => !one.hidden && (withDone || !one.done));
    const done = all.filter((one) => one.done && !one.hidden).length;
    return (
        <div className="site-comments">
            <h3>Comments</h3>
            {all.length === 0 && <p className="soft">Nobody has said anything yet.</p>}
            {all.length > 0 && seen.length === 0 && (
                <p className="soft">
                    <Icon name="check" /> Nothing is open.
                </p>
            )}
            {seen.map((comment) => (
                <CommentCard key={comment.id} lessonId={lessonId} comment={comment} />
            ))}
            {done > 0 && (
                <Form.Check
                    type="switch"
                    id="with-done"
                    label={`Show what is done (${done})`}
                    checked={withDone}
                    onChange={(event) => setWithDone(event.target.checked)}
                />
            )}
        </div>
    );
}
