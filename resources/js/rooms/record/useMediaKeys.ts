import { useEffect, useRef } from 'react';
import { isRolling, type SessionState } from '../../recorder/sessionStates';

/** Bytes of ten seconds. */
const LENGTH = 160_000;

/** Ten seconds of silence: browsers give media keys only to pages that play something. */
function silence(): string {
    const bytes = new Uint8Array(44 + LENGTH);
    const view = new DataView(bytes.buffer);
    const text = (at: number, says: string) => [...says].forEach((c, i) => view.setUint8(at + i, c.charCodeAt(0)));
    text(0, 'RIFF');
    view.setUint32(4, 36 + LENGTH, true);
    text(8, 'WAVEfmt ');
    view.setUint32(16, 16, true);
    view.setUint16(20, 1, true);
    view.setUint16(22, 1, true);
    view.setUint32(24, 8000, true);
    view.setUint32(28, 16000, true);
    view.setUint16(32, 2, true);
    view.setUint16(34, 16, true);
    text(36, 'data');
    view.setUint32(40, LENGTH, true);
    return URL.createObjectURL(new Blob([bytes], { type: 'audio/wav' }));
}

/** The media keys of keyboard and headset pause and finish, where the browser gives them. */
export function useMediaKeys(state: SessionState, pause: () => void, finish: () => void): void {
    const acts = useRef({ pause, finish });
    acts.current = { pause, finish };
    const rolling = isRolling(state);
    useEffect(() => {
        const media = navigator.mediaSession;
        if (!rolling || !media) {
            return;
        }
        const url = silence();
        const audio = new Audio(url);
        audio.loop = true;
        void audio.play().catch(() => undefined);
        const set = (action: MediaSessionAction, act: (() => void) | null) => {
            try {
                media.setActionHandler(action, act);
            } catch {
                // This browser has no such key.
            }
        };
        set('play', () => acts.current.pause());
        set('pause', () => acts.current.pause());
        set('stop', () => acts.current.finish());
        return () => {
            set('play', null);
            set('pause', null);
            set('stop', null);
            audio.pause();
            URL.revokeObjectURL(url);
        };
    }, [rolling]);
}
