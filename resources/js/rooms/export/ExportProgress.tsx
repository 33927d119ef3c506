import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import ProgressBar from 'react-bootstrap/ProgressBar';
import { api } from '../../api/client';
import { useLessonChange } from '../../api/lesson';
import type { Export } from '../../api/types';
import { useNotices } from '../../ui/Notices';
import { canAskToTell } from '../../shell/useFinishedFilms';
import { clock } from '../../lib/time';

/** What a running export is doing, how far it is, how long is left. */
export function ExportProgress({ lessonId, job, isAlone }: { lessonId: string; job: Export; isAlone: boolean }) {
    const { failed } = useNotices();
    const [canAsk, setCanAsk] = useState(canAskToTell);
    const cancel = useLessonChange(lessonId, () => api.post(`exports/${job.id}/cancel`));
    const part = Math.round(job.progress * 100);
    const left = job.seconds_left === null ? '' : `, about ${clock(job.seconds_left * 1000)} left`;
    return (
        <div className="export-progress" role="status">
            <p className="times mb-1">
                {!isAlone && <b>{job.file_name} </b>}
                {job.state === 'waiting'
                    ? (job.doing ?? 'Waiting for its turn')
                    : `${job.doing ?? 'Starting'}: ${part} %${left}`}
            </p>
            <ProgressBar now={part} aria-label={isAlone ? 'Export' : `Export of ${job.file_name}`} />
            <p className="soft mt-1">You can leave this page; the export goes on, and you are told when it is done.</p>
            <Button
                variant="quiet"
                aria-label={isAlone ? undefined : `Cancel ${job.file_name}`}
                disabled={cancel.isPending}
                onClick={() => cancel.mutate(undefined, { onError: failed })}
            >
                Cancel
            </Button>
            {canAsk && (
                <Button
                    variant="quiet"
                    className="ms-2"
                    onClick={() => void Notification.requestPermission().then(() => setCanAsk(false))}
                >
                    Tell me outside this page too
                </Button>
            )}
        </div>
    );
}
