import type { SessionState } from '../../recorder/session';
import type { Key } from '../../ui/useKeys';

interface Acts {
    state: SessionState;
    start: () => void;
    cancel: () => void;
    pause: () => void;
    resume: () => void;
    finish: () => void;
    drop: () => void;
    step: (by: number) => void;
}

/** The keys of the Record room. Page Up and Page Down are what a clicker sends. */
export function recordKeys({ state, start, cancel, pause, resume, finish, drop, step }: Acts): Key[] {
    const rolling = state === 'rolling' || state === 'paused';
    return [
        { keys: ['r'], name: 'R', does: 'Record: count down, then roll', act: start, when: state === 'armed' },
        { keys: ['Escape'], name: 'Esc', does: 'Cancel the countdown', act: cancel, when: state === 'counting' },
        {
            keys: ['p', ' '],
            name: 'P or Space',
            does: 'Pause or resume',
            act: state === 'paused' ? resume : pause,
            when: rolling,
        },
        { keys: ['f'], name: 'F', does: 'Finish the take', act: finish, when: rolling },
        { keys: ['d'], name: 'D', does: 'Drop the take and go again; press it twice', act: drop, when: rolling },
        {
            keys: ['ArrowDown', 'ArrowRight', 'PageDown', 'n'],
            name: '↓ or → or Page Down or N',
            does: 'Next line',
            act: () => step(1),
        },
        {
            keys: ['ArrowUp', 'ArrowLeft', 'PageUp', 'b'],
            name: '↑ or ← or Page Up or B',
            does: 'Previous line',
            act: () => step(-1),
        },
    ];
}
