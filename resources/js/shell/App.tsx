import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router';
import { ApiProblem } from '../api/client';
import { ShelfRoom } from '../rooms/shelf/ShelfRoom';
import { Fault } from './Fault';
import { LessonFrame } from './LessonFrame';
import { NoticesProvider } from './Notices';

const CourseRoom = lazy(() => import('../rooms/course/CourseRoom'));
const PrintRoom = lazy(() => import('../rooms/script/PrintRoom'));
const ScriptRoom = lazy(() => import('../rooms/script/ScriptRoom'));
const RecordRoom = lazy(() => import('../rooms/record/RecordRoom'));
const ReviewRoom = lazy(() => import('../rooms/review/ReviewRoom'));
const FinishRoom = lazy(() => import('../rooms/finish/FinishRoom'));
const HandOverRoom = lazy(() => import('../rooms/handover/HandOverRoom'));

const client = new QueryClient({
    defaultOptions: {
        queries: {
            staleTime: 2000,
            retry: (failures, error) => !(error instanceof ApiProblem && error.status < 500) && failures < 5,
        },
    },
});

const router = createBrowserRouter([
    { path: '/', element: <ShelfRoom />, errorElement: <Fault /> },
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
        ],
    },
    { path: '*', element: <Navigate to="/" replace /> },
]);

export function App() {
    return (
        <QueryClientProvider client={client}>
            <NoticesProvider>
                <RouterProvider router={router} />
            </NoticesProvider>
        </QueryClientProvider>
    );
}
