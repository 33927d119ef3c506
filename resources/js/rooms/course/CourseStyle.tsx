import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import Alert from 'react-bootstrap/Alert';
import Button from 'react-bootstrap/Button';
import { Link } from 'react-router';
import { api } from '../../api/client';
import { useLessons } from '../../api/lesson';
import { may } from '../../api/me';
import type { Course, Logo, StyleValue } from '../../api/types';
import { useNotices } from '../../ui/Notices';
import { pictureTypes } from '../../ui/importSlides';
import { copyText } from '../../lib/copyText';
import { FilePick } from '../../ui/FilePick';
import { Icon } from '../../ui/Icon';
import { StyleForm } from '../../ui/style/StyleForm';

/** The house style of a course, which its lessons share. */
export function CourseStyle({ course }: { course: Course }) {
    const client = useQueryClient();
    const { failed, say } = useNotices();
    const { data: lessons = [] } = useLessons();
    const [outdated, setOutdated] = useState<string[]>([]);
    const own = lessons.filter((lesson) => lesson.course_id === course.id);
    const save = useMutation({
        mutationFn: (change: { style: Record<string, StyleValue> }) =>
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
        <main>
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
