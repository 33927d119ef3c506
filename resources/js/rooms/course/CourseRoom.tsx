import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import Form from 'react-bootstrap/Form';
import { Link, useParams } from 'react-router';
import { api } from '../../api/client';
import { may, useMe } from '../../api/me';
import type { Course } from '../../api/types';
import { useNotices } from '../../ui/Notices';
import { EmptyPlace } from '../../ui/EmptyPlace';
import { CoursePeople } from './CoursePeople';
import { CourseStyle } from './CourseStyle';

/** A course: the house style that its lessons share, or who takes part in it. */
export default function CourseRoom({ part }: { part: 'style' | 'people' }) {
    const { courseId = '' } = useParams();
    const { data: course, error } = useQuery({
        queryKey: ['course', courseId],
        queryFn: () => api.get<Course>(`courses/${courseId}`),
    });
    useEffect(() => {
        document.title = course ? `${course.name} - Open Reel` : 'Open Reel';
    }, [course]);
    if (!course) {
        return error ? (
            <EmptyPlace room="Course" says={error.message}>
                <Link to="/">Back to the shelf</Link>
            </EmptyPlace>
        ) : null;
    }
    return (
        <div className="course-room">
            <CourseHead course={course} part={part} />
            {part === 'style' ? <CourseStyle course={course} /> : <CoursePeople course={course} />}
        </div>
    );
}

function CourseHead({ course, part }: { course: Course; part: 'style' | 'people' }) {
    const client = useQueryClient();
    const { failed } = useNotices();
    const people = useMe()?.mode === 'people';
    const rename = useMutation({
        mutationFn: (name: string) => api.patch<Course>(`courses/${course.id}`, { name }),
        onSuccess: () => {
            void client.invalidateQueries({ queryKey: ['course', course.id] });
            void client.invalidateQueries({ queryKey: ['courses'] });
        },
        onError: failed,
    });
    return (
        <header className="course-head">
            <Link className="home" to="/">
                <span aria-hidden="true">←</span> Shelf
            </Link>
            <Form.Control
                key={course.name}
                readOnly={!may(course, 'publish')}
                aria-label="Name of the course"
                className="course-name"
                maxLength={200}
                defaultValue={course.name}
                onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
                onBlur={(event) => event.target.value.trim() !== course.name && rename.mutate(event.target.value)}
            />
            <nav className="ms-auto" aria-label="Course">
                <ul className="rooms">
                    {(
                        [
                            ['style', '', 'House style'],
                            ['people', '/people', people ? 'People' : 'History'],
                        ] as const
                    ).map(([name, path, says]) => (
                        <li key={name}>
                            <Link to={`/courses/${course.id}${path}`} aria-current={name === part ? 'page' : undefined}>
                                {says}
                            </Link>
                        </li>
                    ))}
                </ul>
            </nav>
        </header>
    );
}
