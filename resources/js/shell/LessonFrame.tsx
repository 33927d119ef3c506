import { Suspense, useEffect, useRef, useSyncExternalStore } from 'react';
import { Link, Outlet, useLocation, useOutletContext, useParams } from 'react-router';
import { connectivity } from '../api/client';
import { readAhead, takesKey, useLesson } from '../api/lesson';
import { may, useMe } from '../api/me';
import { refreshFilm } from '../api/queries';
import type { Lesson, Section } from '../api/types';
import { outbox } from '../recorder/outbox';
import { Icon } from '../ui/Icon';
import { Waiting } from '../ui/Waiting';
import { NoticeList } from '../ui/NoticeList';
import { roomPath } from './paths';
import { useRecovery } from './Recovery';
import { openScript } from '../page/scripts';
import { Strip } from './Strip';
import { Claimed, WhoIsHere } from './WhoIsHere';
import { useFinishedFilms } from './useFinishedFilms';
import { useTogether } from './useTogether';

/** Reading ahead waits until the room at hand has what it needs. */
const aheadMs = 600;

export interface LessonPlace {
    lesson: Lesson;
    /** The section the address names, or the first. */
    section: Section | undefined;
}

export const useLessonPlace = () => useOutletContext<LessonPlace>();

/** Each with what one must be allowed to do anything in it. */
const rooms = [
    ['script', 'Script', 'see'],
    ['record', 'Record', 'record'],
    ['review', 'Review', 'write'],
    ['finish', 'Finish', 'write'],
    ['handover', 'Hand over', 'write'],
] as const;

/** Rooms that have no place of their own in the row. */
const beside: Record<string, string> = { captions: 'Captions', people: 'People and history' };

/** Rooms that are a part of another one. */
const partOf: Record<string, string> = { captions: 'handover' };

/** What stands round every room of a lesson: its name, the way to the other rooms, and the strip. */
/** @param loadRooms brings the code of the rooms, which stand above this */
export function LessonFrame({ loadRooms }: { loadRooms: () => void }) {
    const { lessonId = '', sectionId } = useParams();
    const room = useLocation().pathname.split('/')[3] ?? 'script';
    const { data: lesson, error } = useLesson(lessonId);
    useRecovery(lessonId);
    // Who records is not spoken to.
    useFinishedFilms(lessonId, room === 'record');
    useFilmOfTakes(lesson);
    const section = lesson && sectionOf(lesson, room, sectionId);
    useReadAhead(lesson, section, room, loadRooms);
    const others = useTogether(lessonId, room, section?.id);
    const people = useMe()?.mode === 'people';
    useEffect(() => {
        const name = beside[room] ?? rooms.find(([path]) => path === room)?.[1] ?? '';
        document.title = lesson ? `${name}: ${lesson.title} - Open Reel` : 'Open Reel';
    }, [lesson, room]);

    if (!lesson) {
        return (
            <Waiting room="Lesson" says="Opening the lesson..." problem={error?.message}>
                <Link to="/">Back to the shelf</Link>
            </Waiting>
        );
    }
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
                        {rooms.map(
                            ([path, name, right]) =>
                                may(lesson, right) && (
                                    <li key={path}>
                                        <Link
                                            to={roomPath(lesson.id, path, sectionId)}
                                            aria-current={path === (partOf[room] ?? room) ? 'page' : undefined}
                                        >
                                            {name}
                                        </Link>
                                    </li>
                                ),
                        )}
                    </ul>
                </nav>
                <Link
                    className="beside-rooms"
                    to={roomPath(lesson.id, 'people')}
                    aria-current={room === 'people' ? 'page' : undefined}
                >
                    {people ? 'People' : 'History'}
                </Link>
                {people && room !== 'record' && <NoticeList />}
            </header>
            <Strip
                sections={lesson.sections}
                current={sectionId ? section?.id : undefined}
                href={(s) => roomPath(lesson.id, room, s.id)}
            />
            <div>
                <AwayNotice room={room} />
                {room === 'record' && <Claimed section={section} />}
                {others.length > 0 && <WhoIsHere others={others} sections={lesson.sections} />}
            </div>
            <Suspense fallback={<Waiting room="Lesson" says="Opening the room..." />}>
                <Outlet context={{ lesson, section } satisfies LessonPlace} />
            </Suspense>
        </div>
    );
}

/** The one that the address names, or the first. Nobody records a card: there the first that is spoken is meant. */
function sectionOf(lesson: Lesson, room: string, id: string | undefined): Section | undefined {
    const spoken = ['record', 'review'].includes(room) ? lesson.sections.find((s) => !s.card) : undefined;
    return lesson.sections.find((s) => s.id === id) ?? spoken ?? lesson.sections[0];
}

/** Once a room is shown, what the others need is read, so that they open also when the server is away. */
function useReadAhead(
    lesson: Lesson | undefined,
    section: Section | undefined,
    room: string,
    loadRooms: () => void,
): void {
    const id = lesson?.id;
    const at = lesson && section ? lesson.sections.indexOf(section) : -1;
    const near =
        lesson?.sections
            .slice(Math.max(0, at - 1), at + 2)
            .map((one) => one.id)
            .join(' ') ?? '';
    useEffect(() => {
        if (!id) {
            return;
        }
        const timer = setTimeout(() => {
            loadRooms();
            readAhead(id, near === '' ? [] : near.split(' '));
            void openScript(id).catch(() => undefined);
        }, aheadMs);
        return () => clearTimeout(timer);
    }, [id, near, room, loadRooms]);
}

/** A take that has been prepared, or listened to, is in the film of every room at once. */
function useFilmOfTakes(lesson: Lesson | undefined): void {
    const known = useRef<string | undefined>(undefined);
    const id = lesson?.id;
    const takes = lesson && `${id} ${takesKey(lesson)}`;
    useEffect(() => {
        if (id && known.current !== undefined && known.current !== takes) {
            refreshFilm(id);
        }
        known.current = takes;
    }, [id, takes]);
}

function AwayNotice({ room }: { room: string }) {
    const { away, signedOut } = useSyncExternalStore(connectivity.subscribe, connectivity.snapshot);
    // The recording room says so itself, beside the prompter, and nothing moves there meanwhile.
    const isTold = useSyncExternalStore(
        outbox.subscribe,
        () => room === 'record' && outbox.snapshot().trouble !== null,
    );
    return (
        <p className="away-notice" role="status">
            {away && !signedOut && !isTold && (
                <>
                    <Icon name="exclamation" /> The server cannot be reached. You see the lesson as it was. What you
                    type, and a take that is rolling, is kept in this browser until the server has it.
                </>
            )}
        </p>
    );
}
