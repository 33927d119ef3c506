import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api } from '../../api/client';
import type { ChangedSince, Export, Lesson } from '../../api/types';
import { roomPath } from '../../shell/paths';
import { Icon } from '../../ui/Icon';
import { clock } from '../../lib/time';

/** What has changed since a film was made, and what it takes to have it in a new one. */
export function ChangesSinceExport({ lesson, job }: { lesson: Lesson; job: Export }) {
    const { data: since } = useQuery({
        queryKey: ['since', job.id, lesson.revision, lesson.updated_at],
        queryFn: () => api.get<ChangedSince>(`exports/${job.id}/since`),
    });
    return (
        <div className="since">
            <p className="flag mb-1">
                <Icon name="exclamation" /> The lesson has changed since. Export again to have the changes in the film.
            </p>
            {since && (
                <ul className="mb-1">
                    {since.sections.map((one) => (
                        <li key={one.section_id}>
                            <Link to={roomPath(lesson.id, 'script', one.section_id)}>{one.title}</Link>: {what(one)}
                        </li>
                    ))}
                    {since.gone > 0 && (
                        <li>
                            {since.gone === 1 ? 'One section is' : `${since.gone} sections are`} not in it any more.
                        </li>
                    )}
                    {since.version !== null && (
                        <li>This film is version {since.version} on the course site; the new one can follow it.</li>
                    )}
                    {since.unchecked > 0 && (
                        <li>
                            <Link to={roomPath(lesson.id, 'captions')}>
                                {since.unchecked === 1 ? 'One caption is' : `${since.unchecked} captions are`} to be
                                checked
                            </Link>
                            .
                        </li>
                    )}
                    <li className="times">
                        {since.seconds < 3
                            ? 'Everything for it is rendered already.'
                            : `About ${clock(1000 * since.seconds)} to render; nothing else is made anew.`}
                    </li>
                </ul>
            )}
        </div>
    );
}

function what({ lines, seen, heard, new: isNew }: ChangedSince['sections'][number]): string {
    if (isNew) {
        return 'is new.';
    }
    const parts = [
        lines > 0 ? `${lines === 1 ? 'one line says' : `${lines} lines say`} something else` : '',
        heard ? 'another take is heard, or cut otherwise' : '',
        seen ? 'the picture is another one' : '',
    ].filter(Boolean);
    return `${parts.length === 0 ? 'something' : parts.join(', ')}.`;
}
