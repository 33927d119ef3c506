import { useQuery, useQueryClient, useMutation } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import Alert from 'react-bootstrap/Alert';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { Link, useParams } from 'react-router';
import { api } from '../../api/client';
import { useLessons } from '../../api/lesson';
import { may, useMe } from '../../api/me';
import type { Course, Logo, StyleValue } from '../../api/types';
import { useNotices } from '../../shell/Notices';
import { EmptyPlace } from '../../ui/EmptyPlace';
import { pictureTypes } from '../../ui/bringSlides';
import { copyText } from '../../ui/copyText';
import { FilePick } from '../../ui/FilePick';
import { Icon } from '../../ui/Icon';
import { StyleForm } from '../../ui/style/StyleForm';
import { History } from '../people/History';
import { MembersPanel } from '../people/MembersPanel';

/** A course: its lessons and the house style they share. */
export default function CourseRoom() {
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
    return <CoursePage course={course} />;
}

function CoursePage({ course }: { course: Course }) {
    const client = useQueryClient();
    const { failed, say } = useNotices();
    const { data: lessons = [] } = useLessons();
    const [outdated, setOutdated] = useState<string[]>([]);
    const people = useMe()?.mode === 'people';
    const own = lessons.filter((lesson) => lesson.course_id === course.id);
    const save = useMutation({
        mutationFn: (change: { name?: string; style?: Record<string, StyleValue> }) =>
            api.patch<Course & { outdated: string[] }>(`courses/${course.id}`, change),
        onSuccess: (answer) => {
            client.setQueryData(['course', course.id], answer);
            setOutdated((all) => [...new Set([...all, ...answer.outdated])]);
            // Two changes at once may be answered out of order: the last word is read anew.
            void client.invalidateQueries({ queryKey: ['course', course.id] });
            void client.invalidateQueries({ queryKey: ['courses'] });
        },
        onError: failed,
    });
    const addLogo = async (file: File) => {
        const form = new FormData();
        form.append('file', file);
        try {
            const logo = await api.post<Logo>(`courses/${course.id}/logos`, form);
            save.mutate({ style: { logo: logo.id } });
            say(`${logo.name} is the logo of this course.`);
        } catch (error) {
            failed(error);
        }
    };
    return (
        <main className="course-room">
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
                    onBlur={(event) =>
                        event.target.value.trim() !== course.name && save.mutate({ name: event.target.value })
                    }
                />
                <a className="ms-auto" href="#people">
                    {people ? 'People and history' : 'History'}
                </a>
            </header>
            <section aria-label="Lessons">
                <h1>House style of {course.name}</h1>
                <p className="soft">
                    Every lesson of the course follows it, except where a lesson says otherwise.{' '}
                    {own.length === 0 ? (
                        'No lesson belongs to it yet.'
                    ) : (
                        <>
                            {own.length === 1 ? 'Its lesson: ' : `Its ${own.length} lessons: `}
                            {own.map((lesson, index) => (
                                <span key={lesson.id}>
                                    {index > 0 && ', '}
                                    <Link to={`/lessons/${lesson.id}`}>{lesson.title}</Link>
                                </span>
                            ))}
                            .
                        </>
                    )}
                </p>
                <CoursePageLink course={course} />
                <div aria-live="polite">
                    {outdated.length > 0 && (
                        <Alert variant="warning">
                            <Icon name="exclamation" />{' '}
                            {outdated.length === 1 ? 'One export is' : `${outdated.length} exports are`} out of date
                            now: {outdated.join(', ')}. Export again when you are done here.
                        </Alert>
                    )}
                </div>
            </section>
            {/* Whoever may not change the style still sees it. */}
            <fieldset className="all-of-it" disabled={!may(course, 'publish')}>
                <StyleForm
                    style={course.style}
                    logos={course.logos}
                    warnings={course.warnings}
                    withFrame
                    onChange={(style) => save.mutate({ style })}
                    logoUpload={
                        <label className="btn btn-quiet btn-sm">
                            <Icon name="plus" /> Bring in a logo
                            <FilePick label="Logo" accept={pictureTypes} onFile={(file) => void addLogo(file)} />
                        </label>
                    }
                />
            </fieldset>
            <div className="people-columns" id="people">
                {people && <MembersPanel place={{ kind: 'courses', id: course.id }} called={course.name} />}
                <History place={{ kind: 'courses', id: course.id }} />
            </div>
        </main>
    );
}

/** The page that lists the films of the course which can be watched now. */
function CoursePageLink({ course }: { course: Course }) {
    const client = useQueryClient();
    const { failed, say } = useNotices();
    const make = useMutation({
        mutationFn: () => api.post<Course>(`courses/${course.id}/page`),
        onSuccess: (answer) => client.setQueryData(['course', course.id], answer),
        onError: failed,
    });
    if (!course.page) {
        return (
            <p>
                <Button size="sm" variant="quiet" disabled={make.isPending} onClick={() => make.mutate()}>
                    Make a page of its published films
                </Button>
            </p>
        );
    }
    const address = `${location.origin}${course.page}`;
    return (
        <p>
            Its published films: <a href={course.page}>{address}</a>{' '}
            <Button
                size="sm"
                variant="quiet"
                onClick={() => void copyText(address).then(() => say('The link is copied.'), failed)}
            >
                Copy the link
            </Button>
        </p>
    );
}
