import { useMutation, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Dropdown from 'react-bootstrap/Dropdown';
import Form from 'react-bootstrap/Form';
import { Link } from 'react-router';
import { api } from '../../api/client';
import { may } from '../../api/me';
import type { Course, LessonSummary } from '../../api/types';
import { useNotices } from '../../ui/Notices';
import { Icon } from '../../ui/Icon';
import { clock, day } from '../../lib/time';
import { useInSight } from '../../ui/useInSight';
import { NextLink, saysFilm, SmallStrip, titleId, useGlance } from './Glance';

interface Props {
    lesson: LessonSummary;
    courses: Course[];
    onRemove: () => void;
}

export function LessonRow({ lesson, courses, onRemove }: Props) {
    const [naming, setNaming] = useState(false);
    const row = useRef<HTMLLIElement>(null);
    const glance = useGlance(lesson, useInSight(row));
    return (
        <li className="lesson-row" ref={row}>
            <div className="cover">{lesson.slide_url && <img src={lesson.slide_url} alt="" />}</div>
            <div className="what">
                {naming ? (
                    <Rename lesson={lesson} onDone={() => setNaming(false)} />
                ) : (
                    <h2 id={titleId(lesson)}>
                        <Link to={`/lessons/${lesson.id}`}>{lesson.title}</Link>
                    </h2>
                )}
                <p className="soft times">
                    {lesson.kept} of {lesson.sections} {lesson.sections === 1 ? 'section' : 'sections'} kept ·{' '}
                    {clock(lesson.running_ms)}
                    {glance && ` · ${saysFilm(glance)}`} · changed {day(lesson.updated_at)}
                </p>
                <SmallStrip glance={glance} />
            </div>
            <NextLink lesson={lesson} glance={glance} />
            {may(lesson, 'write') && (
                <More lesson={lesson} courses={courses} onRename={() => setNaming(true)} onRemove={onRemove} />
            )}
        </li>
    );
}

interface MoreProps extends Props {
    onRename: () => void;
}

function More({ lesson, courses, onRename, onRemove }: MoreProps) {
    const move = useMoveLesson(lesson);
    const owns = may(lesson, 'own');
    return (
        <Dropdown align="end">
            <Dropdown.Toggle variant="quiet" size="sm" aria-label={`More about ${lesson.title}`}>
                <Icon name="dots" />
            </Dropdown.Toggle>
            <Dropdown.Menu>
                <Dropdown.Item as="button" onClick={onRename}>
                    Rename
                </Dropdown.Item>
                {owns &&
                    courses
                        .filter((course) => course.id !== lesson.course_id && may(course, 'write'))
                        .map((course) => (
                            <Dropdown.Item as="button" key={course.id} onClick={() => move(course.id)}>
                                Move to {course.name}
                            </Dropdown.Item>
                        ))}
                {owns && courses.some((course) => course.id === lesson.course_id) && (
                    <Dropdown.Item as="button" onClick={() => move(null)}>
                        Take out of its course
                    </Dropdown.Item>
                )}
                <Dropdown.Item href={`/api/lessons/${lesson.id}/archive.zip`} download>
                    Download as an archive
                </Dropdown.Item>
                {owns && (
                    <Dropdown.Item as="button" onClick={onRemove}>
                        Delete
                    </Dropdown.Item>
                )}
            </Dropdown.Menu>
        </Dropdown>
    );
}

function Rename({ lesson, onDone }: { lesson: LessonSummary; onDone: () => void }) {
    const [title, setTitle] = useState(lesson.title);
    const client = useQueryClient();
    const { failed } = useNotices();
    const save = useMutation({
        mutationFn: () => api.patch(`lessons/${lesson.id}`, { title }),
        onSuccess: async () => {
            await client.invalidateQueries({ queryKey: ['lessons'] });
            onDone();
        },
        onError: failed,
    });
    const submit = (event: FormEvent) => {
        event.preventDefault();
        save.mutate();
    };
    return (
        <Form onSubmit={submit} className="d-flex gap-2 mb-1" onKeyDown={(e) => e.key === 'Escape' && onDone()}>
            <Form.Control
                autoFocus
                aria-label="Title"
                maxLength={200}
                value={title}
                onChange={(e) => setTitle(e.target.value)}
            />
            <Button type="submit" size="sm">
                Save
            </Button>
            <Button variant="quiet" size="sm" onClick={onDone}>
                Leave as it was
            </Button>
        </Form>
    );
}

/** Another course means another house style. */
function useMoveLesson(lesson: LessonSummary) {
    const client = useQueryClient();
    const { say, failed } = useNotices();
    const save = useMutation({
        mutationFn: (course: string | null) =>
            api.patch(`lessons/${lesson.id}`, { title: lesson.title, course_id: course }),
        onSuccess: () =>
            Promise.all([
                client.invalidateQueries({ queryKey: ['lessons'] }),
                client.invalidateQueries({ queryKey: ['courses'] }),
            ]),
        onError: failed,
    });
    return (course: string | null) =>
        save.mutate(course, {
            onSuccess: () =>
                say(`${lesson.title} is moved. It follows the house style of its place.`, () =>
                    save.mutate(lesson.course_id),
                ),
        });
}
