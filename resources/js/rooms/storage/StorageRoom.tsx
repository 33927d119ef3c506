import { useMutation, useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import Table from 'react-bootstrap/Table';
import { Link } from 'react-router';
import { api } from '../../api/client';
import { may, useMe } from '../../api/me';
import { queryClient } from '../../api/queries';
import type { Stored } from '../../api/types';
import { useNotices } from '../../ui/Notices';
import { room } from '../../lib/time';
import { Waiting } from '../../ui/Waiting';
import { CanGo } from './CanGo';
import { DeletedLesson } from './DeletedLesson';

/** What takes up room on the server's disk, by lesson and kind; what of it can go, and what that means. */
export default function StorageRoom() {
    const { data, error } = useQuery({ queryKey: ['storage'], queryFn: () => api.get<Stored>('storage') });
    useEffect(() => {
        document.title = 'What takes up room - Open Reel';
    }, []);
    if (!data) {
        return (
            <Waiting room="Storage" says="Adding up what lies on the disk..." problem={error?.message}>
                <Link to="/">Back to the shelf</Link>
            </Waiting>
        );
    }
    return <Storage stored={data} />;
}

function Storage({ stored }: { stored: Stored }) {
    const { lessons, cache } = stored;
    const here = lessons.filter((one) => !one.deleted);
    const own = here.filter((one) => may(one, 'own'));
    const deleted = lessons.filter((one) => one.deleted && may(one, 'own'));
    const alone = useMe()?.mode === 'me';
    const all = lessons.reduce((sum, one) => sum + one.bytes, 0) + (cache?.bytes ?? 0) + (stored.other_bytes ?? 0);
    const { act, change } = useChanges();
    return (
        <main className="storage-room">
            <Link className="home" to="/">
                <span aria-hidden="true">←</span> Shelf
            </Link>
            <h1>What takes up room</h1>
            <p className="soft times">
                {room(all)} in all. {room(stored.free_bytes)} are free on the server’s disk.
            </p>
            {here.length === 0 ? (
                <p>No lesson is on the shelf, so nothing takes up room here.</p>
            ) : (
                <Table borderless responsive className="times">
                    <thead>
                        <tr>
                            <th scope="col">Lesson</th>
                            <th scope="col">Takes kept</th>
                            <th scope="col">Undecided</th>
                            <th scope="col">Set aside</th>
                            <th scope="col">As recorded</th>
                            <th scope="col">Films</th>
                            <th scope="col">Slides</th>
                            <th scope="col">In all</th>
                        </tr>
                    </thead>
                    <tbody>
                        {here.map(({ id, title, kinds, bytes }) => (
                            <tr key={id}>
                                <th scope="row">
                                    <Link to={`/lessons/${id}`}>{title}</Link>
                                </th>
                                <td>{room(kinds.kept)}</td>
                                <td>{room(kinds.undecided)}</td>
                                <td>{room(kinds.discarded + kinds.cleared)}</td>
                                <td>{room(kinds.recordings)}</td>
                                <td>{room(kinds.films)}</td>
                                <td>{room(kinds.slides)}</td>
                                <td>
                                    <strong>{room(bytes)}</strong>
                                </td>
                            </tr>
                        ))}
                    </tbody>
                </Table>
            )}
            <h2>What can go</h2>
            {own
                .filter((one) => one.discarded > 0)
                .map((one) => (
                    <CanGo
                        key={one.id}
                        verb={one.discarded === 1 ? 'Clear it' : 'Clear them'}
                        label={`Clear the takes set aside in ${one.title}`}
                        disabled={act.isPending}
                        onGo={() =>
                            change('post', `lessons/${one.id}/cleared-takes`, 'Cleared.', () =>
                                change('post', `lessons/${one.id}/cleared-takes/restore`, 'Back, set aside as before.'),
                            )
                        }
                    >
                        <strong>
                            {one.discarded === 1 ? 'One take' : `${one.discarded} takes`} set aside in {one.title},{' '}
                            {room(one.kinds.discarded)}.
                        </strong>{' '}
                        {one.discarded === 1 ? 'It is' : 'They are'} in no film. What is cleared can be brought back for{' '}
                        {stored.days} days; then it is gone.
                    </CanGo>
                ))}
            {own
                .filter((one) => one.cleared.takes > 0)
                .map((one) => (
                    <CanGo
                        key={one.id}
                        verb={one.cleared.takes === 1 ? 'Bring it back' : 'Bring them back'}
                        label={`Bring back what was cleared of ${one.title}`}
                        disabled={act.isPending}
                        onGo={() =>
                            change('post', `lessons/${one.id}/cleared-takes/restore`, 'Back, set aside as before.')
                        }
                    >
                        <strong>
                            {one.cleared.takes === 1 ? 'One take' : `${one.cleared.takes} takes`} cleared from{' '}
                            {one.title}, {room(one.kinds.cleared)}.
                        </strong>{' '}
                        {one.cleared.takes === 1 ? 'It goes' : 'The first goes'} for good on{' '}
                        {new Date(one.cleared.until ?? '').toLocaleDateString([], { day: 'numeric', month: 'long' })}.
                    </CanGo>
                ))}
            {own
                .filter((one) => one.older_films.films > 0)
                .map((one) => (
                    <CanGo
                        key={one.id}
                        verb={one.older_films.films === 1 ? 'Delete it' : 'Delete them'}
                        label={`Delete older films of ${one.title}`}
                        disabled={act.isPending}
                        ask={`Older films of ${one.title} cannot be brought back. The newest one, and what is published, stay.`}
                        onGo={() => change('delete', `lessons/${one.id}/older-films`, 'Older films are deleted.')}
                    >
                        <strong>
                            {one.older_films.films === 1 ? 'One older film' : `${one.older_films.films} older films`} of{' '}
                            {one.title}, {room(one.older_films.bytes)}.
                        </strong>{' '}
                        A newer one is there, and {one.older_films.films === 1 ? 'it is' : 'they are'} not published.
                    </CanGo>
                ))}
            {cache && cache.bytes > 0 && alone && (
                <CanGo
                    verb="Delete pieces"
                    label="Delete rendered pieces"
                    disabled={act.isPending}
                    onGo={() =>
                        change('delete', 'storage/cache', 'What was not used in the last four hours is deleted.')
                    }
                >
                    <strong>Rendered pieces, {room(cache.bytes)}.</strong> Nothing is lost without them: the next export
                    of each lesson takes as long as its first. Above {room(cache.limit)} the oldest go by themselves.
                </CanGo>
            )}
            {here.some((one) => one.kinds.recordings > 0) && (
                <CanGo>
                    <strong>
                        Recordings as they came, {room(here.reduce((sum, one) => sum + one.kinds.recordings, 0))}.
                    </strong>{' '}
                    They go by themselves once a film is made of their take, or after a week.
                </CanGo>
            )}
            {deleted.map((one) => (
                <DeletedLesson
                    key={one.id}
                    lesson={one}
                    disabled={act.isPending}
                    onRestore={() => change('post', `lessons/${one.id}/restore`, `${one.title} is back on the shelf.`)}
                    onDelete={() => change('delete', `lessons/${one.id}/for-good`, `${one.title} is deleted for good.`)}
                />
            ))}
        </main>
    );
}

/** One change after the other; each says what it did, and how it is undone where it can be. */
function useChanges() {
    const { say, failed } = useNotices();
    const act = useMutation({
        mutationFn: ({ how, path }: { how: 'post' | 'delete'; path: string }) => api[how](path),
        onSettled: () => queryClient.invalidateQueries(),
    });
    const change = (how: 'post' | 'delete', path: string, says: string, undo?: () => void) =>
        act.mutate({ how, path }, { onSuccess: () => say(says, undo), onError: failed });
    return { act, change };
}
