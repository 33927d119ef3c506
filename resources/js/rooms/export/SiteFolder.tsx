import { useMutation, useQuery } from '@tanstack/react-query';
import Alert from 'react-bootstrap/Alert';
import Button from 'react-bootstrap/Button';
import ProgressBar from 'react-bootstrap/ProgressBar';
import { api } from '../../api/client';
import { queryClient } from '../../api/queries';
import { may } from '../../api/me';
import type { Export, Lesson, SiteDelivery } from '../../api/types';
import { useNotices } from '../../ui/Notices';
import { Icon } from '../../ui/Icon';
import { clock, day, megabytes } from '../../lib/time';

const isOpen = (last: SiteDelivery['last']): boolean => last?.state === 'waiting' || last?.state === 'running';

/** Sends films into the folder of a course site that is not ours; nothing is shown where the operator has named none. */
export function SiteFolder({ lesson, latest }: { lesson: Lesson; latest: Export | undefined }) {
    const { failed } = useNotices();
    const lessonId = lesson.id;
    const sends = may(lesson, 'publish');
    const queryKey = ['delivery', lessonId];
    const { data } = useQuery({
        queryKey,
        queryFn: () => api.get<SiteDelivery>(`lessons/${lessonId}/delivery`),
        refetchInterval: (query) => (isOpen(query.state.data?.last ?? null) ? 700 : false),
    });
    const change = useMutation({
        mutationFn: (run: () => Promise<SiteDelivery>) => run(),
        onSuccess: (now) => {
            queryClient.setQueryData(queryKey, now);
            // What was asked for before may be answered only now, and say what was then.
            return queryClient.invalidateQueries({ queryKey });
        },
        onError: failed,
    });
    if (!data?.folder || (!latest && !data.there)) {
        return null;
    }
    const { folder, there, last } = data;
    const isNew = latest !== undefined && there?.export_id !== latest.id;
    return (
        <section className="course-site" aria-labelledby="site-folder">
            <h2 id="site-folder">{folder}</h2>
            {!sends && <p className="soft">Editors and the owner send films there.</p>}
            <fieldset className="all-of-it" disabled={!sends}>
                {there ? (
                    <p className="mb-1">
                        <Icon name="check" /> Version {there.number} was sent {day(there.sent_at)}:{' '}
                        {there.url ? (
                            <a href={there.url} target="_blank" rel="noreferrer">
                                {there.url}
                            </a>
                        ) : (
                            <span className="path">{there.path}</span>
                        )}
                    </p>
                ) : (
                    <p className="soft">
                        The film is copied there with its captions and everything beside it, and a page for viewers.
                    </p>
                )}
                {last && isOpen(last) && (
                    <Going
                        last={last}
                        isPending={change.isPending}
                        onCancel={() => change.mutate(() => api.post<SiteDelivery>(`deliveries/${last.id}/cancel`))}
                    />
                )}
                {last?.state === 'failed' && <Alert variant="warning">{last.problem}</Alert>}
                {latest && isNew && !isOpen(last) && (
                    <div className="publish">
                        <Button
                            variant={there ? 'primary' : 'outline-primary'}
                            disabled={change.isPending}
                            onClick={() =>
                                change.mutate(() =>
                                    api.post<SiteDelivery>(`lessons/${lessonId}/delivery`, { export_id: latest.id }),
                                )
                            }
                        >
                            {last?.state === 'failed'
                                ? 'Send it again'
                                : there
                                  ? `Send as version ${there.number + 1}`
                                  : 'Send the film there'}
                        </Button>
                        {latest.draft && <span className="soft">It is a draft, and says so.</span>}
                        {!latest.up_to_date && (
                            <span className="soft">The lesson has changed since it was exported.</span>
                        )}
                    </div>
                )}
            </fieldset>
        </section>
    );
}

interface GoingProps {
    last: NonNullable<SiteDelivery['last']>;
    isPending: boolean;
    onCancel: () => void;
}

/** How much of a film is there, and how long the rest will take. */
function Going({ last: { state, done, total, seconds_left }, isPending, onCancel }: GoingProps) {
    const left = seconds_left === null ? '' : `, about ${clock(1000 * seconds_left)} left`;
    return (
        <div role="status">
            <p className="times mb-1">
                {state === 'waiting'
                    ? 'Waiting for its turn'
                    : `Sending: ${megabytes(done)} of ${megabytes(total)}${left}`}
            </p>
            <ProgressBar now={total === 0 ? 0 : (100 * done) / total} aria-label="How much of the film is there" />
            <p className="soft mt-1">You can leave this page; viewers see the new version when all of it is there.</p>
            <Button size="sm" variant="quiet" disabled={isPending} onClick={onCancel}>
                Cancel
            </Button>
        </div>
    );
}
