import { Suspense, useEffect, useSyncExternalStore } from 'react';
import { Link, Outlet, useLocation, useOutletContext, useParams } from 'react-router';
import { reach } from '../api/client';
import { readAhead, useLesson } from '../api/lesson';
import type { Lesson, Section } from '../api/types';
import { Icon } from '../ui/Icon';
import { Waiting } from '../ui/Waiting';
import { roomPath } from './paths';
import { useRecovery } from './Recovery';
import { loadRooms } from './rooms';
import { Strip } from './Strip';
import { useFinishedFilms } from './useFinishedFilms';

/** Reading ahead waits until the room at hand has what it needs. */
const aheadMs = 600;

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

/** Rooms that are a part of another one. */
const partOf: Record<string, string> = { captions: 'handover' };

/** What stands round every room of a lesson: its name, the way to the other rooms, and the strip. */
export function LessonFrame() {
    const { lessonId = '', sectionId } = useParams();
    const room = useLocation().pathname.split('/')[3] ?? 'script';
    const { data: lesson, error } = useLesson(lessonId);
    useRecovery(lessonId);
    // Who records is not spoken to.
    useFinishedFilms(lessonId, room === 'record');
    useReadAhead(lesson, room);
    useEffect(() => {
        const name = room === 'captions' ? 'Captions' : (rooms.find(([path]) => path === room)?.[1] ?? '');
        document.title = lesson ? `${name}: ${lesson.title} - Open Reel` : 'Open Reel';
    }, [lesson, room]);

    if (!lesson) {
        return (
            <Waiting room="Lesson" says="Opening the lesson..." problem={error?.message}>
                <Link to="/">Back to the shelf</Link>
            </Waiting>
        );
    }
    // Nobody records a card: the first section that is spoken is meant.
    const spoken = ['record', 'review'].includes(room) ? lesson.sections.find((s) => !s.card) : undefined;
    const section = lesson.sections.find((s) => s.id === sectionId) ?? spoken ?? lesson.sections[0];
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
                                    aria-current={path === (partOf[room] ?? room) ? 'page' : undefined}
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
            <AwayNotice />
            <Suspense fallback={<Waiting room="Lesson" says="Opening the room..." />}>
                <Outlet context={{ lesson, section } satisfies LessonPlace} />
            </Suspense>
        </div>
    );
}

/** Once a room is shown, what the others need is read, so that they open also when the server is away. */
function useReadAhead(lesson: Lesson | undefined, room: string): void {
    const id = lesson?.id;
    useEffect(() => {
        if (!id) {
            return;
        }
        const timer = setTimeout(() => {
            loadRooms();
            readAhead(id);
        }, aheadMs);
        return () => clearTimeout(timer);
    }, [id, room]);
}

function AwayNotice() {
    const { away, signedOut } = useSyncExternalStore(reach.subscribe, reach.snapshot);
    return (
        <p className="away-notice" role="status">
            {away && !signedOut && (
                <>
                    <Icon name="exclamation" /> The server cannot be reached. You see the lesson as it was. What you
                    type, and a take that is rolling, is kept in this browser until the server has it.
                </>
            )}
        </p>
    );
}
