import { QueryClientProvider } from '@tanstack/react-query';
import { lazy, type ReactNode, Suspense } from 'react';
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router';
import { queryClient } from '../api/queries';
import type { Right } from '../api/types';
import { LessonsRoom } from '../rooms/lessons/LessonsRoom';
import { Fault } from '../shell/Fault';
import { LessonFrame } from '../shell/LessonFrame';
import { NoticesProvider } from '../ui/Notices';
import { OnlyFor } from '../shell/OnlyFor';
import { SignedOut } from '../shell/SignedOut';
import {
    CaptionsRoom,
    FinishRoom,
    HandOverRoom,
    PeopleRoom,
    RecordRoom,
    ReviewRoom,
    ScriptRoom,
    loadRooms,
} from './rooms';

const CourseRoom = lazy(() => import('../rooms/course/CourseRoom'));
const PrompterRoom = lazy(() => import('../rooms/prompter/PrompterRoom'));
const StorageRoom = lazy(() => import('../rooms/storage/StorageRoom'));
const PrintRoom = lazy(() => import('../rooms/script/PrintRoom'));

const only = (right: Right, room: string, element: ReactNode) => (
    <OnlyFor right={right} room={room}>
        {element}
    </OnlyFor>
);

const router = createBrowserRouter([
    { path: '/', element: <LessonsRoom />, errorElement: <Fault /> },
    {
        path: '/storage',
        element: (
            <Suspense>
                <StorageRoom />
            </Suspense>
        ),
        errorElement: <Fault />,
    },
    ...(['style', 'people'] as const).map((part) => ({
        path: part === 'style' ? '/courses/:courseId' : '/courses/:courseId/people',
        element: (
            <Suspense>
                <CourseRoom part={part} />
            </Suspense>
        ),
        errorElement: <Fault />,
    })),
    {
        path: '/lessons/:lessonId/print',
        element: (
            <Suspense>
                <PrintRoom />
            </Suspense>
        ),
        errorElement: <Fault />,
    },
    {
        path: '/lessons/:lessonId/prompter',
        element: (
            <Suspense>
                <PrompterRoom />
            </Suspense>
        ),
        errorElement: <Fault />,
    },
    {
        path: '/lessons/:lessonId',
        element: <LessonFrame loadRooms={loadRooms} />,
        errorElement: <Fault />,
        children: [
            { index: true, element: <Navigate to="script" replace /> },
            { path: 'script/:sectionId?', element: <ScriptRoom /> },
            { path: 'record/:sectionId?', element: only('record', 'Record', <RecordRoom />) },
            { path: 'review/:sectionId?', element: only('write', 'Review', <ReviewRoom />) },
            { path: 'finish/:sectionId?', element: only('write', 'Finish', <FinishRoom />) },
            { path: 'handover/:sectionId?', element: only('write', 'Hand over', <HandOverRoom />) },
            { path: 'captions/:sectionId?', element: only('write', 'Captions', <CaptionsRoom />) },
            { path: 'people/:sectionId?', element: <PeopleRoom /> },
        ],
    },
    { path: '*', element: <Navigate to="/" replace /> },
]);

export function App() {
    return (
        <QueryClientProvider client={queryClient}>
            <NoticesProvider>
                <RouterProvider router={router} />
                <SignedOut />
            </NoticesProvider>
        </QueryClientProvider>
    );
}
