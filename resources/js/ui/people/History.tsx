import { useInfiniteQuery } from '@tanstack/react-query';
import Button from 'react-bootstrap/Button';
import { api } from '../../api/client';
import type { HistoryPage } from '../../api/types';
import { Icon } from '../Icon';
import { day } from '../../lib/time';
import type { Place } from './useMembers';

/** Who did what, the newest first. */
export function History({ place }: { place: Place }) {
    const path = `${place.kind}/${place.id}/history`;
    const { data, error, hasNextPage, fetchNextPage, isFetchingNextPage } = useInfiniteQuery({
        queryKey: ['history', place.id],
        queryFn: ({ pageParam }) => api.get<HistoryPage>(pageParam ? `${path}?before=${pageParam}` : path),
        initialPageParam: '',
        getNextPageParam: (page) => (page.more ? page.entries.at(-1)?.id : undefined),
        staleTime: 0,
    });
    const entries = data?.pages.flatMap((page) => page.entries) ?? [];
    return (
        <section className="history" aria-labelledby="history">
            <header>
                <h2 id="history">History</h2>
                {entries.length > 0 && (
                    <a className="btn btn-quiet btn-sm" href={`/api/${path}.jsonl`} download>
                        <Icon name="download" /> Download
                    </a>
                )}
            </header>
            {error && <p role="alert">{error.message}</p>}
            {data && entries.length === 0 && (
                <p className="soft">
                    Nothing yet. Who recorded, kept, discarded, exported, published or deleted something will be listed
                    here.
                </p>
            )}
            <ol>
                {entries.map((one) => (
                    <li key={one.id}>
                        <span>
                            <b>{one.who}</b> {one.says}
                        </span>
                        <time className="soft" dateTime={one.at}>
                            {day(one.at)}
                        </time>
                    </li>
                ))}
            </ol>
            {hasNextPage && (
                <Button variant="quiet" size="sm" disabled={isFetchingNextPage} onClick={() => void fetchNextPage()}>
                    Show older
                </Button>
            )}
        </section>
    );
}
