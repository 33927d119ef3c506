import { clock } from '../lib/time';
import { RoomStream } from './roomStream';

/** What the recording room shows, as app/Http/Requests/RoomRequest.php takes it. */
interface Room {
    lesson: string;
    section: string;
    state: 'idle' | 'armed' | 'counting' | 'rolling' | 'paused' | 'finishing' | 'failed';
    line: number;
    lines: number;
    now: string;
    next: string;
    elapsed_ms: number;
    count_left: number;
}

type Row = { room: Room | null } | { ended: true };

const STATES: Record<Room['state'], string> = {
    idle: 'No camera or microphone is chosen',
    armed: 'Ready, not recording',
    counting: 'Counting down',
    rolling: 'Recording',
    paused: 'Paused',
    finishing: 'Saving the take',
    failed: 'Could not record',
};

const ASK_MS = 1000;

/** The page of a device that was let in, or waits to be. */
export function setUpDevice(main: HTMLElement): void {
    if (main.dataset['device'] === 'asked') {
        void waitForYes(main);
    } else {
        follow(main);
    }
}

async function waitForYes(main: HTMLElement): Promise<void> {
    const lost = main.querySelector<HTMLElement>('[data-lost]');
    for (;;) {
        await new Promise((resolve) => setTimeout(resolve, ASK_MS));
        const answer = await fetch('/device/state', { cache: 'no-store' }).catch(() => null);
        if (lost) {
            lost.hidden = answer?.ok ?? false;
        }
        const state = answer?.ok ? ((await answer.json()) as { state: string }).state : 'asked';
        if (state !== 'asked') {
            location.replace(state === 'none' ? '/device?refused=1' : '/device');
            return;
        }
    }
}

function follow(main: HTMLElement): void {
    const put = (name: string, says: string) => {
        const place = main.querySelector<HTMLElement>(`[data-${name}]`);
        if (place && place.textContent !== says) {
            place.textContent = says;
        }
    };
    let room: Room | null = null;
    let at = 0;
    let isThere = false;
    const draw = () => {
        const state = isThere ? (room?.state ?? 'closed') : 'lost';
        main.className = `is-${state}`;
        put('state', !isThere ? 'No connection. Trying again...' : room ? STATES[room.state] : 'The room is not open');
        put('lesson', room?.lesson ?? 'Recording room');
        put('section', room?.section ?? '');
        put('now', room?.now ?? '');
        put('next', room?.next ?? '');
        put('place', room && room.lines > 0 ? `Line ${room.line + 1} of ${room.lines}` : '');
        tick();
    };
    const tick = () => {
        const moves = isThere && room?.state === 'rolling';
        const elapsed = (room?.elapsed_ms ?? 0) + (moves ? performance.now() - at : 0);
        const shown = room?.state === 'rolling' || room?.state === 'paused' ? clock(elapsed) : '';
        put('elapsed', room?.state === 'counting' ? String(room.count_left) : shown);
    };
    const stream = new RoomStream<Row>((signal) => fetch('/device/events', { signal, cache: 'no-store' }), {
        row: (row) => {
            if ('ended' in row) {
                stream.stop();
                location.replace('/device?refused=1');
                return;
            }
            room = row.room;
            at = performance.now();
            draw();
        },
        there: (is) => {
            isThere = is;
            draw();
        },
    });
    setInterval(tick, 200);
    const awake = () => {
        if (document.visibilityState === 'visible') {
            stream.anew();
            void navigator.wakeLock?.request('screen').catch(() => undefined);
        }
    };
    document.addEventListener('visibilitychange', awake);
    window.addEventListener('online', () => stream.anew());
    awake();
    void stream.listen();
}
