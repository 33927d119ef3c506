import { useEffect, useRef } from 'react';
import { refreshLesson } from '../api/queries';
import { outbox } from '../recorder/outbox';
import { useNotices } from '../ui/Notices';

/** Sends what an earlier visit recorded and could not send, and offers the take for review. */
export function useRecovery(lessonId: string): void {
    const { say } = useNotices();
    const busy = useRef(false);
    useEffect(() => {
        const recover = async () => {
            if (busy.current) {
                return;
            }
            busy.current = true;
            const found = await outbox.recover(lessonId).catch(() => []);
            busy.current = false;
            for (const take of found) {
                say(
                    `Take ${take.number} was cut off while recording. ` +
                        'Everything up to its last second is safe; look at it in Review.',
                );
            }
            if (found.length > 0) {
                await refreshLesson(lessonId);
            }
        };
        void recover();
        window.addEventListener('online', recover);
        const timer = window.setInterval(recover, 5000);
        return () => {
            window.removeEventListener('online', recover);
            window.clearInterval(timer);
        };
    }, [lessonId, say]);
}
