import Alert from 'react-bootstrap/Alert';
import Button from 'react-bootstrap/Button';
import Spinner from 'react-bootstrap/Spinner';
import { api } from '../../api/client';
import { useLessonChange } from '../../api/lesson';
import type { Lesson, Take } from '../../api/types';
import { Icon } from '../../ui/Icon';
import { useNotices } from '../../ui/Notices';
import type { useTakePlayback } from './useTakePlayback';

/** A take that is being listened to, and can be played already. */
export function Listening({ take, playback }: { take: Take; playback: ReturnType<typeof useTakePlayback> }) {
    return (
        <div className="listening">
            <Button variant="quiet" onClick={playback.toggle}>
                <Icon name={playback.playing ? 'pause' : 'play'} /> {playback.playing ? 'Pause' : 'Play'}
            </Button>
            <span className="soft">
                {take.problem ? (
                    <>
                        <Icon name="exclamation" /> {take.problem} The recording is safe, and is read again by itself.
                    </>
                ) : (
                    <>
                        <Spinner size="sm" aria-hidden="true" /> Listening to the take. You can play it already.
                    </>
                )}
            </span>
        </div>
    );
}

/** A take that cannot be played: why, and what can be done. */
export function NotPlayable({ lesson, take }: { lesson: Lesson; take: Take }) {
    const { failed } = useNotices();
    const asArrived = useLessonChange(lesson.id, () => api.post(`takes/${take.id}/finish`, { as_arrived: true }));
    const readAgain = useReadAgain(lesson, take);
    return (
        <Alert variant="warning">
            <Icon name="exclamation" />{' '}
            {take.problem ??
                (take.cut_off
                    ? 'This take was cut off while recording. What had arrived is safe.'
                    : 'This take is being recorded, or is still on its way from the browser that recorded it.')}
            {take.state === 'unusable' && take.recording_kept && (
                <p className="mt-2 mb-0">
                    <Button
                        size="sm"
                        disabled={readAgain.isPending}
                        onClick={() => readAgain.mutate(undefined, { onError: failed })}
                    >
                        Read again
                    </Button>
                </p>
            )}
            {take.cut_off && (
                <p className="mt-2 mb-0">
                    <Button size="sm" onClick={() => asArrived.mutate(undefined, { onError: failed })}>
                        Use what arrived
                    </Button>
                </p>
            )}
        </Alert>
    );
}

/** Has the server listen to a take anew, from what came from the recorder. */
export const useReadAgain = (lesson: Lesson, take: Take) =>
    useLessonChange(lesson.id, () => api.post(`takes/${take.id}/read-again`));
