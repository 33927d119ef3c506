import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api } from '../../api/client';
import { may } from '../../api/me';
import type { Glance, LessonSummary, Right } from '../../api/types';
import { roomPath } from '../../shell/paths';

/** How far a lesson is; looks again by itself while its film is made. */
export function useGlance(lesson: LessonSummary, wanted: boolean): Glance | undefined {
    const { data } = useQuery({
        queryKey: ['glance', lesson.id, lesson.updated_at],
        queryFn: () => api.get<Glance>(`lessons/${lesson.id}/glance`),
        enabled: wanted,
        refetchInterval: (query) => (query.state.data?.film === 'making' ? 4000 : false),
    });
    return data;
}

const filmSays: Record<Glance['film'], string> = {
    none: 'no film yet',
    making: 'film being made',
    'out of date': 'film out of date',
    'up to date': 'film up to date',
};

export const saysFilm = (glance: Glance): string => filmSays[glance.film];

const fills = [
    ['filled', 'kept'],
    ['half', 'undecided'],
    ['hollow', 'not recorded'],
] as const;

function saysSections({ sections }: Glance): string {
    const parts = fills.flatMap(([fill, says]) => {
        const count = sections.filter((one) => one.fill === fill).length;
        return count === 0 ? [] : [`${count} ${says}`];
    });
    const notched = sections.filter((one) => one.notched).length;
    return `Sections: ${[...parts, ...(notched > 0 ? [`${notched} to look at`] : [])].join(', ')}`;
}

/** The strip of a lesson in small, to be looked at. */
export function SmallStrip({ glance }: { glance: Glance | undefined }) {
    return (
        <div className="small-strip" role="img" aria-label={glance ? saysSections(glance) : 'Sections'}>
            {glance?.sections.map((section) => (
                <span
                    key={section.id}
                    className={`state-${section.fill}${section.notched ? ' notched' : ''}`}
                    style={{ flex: `${section.length_ms} 1 0` }}
                />
            ))}
        </div>
    );
}

/** Of the element that holds the lesson's title. */
export const titleId = (lesson: LessonSummary) => `title-${lesson.id}`;

const wants = (room: string): Right => (room === 'record' ? 'record' : 'write');

/** What there is to do next in a lesson, for whoever may do it. */
export function NextLink({ lesson, glance }: { lesson: LessonSummary; glance: Glance | undefined }) {
    const next = may(lesson, 'write') ? glance?.next : { room: 'people', section: null, says: 'Look at the draft' };
    if (!next || (next.room !== 'people' && !may(lesson, wants(next.room)))) {
        return <span />;
    }
    return (
        <Link
            className="btn btn-outline-primary btn-sm"
            to={roomPath(lesson.id, next.room, next.section ?? undefined)}
            aria-describedby={titleId(lesson)}
        >
            {next.says}
        </Link>
    );
}
