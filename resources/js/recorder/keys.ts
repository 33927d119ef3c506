import { recall, remember } from '../api/remembered';

/** Everything in the room that has a key, with the keys it has unless the presenter chose others. As `KeyboardEvent.key`. */
export const ACTIONS = {
    record: { does: 'Record: count down, then roll', keys: ['r'] },
    cancel: { does: 'Cancel the countdown', keys: ['Escape'] },
    pause: { does: 'Pause or resume', keys: ['p', ' '] },
    finish: { does: 'Finish the take', keys: ['f'] },
    goOn: { does: 'Finish, and go on with the next section', keys: ['o'] },
    drop: { does: 'Drop the take and go again; press it twice', keys: ['d'] },
    again: { does: 'Go again: say this line from its start', keys: ['g'] },
    marker: { does: 'Drop a marker', keys: ['m'] },
    mute: { does: 'Silence the microphone while it is held', keys: ['s'] },
    next: { does: 'Next line or cue', keys: ['ArrowDown', 'ArrowRight', 'PageDown', 'n'] },
    back: { does: 'Previous line or cue', keys: ['ArrowUp', 'ArrowLeft', 'PageUp', 'b'] },
    inset: { does: 'Layout: stage with inset', keys: ['1'] },
    sides: { does: 'Layout: side by side', keys: ['2'] },
    stage: { does: 'Layout: stage alone', keys: ['3'] },
    camera: { does: 'Layout: camera alone', keys: ['4'] },
    nextSlide: { does: 'Next slide, or page of the board', keys: ['.'] },
    backSlide: { does: 'Previous slide, or page of the board', keys: [','] },
    point: { does: 'Point', keys: ['a'] },
    pen: { does: 'Write with the pen', keys: ['i'] },
    highlight: { does: 'Highlight', keys: ['h'] },
    takeBack: { does: 'Take back the last stroke', keys: ['z'] },
    wipe: { does: 'Wipe what is drawn', keys: ['w'] },
} as const satisfies Record<string, { does: string; keys: string[] }>;

export type Action = keyof typeof ACTIONS;
export type OwnKeys = Partial<Record<Action, string[]>>;

/** Keys that browsers keep for themselves, or that do something on any page. */
const BROWSER: Record<string, string> = {
    F1: 'opens the help of the browser',
    F3: 'finds words on the page',
    F5: 'loads the page anew',
    F6: 'goes to the address',
    F7: 'moves with a cursor',
    F11: 'fills the screen',
    F12: 'opens the tools of developers',
    Tab: 'goes from one control to the next',
    Backspace: 'goes back in some browsers',
    "'": 'finds links in some browsers',
    '/': 'finds words in some browsers',
    '?': 'shows these keys',
};

const CLICKER = ['PageUp', 'PageDown', 'ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight'];

export const isAction = (name: string): name is Action => name in ACTIONS;

export const keysOf = (action: Action, own: OwnKeys): readonly string[] => own[action] ?? ACTIONS[action].keys;

/** As a key is told apart: letters whatever their case. */
export const keyOf = (key: string): string => (key.length === 1 ? key.toLowerCase() : key);

const names: Record<string, string> = {
    ' ': 'Space',
    ArrowDown: '↓',
    ArrowUp: '↑',
    ArrowLeft: '←',
    ArrowRight: '→',
    PageDown: 'Page Down',
    PageUp: 'Page Up',
    Escape: 'Esc',
};

/** As it is written on the key. */
export const keyName = (key: string): string => names[key] ?? (key.length === 1 ? key.toUpperCase() : key);

export const keyNames = (keys: readonly string[]): string => keys.map(keyName).join(' or ');

/** What is wrong with giving an action a key; null when it can have it. */
export function clash(action: Action, key: string, own: OwnKeys): string | null {
    const browser = BROWSER[key];
    if (browser) {
        return `${keyName(key)} ${browser}.`;
    }
    const other = (Object.keys(ACTIONS) as Action[]).find((one) => one !== action && keysOf(one, own).includes(key));
    if (other) {
        const clicker = CLICKER.includes(key) ? ' A clicker sends it too.' : '';
        return `${keyName(key)} is taken: ${ACTIONS[other].does}.${clicker}`;
    }
    return CLICKER.includes(key) && action !== 'next' && action !== 'back'
        ? `${keyName(key)} is what a clicker sends to go through the lines.`
        : null;
}

const STORED = 'reel.keys';

export const rememberedKeys = (): OwnKeys =>
    Object.fromEntries(
        Object.entries(recall(STORED) ?? {}).filter(
            ([name, keys]) => isAction(name) && Array.isArray(keys) && keys.every((key) => typeof key === 'string'),
        ),
    ) as OwnKeys;

export const rememberKeys = (own: OwnKeys): void => remember(STORED, own);
