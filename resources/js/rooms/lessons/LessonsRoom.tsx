import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { Link } from 'react-router';
import { api } from '../../api/client';
import { useCourses, useLessons } from '../../api/lesson';
import { useMe } from '../../api/me';
import type { LessonSummary } from '../../api/types';
import { NoticeList, useUnread } from '../../ui/NoticeList';
import { useNotices } from '../../ui/Notices';
import { EmptyPlace } from '../../ui/EmptyPlace';
import { Icon } from '../../ui/Icon';
import { ImportArchive } from './ImportArchive';
import { CourseHead, groups, NewCourse } from './Courses';
import { FindField, Findings, useFinding } from './SearchResults';
import { LessonRow } from './LessonRow';
import { NewLesson } from './NewLesson';

/** All lessons, the one changed last first. */
export function LessonsRoom() {
    const { data: lessons, error } = useLessons();
    const { data: courses = [] } = useCourses();
    const [making, setMaking] = useState(false);
    const remove = useRemoveLesson();
    const { words, find } = useFinding();
    const me = useMe();
    const unread = useUnread(Boolean(me?.person));
    useEffect(() => {
        document.title = unread > 0 ? `(${unread}) Shelf - Open Reel` : 'Shelf - Open Reel';
    }, [unread]);
    return (
        <main className="shelf">
            <header className="shelf-head">
                <h1>Lessons</h1>
                {lessons && lessons.length > 0 && <FindField words={words} onChange={find} />}
                {lessons && lessons.length > 0 && (
                    <Button onClick={() => setMaking(true)}>
                        <Icon name="plus" /> New lesson
                    </Button>
                )}
                {me?.person && <NoticeList />}
                {me?.person && (
                    <a className="who" href="/account" title={me.person.email}>
                        {me.person.name}
                    </a>
                )}
            </header>
            {error && <EmptyPlace says={error.message} />}
            {lessons?.length === 0 && (
                <EmptyPlace says="A lesson is a script, recorded in short takes and joined into one video.">
                    <Button size="lg" onClick={() => setMaking(true)}>
                        <Icon name="plus" /> Create your first lesson
                    </Button>
                    {me?.person && (
                        <small className="soft d-block mt-3">
                            Lessons that others share with you will appear here too.
                        </small>
                    )}
                </EmptyPlace>
            )}
            {words.trim() !== '' && <Findings words={words} />}
            {lessons &&
                words.trim() === '' &&
                groups(lessons, courses).map(({ course, lessons: own }) => (
                    <section key={course?.id ?? ''} aria-label={course?.name ?? 'Lessons without a course'}>
                        {courses.length > 0 && <CourseHead course={course} />}
                        <ul className="lesson-list">
                            {own.map((lesson) => (
                                <LessonRow
                                    key={lesson.id}
                                    lesson={lesson}
                                    courses={courses}
                                    onRemove={() => remove(lesson)}
                                />
                            ))}
                        </ul>
                    </section>
                ))}
            {lessons && (
                <div className="shelf-foot">
                    {lessons.length > 0 && <NewCourse />}
                    <ImportArchive />
                    {me?.mode === 'me' && (
                        <span className="soft ms-auto align-self-center">For you alone, at this machine</span>
                    )}
                    <Link className={me?.mode === 'me' ? undefined : 'ms-auto'} to="/storage">
                        What takes up room
                    </Link>
                </div>
            )}
            {making && <NewLesson onClose={() => setMaking(false)} />}
        </main>
    );
}

function useRemoveLesson() {
    const client = useQueryClient();
    const { say, failed } = useNotices();
    const refresh = () => client.invalidateQueries({ queryKey: ['lessons'] });
    const restore = useMutation({
        mutationFn: (id: string) => api.post(`lessons/${id}/restore`),
        onSuccess: refresh,
        onError: failed,
    });
    const remove = useMutation({
        mutationFn: (lesson: LessonSummary) => api.delete(`lessons/${lesson.id}`),
        onSuccess: (_, lesson) => {
            say(`"${lesson.title}" is off the shelf.`, () => restore.mutate(lesson.id));
            return refresh();
        },
        onError: failed,
    });
    return (lesson: LessonSummary) => remove.mutate(lesson);
}
