import { useRef, useState, useSyncExternalStore } from 'react';
import { api } from '../../api/client';
import type { Rect, Take } from '../../api/types';
import { makeRecorders, recordingFormats, type Sources as Streams } from '../../recorder/media';
import { outbox } from '../../recorder/outbox';
import { RecordingSession, type SessionPorts } from '../../recorder/session';

interface Wanted extends Streams {
    lessonId: string;
    sectionId: string;
    /** The parts of camera and screen that are to be shown. */
    framing: Rect | null;
    area: Rect | null;
    /** Ids of the lines of a pickup; null for all of the section. */
    lines: string[] | null;
}

const ONE_PLACE = 'open-reel-recording';

/** Takes the one recording place of this browser; null when another window has it. */
function claim(): Promise<(() => void) | null> {
    if (!navigator.locks) {
        return Promise.resolve(() => undefined);
    }
    return new Promise((answer) => {
        void navigator.locks.request(ONE_PLACE, { ifAvailable: true }, (lock) =>
            lock ? new Promise<void>((free) => answer(() => free())) : answer(null),
        );
    });
}

function ports(wanted: () => Wanted): SessionPorts {
    return {
        async openTake() {
            const { lessonId, sectionId, framing, area, lines } = wanted();
            const tracks = recordingFormats(wanted());
            if (tracks.length === 0) {
                throw new Error('There is nothing to record from. Choose a camera, a microphone or a screen.');
            }
            const take = await api.post<Take>(`sections/${sectionId}/takes`, { tracks, framing, area, lines });
            await outbox.open({
                takeId: take.id,
                lessonId,
                number: take.number,
                tracks: take.tracks.map(({ id, kind }) => ({ id, kind, chunks: 0, bytes: 0 })),
            });
            return {
                id: take.id,
                number: take.number,
                tracks: Object.fromEntries(take.tracks.map(({ id, kind }) => [kind, id])),
            };
        },
        async abandonTake(take) {
            await outbox.forget(take.id);
            await api.delete(`takes/${take.id}`);
        },
        recorders: () => makeRecorders(wanted()),
        keepChunk: (take, kind, chunk, seconds) => void outbox.add(take.id, take.tracks[kind] ?? '', chunk, seconds),
        keepEvent: (take, row) => outbox.log(take.id, row),
        deliver: (take, discard) => outbox.finish(take.id, discard),
        mute: (on) =>
            wanted()
                .microphone?.getAudioTracks()
                .forEach((track) => (track.enabled = !on)),
        claim,
        now: () => performance.now(),
    };
}

/** The recording session of the room, and its state. */
export function useSession(wanted: Wanted) {
    const current = useRef(wanted);
    current.current = wanted;
    const [session] = useState(() => new RecordingSession(ports(() => current.current)));
    return { session, ...useSyncExternalStore(session.subscribe, session.snapshot) };
}
