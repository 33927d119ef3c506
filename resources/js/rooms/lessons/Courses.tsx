import { useMutation, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Dropdown from 'react-bootstrap/Dropdown';
import Form from 'react-bootstrap/Form';
import { Link, useNavigate } from 'react-router';
import { api } from '../../api/client';
import { may } from '../../api/me';
import type { Course, LessonSummary } from '../../api/types';
import { useNotices } from '../../ui/Notices';
import { Icon } from '../../ui/Icon';

/** Lessons by course, those without one last. A course without lessons is shown too. */
export function groups(
    lessons: LessonSummary[],
    courses: Course[],
): { course: Course | null; lessons: LessonSummary[] }[] {
    const known = new Set(courses.map((course) => course.id));
    const alone = lessons.filter((lesson) => lesson.course_id === null || !known.has(lesson.course_id));
    return [
        ...courses.map((course) => ({ course, lessons: lessons.filter((lesson) => lesson.course_id === course.id) })),
        ...(alone.length > 0 ? [{ course: null, lessons: alone }] : []),
    ];
}

export function CourseHead({ course }: { course: Course | null }) {
    const client = useQueryClient();
    const { say, failed } = useNotices();
    const refresh = () => client.invalidateQueries();
    const restore = useMutation({
        mutationFn: (id: string) => api.post(`courses/${id}/restore`),
        onSuccess: refresh,
        onError: failed,
    });
    const remove = useMutation({
        mutationFn: (one: Course) => api.delete(`courses/${one.id}`),
        onSuccess: async (_, one) => {
            await refresh();
            say(`${one.name} is deleted. Its lessons stay here and look as before.`, () => restore.mutate(one.id));
        },
        onError: failed,
    });
    if (!course) {
        return <h2 className="course-title">Lessons without a course</h2>;
    }
    return (
        <div className="course-row">
            <h2 className="course-title">{course.name}</h2>
            <Link to={`/courses/${course.id}`}>House style</Link>
            <Dropdown align="end">
                <Dropdown.Toggle variant="quiet" size="sm" aria-label={`More about the course ${course.name}`}>
                    <Icon name="dots" />
                </Dropdown.Toggle>
                <Dropdown.Menu>
                    {may(course, 'write') && (
                        <Dropdown.Item href={`/api/courses/${course.id}/archive.zip`} download>
                            Download as an archive
                        </Dropdown.Item>
                    )}
                    {may(course, 'own') && (
                        <Dropdown.Item as="button" onClick={() => remove.mutate(course)}>
                            Delete the course
                        </Dropdown.Item>
                    )}
                    <Dropdown.Item as={Link} to={`/courses/${course.id}/people`}>
                        Who takes part, and history
                    </Dropdown.Item>
                </Dropdown.Menu>
            </Dropdown>
        </div>
    );
}

export function NewCourse() {
    const go = useNavigate();
    const [open, setOpen] = useState(false);
    const [name, setName] = useState('');
    const { failed } = useNotices();
    const make = useMutation({
        mutationFn: () => api.post<Course>('courses', { name }),
        onSuccess: (course) => go(`/courses/${course.id}`),
        onError: failed,
    });
    const submit = (event: FormEvent) => {
        event.preventDefault();
        make.mutate();
    };
    if (!open) {
        return (
            <Button variant="quiet" onClick={() => setOpen(true)}>
                <Icon name="plus" /> New course
            </Button>
        );
    }
    return (
        <Form onSubmit={submit} className="d-flex gap-2">
            <Form.Control
                autoFocus
                required
                aria-label="Name of the new course"
                placeholder="Name of the course"
                maxLength={200}
                value={name}
                onChange={(event) => setName(event.target.value)}
            />
            <Button type="submit">Create course</Button>
            <Button variant="quiet" onClick={() => setOpen(false)}>
                Not now
            </Button>
        </Form>
    );
}
