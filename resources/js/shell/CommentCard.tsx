import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { Link } from 'react-router';
import { useLesson } from '../api/lesson';
import { may, useMe } from '../api/me';
import type { SiteComment } from '../api/types';
import { Icon } from '../ui/Icon';
import { clock } from '../lib/time';
import { useStored } from '../ui/useStored';
import { useNotices } from '../ui/Notices';
import { pickupPath } from './paths';
import { useSiteChange } from './useSite';

interface Props {
    lessonId: string;
    comment: SiteComment;
    /** The line it is about stands beside it already. */
    besideLine?: boolean;
}

/** What a viewer says of a moment, and what can be done about it. */
export function CommentCard({ lessonId, comment, besideLine = false }: Props) {
    const change = useSiteChange(lessonId);
    const { say } = useNotices();
    const alone = useMe()?.mode === 'me';
    const { data: lesson } = useLesson(lessonId);
    const records = lesson !== undefined && may(lesson, 'record');
    const writes = lesson !== undefined && may(lesson, 'write');
    const { id, line_id: line, section_id: section } = comment;
    const [reply, setReply] = useStored(`answer/${id}`);
    const [isOpen, setOpen] = useState(reply !== '');
    const send = () => {
        if (reply.trim()) {
            change.reply(id, reply, () => {
                setReply('');
                setOpen(false);
            });
        }
    };
    return (
        <article
            className={comment.done ? 'comment-card is-done' : 'comment-card'}
            aria-label={`Comment of ${comment.name}`}
        >
            <p className="mb-0">
                <span className="times">{clock(comment.at_ms)}</span> <b>{comment.name}</b>{' '}
                {comment.done && (
                    <span className="state">
                        <Icon name="check" /> {comment.done_in === null ? 'done' : `done in version ${comment.done_in}`}
                    </span>
                )}
            </p>
            <p className="text mb-0">{comment.text}</p>
            {!besideLine && comment.line_was !== '' && (
                <p className="about mb-0">
                    {comment.line_now === null ? (
                        <>About a line that is gone: {comment.line_was}</>
                    ) : (
                        <>About: {comment.line_now}</>
                    )}
                </p>
            )}
            {comment.answers.map((answer) => (
                <p className={answer.hidden ? 'answer is-done mb-0' : 'answer mb-0'} key={answer.id}>
                    <b>{answer.by_presenter && alone ? `${answer.name} (you)` : answer.name}</b> {answer.text}{' '}
                    {answer.hidden && <span className="soft">(hidden) </span>}
                    {writes && (
                        <Button
                            size="sm"
                            variant="quiet"
                            aria-label={`${answer.hidden ? 'Show' : 'Hide'} the answer of ${answer.name}`}
                            disabled={change.isPending}
                            onClick={() => change.mark(answer.id, { hidden: !answer.hidden })}
                        >
                            {answer.hidden ? 'Show' : 'Hide'}
                        </Button>
                    )}
                </p>
            ))}
            {!isOpen ? (
                <p className="comment-acts mb-0">
                    {records && line !== null && section !== null && !comment.done && (
                        <Link className="btn btn-quiet btn-sm" to={pickupPath(lessonId, section, [line])}>
                            <Icon name="dot" /> Record this line again
                        </Link>
                    )}
                    <Button
                        size="sm"
                        variant="quiet"
                        disabled={change.isPending}
                        onClick={() => change.mark(id, { done: !comment.done })}
                    >
                        {comment.done ? 'Not done' : 'Done'}
                    </Button>
                    <Button size="sm" variant="quiet" onClick={() => setOpen(true)}>
                        Answer
                    </Button>
                    {writes && (
                        <Button
                            size="sm"
                            variant="quiet"
                            disabled={change.isPending}
                            onClick={() => {
                                change.mark(id, { hidden: true });
                                say('The comment is hidden from viewers.', () => change.mark(id, { hidden: false }));
                            }}
                        >
                            Hide
                        </Button>
                    )}
                </p>
            ) : (
                <Form
                    onSubmit={(event) => {
                        event.preventDefault();
                        send();
                    }}
                >
                    <Form.Control
                        as="textarea"
                        rows={2}
                        aria-label={`Answer to ${comment.name}`}
                        value={reply}
                        maxLength={2000}
                        autoFocus
                        onChange={(event) => setReply(event.target.value)}
                    />
                    <p className="comment-acts mb-0">
                        <Button size="sm" type="submit" disabled={change.isPending || reply.trim() === ''}>
                            Send answer
                        </Button>
                        <Button size="sm" variant="quiet" onClick={() => setOpen(false)}>
                            Cancel
                        </Button>
                    </p>
                </Form>
            )}
        </article>
    );
}
