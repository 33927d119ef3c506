import { Suspense, useEffect } from 'react';
import Spinner from 'react-bootstrap/Spinner';
import { Link, Outlet, useLocation, useOutletContext, useParams } from 'react-router';
import { useLesson } from '../api/lesson';
import type { Lesson, Section } from '../api/types';
import { EmptyPlace } from '../ui/EmptyPlace';
import { useRecovery } from './Recovery';
import { Strip } from './Strip';

export interface LessonPlace {
    lesson: Lesson;
    /** The section the address names, or the first. */
    section: Section | undefined;
}

export const useLessonPlace = () => useOutletContext<LessonPlace>();

const rooms = [
    ['script', 'Script'],
    ['record', 'Record'],
    ['review', 'Review'],
    ['finish', 'Finish'],
    ['handover', 'Hand over'],
] as const;

/** The address of a room of a lesson, at a section. */
export const roomPath = (lesson: string, room: string, section?: string) =>
    `/lessons/${lesson}/${room}${section ? `/${section}` : ''}`;

/** What stands round every room of a lesson: its name, the way to the other rooms, and the strip. */
export function LessonFrame() {
    const { lessonId = '', sectionId } = useParams();
    const room = useLocation().pathname.split('/')[3] ?? 'script';
    const { data: lesson, error } = useLesson(lessonId);
    useRecovery(lessonId);
    useEffect(() => {
        const name = rooms.find(([path]) => path === room)?.[1] ?? '';
        document.title = lesson ? `${name}: ${lesson.title} - Open Reel` : 'Open Reel';
    }, [lesson, room]);

    if (!lesson) {
        return error ? (
            <EmptyPlace room="Lesson" says={error.message}>
                <Link to="/">To the shelf</Link>
            </EmptyPlace>
        ) : (
            <Loading />
        );
    }
    const section = lesson.sections.find((s) => s.id === sectionId) ?? lesson.sections[0];
    return (
        <div className={room === 'record' ? 'lesson-frame room-dark' : 'lesson-frame'}>
            <header className="lesson-head">
                <Link className="home" to="/">
                    <span aria-hidden="true">←</span> Shelf
                </Link>
                <span className="title" title={lesson.title}>
                    {lesson.title}
                </span>
                <nav aria-label="Rooms">
                    <ul className="rooms">
                        {rooms.map(([path, name]) => (
                            <li key={path}>
                                <Link
                                    to={roomPath(lesson.id, path, sectionId)}
                                    aria-current={path === room ? 'page' : undefined}
                                >
                                    {name}
                                </Link>
                            </li>
                        ))}
                    </ul>
                </nav>
            </header>
            <Strip
                sections={lesson.sections}
                current={sectionId ? section?.id : undefined}
                href={(s) => roomPath(lesson.id, room, s.id)}
            />
            <Suspense fallback={<Loading />}>
                <Outlet context={{ lesson, section } satisfies LessonPlace} />
            </Suspense>
        </div>
    );
}

function Loading() {
    return (
        <div className="empty-place">
            <Spinner aria-hidden="true" /> <p>Opening the lesson...</p>
        </div>
    );
}
