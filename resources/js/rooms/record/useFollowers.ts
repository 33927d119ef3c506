import { useEffect, useRef, useState } from 'react';
import { usePairedDevices } from '../../api/pairedDevices';
import { api } from '../../api/client';
import type { Line } from '../../api/types';
import { RoomReport } from '../../recorder/roomReport';
import type { RecordingSession } from '../../recorder/session';
import type { SessionState } from '../../recorder/sessionStates';

interface Place {
    lessonId: string;
    /** As it is called in the room. */
    title: string;
    lines: Line[];
    line: number;
    state: SessionState;
    countLeft: number;
}

/** Devices that were let in are told what the room shows; while there are none nothing is sent. */
export function useFollowers(session: RecordingSession, place: Place): void {
    const { lessonId, title, lines, line, state, countLeft } = place;
    const { data } = usePairedDevices(false);
    const isFollowed = (data?.devices.length ?? 0) > 0;
    const [report] = useState(
        () => new RoomReport((shown) => api.put<void>(`lessons/${lessonOf.current}/room`, { ...shown })),
    );
    const lessonOf = useRef(lessonId);
    lessonOf.current = lessonId;
    useEffect(() => {
        if (isFollowed) {
            report.show(() => ({
                section: title,
                state,
                line,
                lines: lines.length,
                now: lines[line]?.text ?? '',
                next: lines[line + 1]?.text ?? '',
                elapsed_ms: Math.round(session.elapsed()),
                count_left: countLeft,
            }));
        }
    }, [report, isFollowed, session, title, lines, line, state, countLeft]);
    useEffect(() => {
        if (!isFollowed) {
            return;
        }
        return () => {
            report.stop();
            // What is not said any more is forgotten after a while anyway.
            void api.delete<void>(`lessons/${lessonId}/room`).catch(() => undefined);
        };
    }, [report, isFollowed, lessonId]);
}
