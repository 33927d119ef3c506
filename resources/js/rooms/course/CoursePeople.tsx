import { useMe } from '../../api/me';
import type { Course } from '../../api/types';
import { History } from '../../ui/people/History';
import { MembersPanel } from '../../ui/people/MembersPanel';

/** Who takes part in a course, and so in all its lessons, and who did what. */
export function CoursePeople({ course }: { course: Course }) {
    const people = useMe()?.mode === 'people';
    return (
        <main>
            <h1 className="visually-hidden">{people ? 'People and history' : 'History'}</h1>
            <div className="people-columns">
                {people && <MembersPanel place={{ kind: 'courses', id: course.id }} called={course.name} />}
                <History place={{ kind: 'courses', id: course.id }} />
            </div>
        </main>
    );
}
