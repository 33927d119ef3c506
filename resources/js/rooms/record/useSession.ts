import { useRef, useState, useSyncExternalStore } from 'react';
import { api } from '../../api/client';
import type { Take } from '../../api/types';
import { quality, type RecordingFormat, recordingFormat } from '../../recorder/media';
import { outbox } from '../../recorder/outbox';
import { RecordingSession, type SessionPorts } from '../../recorder/session';

interface Sources {
    lessonId: string;
    sectionId: string;
    camera: MediaStream | undefined;
    microphone: MediaStream | undefined;
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

function ports(sources: () => Sources): SessionPorts {
    const formats = (): RecordingFormat[] => {
        const chosen = recordingFormat(sources().camera !== undefined, sources().microphone !== undefined);
        return chosen ? [chosen] : [];
    };
    return {
        async openTake() {
            const { lessonId, sectionId } = sources();
            const tracks = formats();
            if (tracks.length === 0) {
                throw new Error('There is nothing to record from. Choose a camera or a microphone.');
            }
            const take = await api.post<Take>(`sections/${sectionId}/takes`, { tracks });
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
        recorders() {
            const { camera, microphone } = sources();
            const stream = new MediaStream([
                ...(camera?.getVideoTracks() ?? []),
                ...(microphone?.getAudioTracks() ?? []),
            ]);
            return formats().map(({ kind, mime }) => ({
                kind,
                recorder: new MediaRecorder(stream, { mimeType: mime, ...quality }) as never,
            }));
        },
        keepChunk: (take, kind, chunk) => void outbox.add(take.id, take.tracks[kind] ?? '', chunk),
        keepEvent: (take, row) => outbox.log(take.id, row),
        deliver: (take, discard) => outbox.finish(take.id, discard),
        claim,
        now: () => performance.now(),
    };
}

/** The recording session of the room, and its state. */
export function useSession(sources: Sources) {
    const current = useRef(sources);
    current.current = sources;
    const [session] = useState(() => new RecordingSession(ports(() => current.current)));
    return { session, ...useSyncExternalStore(session.subscribe, session.snapshot) };
}
