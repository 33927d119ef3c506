import { useQuery } from '@tanstack/react-query';
import Spinner from 'react-bootstrap/Spinner';
import { api } from '../../api/client';
import type { ScriptText } from '../../api/types';
import { useLessonPlace } from '../../shell/LessonFrame';
import { EmptyPlace } from '../../ui/EmptyPlace';
import { ScriptDesk } from './ScriptDesk';

/** Reads the text anew whenever the room is entered; from then on the page itself keeps in step with the server. */
export default function ScriptRoom() {
    const { lesson, section } = useLessonPlace();
    const { data: script, error } = useQuery({
        queryKey: ['script', lesson.id],
        queryFn: () => api.get<ScriptText>(`lessons/${lesson.id}/script`),
        staleTime: Infinity,
        gcTime: 0,
    });
    if (!script) {
        return error ? (
            <EmptyPlace room="Script" says={error.message} />
        ) : (
            <div className="empty-place">
                <Spinner aria-hidden="true" /> <p>Opening the script...</p>
            </div>
        );
    }
    return <ScriptDesk key={lesson.id} lesson={lesson} script={script} scrollTo={section?.id} />;
}
