import { QueryClientProvider } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router';
import { queryClient } from '../api/queries';
import { ShelfRoom } from '../rooms/shelf/ShelfRoom';
import { Fault } from './Fault';
import { LessonFrame } from './LessonFrame';
import { NoticesProvider } from './Notices';
import { SignedOut } from './SignedOut';
import { CaptionsRoom, FinishRoom, HandOverRoom, RecordRoom, ReviewRoom, ScriptRoom } from './rooms';

const CourseRoom = lazy(() => import('../rooms/course/CourseRoom'));
const PrompterRoom = lazy(() => import('../rooms/prompter/PrompterRoom'));
const StorageRoom = lazy(() => import('../rooms/storage/StorageRoom'));
const PrintRoom = lazy(() => import('../rooms/script/PrintRoom'));

const router = createBrowserRouter([
    { path: '/', element: <ShelfRoom />, errorElement: <Fault /> },
    {
        path: '/storage',
        element: (
            <Suspense>
                <StorageRoom />
            </Suspense>
        ),
        errorElement: <Fault />,
    },
    {
        path: '/courses/:courseId',
        element: (
            <Suspense>
                <CourseRoom />
            </Suspense>
        ),
        errorElement: <Fault />,
    },
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
        element: <LessonFrame />,
        errorElement: <Fault />,
        children: [
            { index: true, element: <Navigate to="script" replace /> },
            { path: 'script/:sectionId?', element: <ScriptRoom /> },
            { path: 'record/:sectionId?', element: <RecordRoom /> },
            { path: 'review/:sectionId?', element: <ReviewRoom /> },
            { path: 'finish/:sectionId?', element: <FinishRoom /> },
            { path: 'handover/:sectionId?', element: <HandOverRoom /> },
            { path: 'captions/:sectionId?', element: <CaptionsRoom /> },
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
