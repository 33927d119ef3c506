import { useMutation, useQuery } from '@tanstack/react-query';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { Link } from 'react-router';
import { api } from '../../api/client';
import { may } from '../../api/me';
import { queryClient } from '../../api/queries';
import type { ChangedSince, Lesson, ReviewState } from '../../api/types';
import { CommentCard } from '../../shell/CommentCard';
import { useNotices } from '../../ui/Notices';
import { roomPath } from '../../shell/paths';
import { openComments, useSite } from '../../shell/useSite';
import { WatchPassword } from '../../shell/WatchPassword';
import { copyText } from '../../lib/copyText';
import { Icon } from '../../ui/Icon';
import { day } from '../../lib/time';
import { useStored } from '../../ui/useStored';

/** The draft that others look at before it is published: its link, what is said of it, who approved it. */
export function DraftPanel({ lesson, alone }: { lesson: Lesson; alone: boolean }) {
    const { state, change } = useDraft(lesson);
    if (!state) {
        return null;
    }
    const { draft } = state;
    const isNewer = state.newest_film !== null && state.newest_film !== draft?.export_id;
    return (
        <section className="draft-panel" aria-labelledby="draft">
            <h2 id="draft">Draft for review</h2>
            {draft ? (
                <Draft lesson={lesson} state={state} draft={draft} change={change} alone={alone} />
            ) : (
                <p className="soft">
                    Others watch a draft at a link of its own, and comment on any moment of it. Nothing is published by
                    that.
                </p>
            )}
            {may(lesson, 'write') && state.newest_film === null && (
                <Link className="btn btn-primary" to={roomPath(lesson.id, 'handover')}>
                    Export the lesson first
                </Link>
            )}
            {may(lesson, 'write') && isNewer && <NextDraft lesson={lesson} state={state} change={change} />}
            {may(lesson, 'own') && !alone && (
                <Form.Check
                    id="needs-approval"
                    label="Publish only after somebody has approved it"
                    checked={state.needs_approval}
                    disabled={change.isPending}
                    onChange={(event) => change.set({ needs_approval: event.target.checked })}
                />
            )}
            <OpenComments lesson={lesson} />
        </section>
    );
}

type Change = ReturnType<typeof useDraft>['change'];

interface DraftProps {
    lesson: Lesson;
    state: ReviewState;
    draft: NonNullable<ReviewState['draft']>;
    change: Change;
    alone: boolean;
}

function Draft({ lesson, state, draft, change, alone }: DraftProps) {
    const { say } = useNotices();
    const mine = state.approvals.some((one) => one.you);
    return (
        <>
            <p className="draft-link">
                <a href={draft.path} target="_blank" rel="noreferrer">
                    Watch version {draft.version} of the draft
                </a>
                <Button
                    variant="quiet"
                    size="sm"
                    onClick={() =>
                        copyText(new URL(draft.path, window.location.href).href).then(
                            () =>
                                say(
                                    draft.open || alone
                                        ? 'The link is copied. Anyone who has it can watch and comment.'
                                        : 'The link is copied. Who takes part in this lesson can watch and comment.',
                                ),
                            () => say('The link could not be copied. Copy it from the page it leads to.'),
                        )
                    }
                >
                    Copy link
                </Button>
                {may(lesson, draft.shown ? 'write' : 'publish') && (
                    <Button
                        variant="quiet"
                        size="sm"
                        disabled={change.isPending}
                        onClick={() => change.set({ withdrawn: draft.shown })}
                    >
                        {draft.shown ? 'Close the link' : 'Open the link again'}
                    </Button>
                )}
            </p>
            <p className="soft">
                Made {day(draft.made_at)}
                {draft.note && `: ${draft.note}`}
                {!draft.shown && '. The link is closed: nobody can watch it now'}.
            </p>
            {!alone && <WhoMayWatch lesson={lesson} draft={draft} change={change} />}
            {!alone && (
                <div className="approvals" role="status">
                    {state.approvals.map((one) => (
                        <p key={one.id}>
                            <Icon name="check" /> <b>{one.you ? 'You' : one.person}</b> approved it {day(one.at)}
                        </p>
                    ))}
                    {state.approvals.length === 0 && <p>Nobody has approved it yet.</p>}
                    <Since since={state.since} approved={state.approvals.length > 0} />
                </div>
            )}
            {!alone && draft.yours && !mine && (
                <p className="soft">You sent this draft, so somebody else approves it.</p>
            )}
            {!alone && (!draft.yours || mine) && (
                <Button
                    variant={mine ? 'quiet' : 'primary'}
                    disabled={change.isPending}
                    onClick={() => (mine ? change.takeBack() : change.approve(draft.version))}
                >
                    {mine ? 'Withdraw your approval' : `Approve version ${draft.version}`}
                </Button>
            )}
        </>
    );
}

/** Who takes part always may; whoever may publish opens the draft to others, as they would what is published. */
function WhoMayWatch({ lesson, draft, change }: Pick<DraftProps, 'lesson' | 'draft' | 'change'>) {
    if (!may(lesson, 'publish')) {
        return (
            <p className="soft">
                {draft.open
                    ? 'Anyone who has the link can watch it.'
                    : 'Who takes part in this lesson can watch it, once signed in. Editors and the owner can open it to others.'}
            </p>
        );
    }
    return (
        <>
            <Form.Check
                id="draft-open"
                label="Anyone who has the link can watch it, without signing in"
                checked={draft.open}
                disabled={change.isPending}
                onChange={(event) => change.set({ open: event.target.checked })}
            />
            {draft.open && (
                <div className="site-settings">
                    <Form.Group controlId="draft-ends">
                        <Form.Label>Last day (empty: no end)</Form.Label>
                        <Form.Control
                            type="date"
                            size="sm"
                            value={draft.ends_on ?? ''}
                            onChange={(event) => change.set({ ends_on: event.target.value || null })}
                        />
                    </Form.Group>
                    <WatchPassword
                        id="draft-password"
                        isSet={draft.password}
                        onSet={(password, done) => change.set({ password }, done)}
                    />
                </div>
            )}
        </>
    );
}

/** What is otherwise in the lesson now than in the draft. */
function Since({ since, approved }: { since: ChangedSince | null; approved: boolean }) {
    if (!since || (since.sections.length === 0 && since.gone === 0)) {
        return null;
    }
    const titles = since.sections.map(({ title, new: isNew }) => (isNew ? `${title} (new)` : title));
    return (
        <p className="since">
            <Icon name="exclamation" /> Changed since{approved && ', and so not approved'}: {titles.join(', ')}
            {since.gone > 0 &&
                `${titles.length > 0 ? '; ' : ''}${since.gone === 1 ? 'one section is' : `${since.gone} sections are`} gone`}
            .
        </p>
    );
}

function NextDraft({ lesson, state, change }: { lesson: Lesson; state: ReviewState; change: Change }) {
    const [note, setNote] = useStored(`draft-note/${lesson.id}`);
    return (
        <Form
            className="next-draft"
            onSubmit={(event) => {
                event.preventDefault();
                change.send(note, () => setNote(''));
            }}
        >
            {state.draft && (
                <Form.Control
                    aria-label="What is new in this version of the draft"
                    placeholder="What is new in this version"
                    maxLength={500}
                    value={note}
                    onChange={(event) => setNote(event.target.value)}
                />
            )}
            <Button type="submit" disabled={change.isPending}>
                {state.draft
                    ? `Show the newest film as version ${state.draft.version + 1}`
                    : 'Show the newest film as a draft'}
            </Button>
        </Form>
    );
}

/** What is still to be put right, of the draft and of what is published. */
function OpenComments({ lesson }: { lesson: Lesson }) {
    const { data } = useSite(lesson.id);
    const open = openComments(data);
    if (!data || data.comments.length === 0) {
        return null;
    }
    return (
        <>
            <h3>
                {open.length === 0
                    ? 'Every comment is dealt with'
                    : `${open.length} ${open.length === 1 ? 'comment is' : 'comments are'} open`}
            </h3>
            {open.map((comment) => (
                <CommentCard key={comment.id} lessonId={lesson.id} comment={comment} />
            ))}
        </>
    );
}

interface DraftSettings {
    needs_approval?: boolean;
    withdrawn?: boolean;
    open?: boolean;
    password?: string | null;
    ends_on?: string | null;
}

function useDraft(lesson: Lesson) {
    const { failed } = useNotices();
    const path = `lessons/${lesson.id}/draft`;
    const queryKey = ['draft', lesson.id];
    const { data: state } = useQuery({ queryKey, queryFn: () => api.get<ReviewState>(path) });
    const save = useMutation({
        scope: { id: `draft/${lesson.id}` },
        mutationFn: (run: () => Promise<ReviewState>) => run(),
        onSuccess: async (now) => {
            await queryClient.cancelQueries({ queryKey });
            queryClient.setQueryData(queryKey, now);
            void queryClient.invalidateQueries({ queryKey: ['history', lesson.id] });
        },
        onError: (error) => {
            failed(error);
            void queryClient.invalidateQueries({ queryKey });
        },
    });
    const approvals = `lessons/${lesson.id}/approvals`;
    return {
        state,
        change: {
            isPending: save.isPending,
            send: (note: string, done: () => void) =>
                save.mutate(() => api.post<ReviewState>(path, { note }), { onSuccess: done }),
            set: (as: DraftSettings, done?: () => void) => {
                // What is ticked shows it at once.
                const { needs_approval: needs, open } = as;
                queryClient.setQueryData<ReviewState>(
                    queryKey,
                    (now) =>
                        now && {
                            ...now,
                            needs_approval: needs ?? now.needs_approval,
                            draft: now.draft && { ...now.draft, open: open ?? now.draft.open },
                        },
                );
                save.mutate(() => api.patch<ReviewState>(path, { ...as }), { onSuccess: done });
            },
            approve: (version: number) => save.mutate(() => api.post<ReviewState>(approvals, { version })),
            takeBack: () => save.mutate(() => api.delete<ReviewState>(`${approvals}/mine`)),
        },
    };
}
