/**
 * Where a recording is: nothing to record from; ready; counting down; recording; resting; being ended; not possible with these
 * devices.
 */
export type SessionState = 'idle' | 'armed' | 'counting' | 'rolling' | 'paused' | 'finishing' | 'failed';

const takes = ['rolling', 'paused'] as const;

/** In which states each act does something; in all others it does nothing. */
const table = {
    arm: ['idle', 'failed'],
    disarm: ['armed', 'failed'],
    record: ['armed'],
    cancel: ['counting'],
    pause: ['rolling'],
    resume: ['paused'],
    finish: takes,
    goOn: takes,
    drop: takes,
    again: takes,
    marker: takes,
    mute: takes,
    log: takes,
} as const satisfies Record<string, readonly SessionState[]>;

export type SessionAct = keyof typeof table;

export const can = (act: SessionAct, state: SessionState): boolean =>
    (table[act] as readonly SessionState[]).includes(state);

/** A take is being recorded, or rests. */
export const isRolling = (state: SessionState): boolean => can('finish', state);
