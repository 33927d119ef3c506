import { type RefObject, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { api } from '../../api/client';
import { useLessonChange } from '../../api/lesson';
import type { Lesson, Marker, Take } from '../../api/types';
import { useNotices } from '../../ui/Notices';
import { tenths } from '../../lib/time';

interface Props {
    lesson: Lesson;
    take: Take;
    media: RefObject<HTMLVideoElement | null>;
}

/** Places of the take to come back to: go there, and write what they are for. Reads that went wrong are told too. */
export function Markers({ lesson, take, media }: Props) {
    const to = (ms: number) => {
        if (media.current) {
            media.current.currentTime = ms / 1000;
        }
    };
    if (take.markers.length === 0 && take.retakes.length === 0) {
        return null;
    }
    return (
        <ul className="markers" aria-label="Markers">
            {take.markers.map((marker) => (
                <MarkerRow key={marker.id} lesson={lesson} take={take} marker={marker} onGo={() => to(marker.at_ms)} />
            ))}
            {take.retakes.map((fluff) => (
                <li key={fluff.from_ms}>
                    <Button size="sm" variant="quiet" className="times" onClick={() => to(fluff.from_ms)}>
                        {tenths(fluff.from_ms)}
                    </Button>
                    <span className="soft">
                        {tenths(fluff.until_ms - fluff.from_ms)} s left out: you went again here.
                    </span>
                </li>
            ))}
        </ul>
    );
}

function MarkerRow({ lesson, take, marker, onGo }: { lesson: Lesson; take: Take; marker: Marker; onGo: () => void }) {
    const { failed } = useNotices();
    const [says, setSays] = useState(marker.says);
    const save = useLessonChange(lesson.id, () => api.patch(`takes/${take.id}`, { marker: { id: marker.id, says } }));
    return (
        <li>
            <Button size="sm" variant="quiet" className="times" onClick={onGo}>
                {tenths(marker.at_ms)}
            </Button>
            <Form.Control
                size="sm"
                aria-label={`Marker ${marker.id}: what it is for`}
                placeholder="What is here?"
                maxLength={500}
                value={says}
                onChange={(event) => setSays(event.target.value)}
                onBlur={() => says !== marker.says && save.mutate(undefined, { onError: failed })}
            />
        </li>
    );
}
