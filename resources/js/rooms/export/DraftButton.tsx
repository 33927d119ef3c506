import Button from 'react-bootstrap/Button';
import { api } from '../../api/client';
import { useLessonChange } from '../../api/lesson';
import type { Export } from '../../api/types';
import { useNotices } from '../../ui/Notices';

const says = 'A stand-in voice reads what is not recorded yet, and picture and name say that it is a draft.';

/** A film of the lesson as far as it is. */
export function DraftButton({ lessonId }: { lessonId: string }) {
    const { failed } = useNotices();
    const start = useLessonChange(lessonId, () => api.post<Export>(`lessons/${lessonId}/exports`, { draft: true }));
    return (
        <Button
            variant="quiet"
            disabled={start.isPending}
            title={says}
            onClick={() => start.mutate(undefined, { onError: failed })}
        >
            Export a draft
        </Button>
    );
}
