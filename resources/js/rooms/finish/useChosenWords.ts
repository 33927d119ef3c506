import {
    type FocusEvent,
    type KeyboardEvent,
    type MouseEvent,
    type PointerEvent,
    startTransition,
    useEffect,
    useRef,
    useState,
} from 'react';

export interface ChosenWords {
    /** First and last, by their number among all words; null when none are chosen. */
    range: [number, number] | null;
    /** The word that the keyboard is at. */
    focus: number;
    clear: () => void;
    /** What the element around all words needs; each of them names its number as `data-word`. */
    around: {
        onKeyDown: (event: KeyboardEvent) => void;
        onFocus: (event: FocusEvent) => void;
        onPointerDown: (event: PointerEvent) => void;
        onPointerOver: (event: PointerEvent) => void;
        onPointerUp: (event: PointerEvent) => void;
        onClick: (event: MouseEvent) => void;
    };
}

/** How long a pointer stands on a word before it rests there. */
const RESTS_MS = 50;

/** The number of the word that something happened to; null beside words. */
function wordOf({ target }: { target: EventTarget }): number | null {
    const word = (target as Element).closest<HTMLElement>('[data-word]')?.dataset.word;
    return word === undefined ? null : Number(word);
}

/**
 * Words are chosen by a click, by drawing over them, or with Shift and an arrow key.
 *
 * @param count how many there are
 * @param show told which word was clicked or is to be seen
 * @param near told which word may well be shown next: the pointer rests there, or is down
 */
export function useChosenWords(
    count: number,
    show: (index: number) => void,
    near: (index: number) => void,
): ChosenWords {
    const [range, chooseRange] = useState<[number, number] | null>(null);
    const [focus, chooseFocus] = useState(0);
    // What is wanted from the player goes first: to draw the choice takes longer than to ask for a frame.
    const setRange = (to: [number, number] | null) => startTransition(() => chooseRange(to));
    const latest = useRef(0);
    const setFocus = (to: number) => {
        latest.current = to;
        startTransition(() => chooseFocus(to));
    };
    const start = useRef<number | null>(null);
    const resting = useRef(0);
    useEffect(() => () => clearTimeout(resting.current), []);
    const at = Math.min(focus, count - 1);
    const now = () => Math.min(latest.current, count - 1);
    const over = (a: number, b: number) => setRange([Math.min(a, b), Math.max(a, b)]);
    const go = (event: KeyboardEvent, to: number) => {
        const next = Math.max(0, Math.min(count - 1, to));
        const from = event.shiftKey ? (start.current ?? now()) : next;
        event.currentTarget.querySelector<HTMLElement>(`[data-word="${next}"]`)?.focus();
        start.current = from;
        over(from, next);
    };
    return {
        range: range && range[0] < count ? [range[0], Math.min(range[1], count - 1)] : null,
        focus: at,
        clear: () => setRange(null),
        around: {
            onKeyDown: (event) => {
                const acts: Record<string, () => void> = {
                    ArrowRight: () => go(event, now() + 1),
                    ArrowLeft: () => go(event, now() - 1),
                    Home: () => go(event, 0),
                    End: () => go(event, count - 1),
                    Enter: () => show(now()),
                    Escape: () => setRange(null),
                };
                const act = acts[event.key];
                if (act && wordOf(event) !== null) {
                    event.preventDefault();
                    event.stopPropagation();
                    act();
                }
            },
            onFocus: (event) => {
                const word = wordOf(event);
                if (word !== null) {
                    setFocus(word);
                    start.current = word;
                }
            },
            onPointerDown: (event) => {
                const word = wordOf(event);
                clearTimeout(resting.current);
                if (word === null) {
                    start.current = null;
                } else if (event.shiftKey) {
                    event.preventDefault();
                    over(start.current ?? now(), word);
                } else {
                    start.current = word;
                    setRange([word, word]);
                    near(word);
                }
            },
            onPointerOver: (event) => {
                const word = wordOf(event);
                clearTimeout(resting.current);
                if (word !== null && event.buttons === 0) {
                    resting.current = window.setTimeout(() => near(word), RESTS_MS);
                } else if (word !== null && event.buttons === 1 && start.current !== null) {
                    over(start.current, word);
                }
            },
            onPointerUp: (event) => {
                const word = wordOf(event);
                if (word !== null) {
                    show(Math.min(start.current ?? word, word));
                }
            },
            onClick: (event) => {
                const word = wordOf(event);
                // By the keyboard, that is; the pointer has been up before.
                if (word !== null && event.detail === 0) {
                    setRange([word, word]);
                    show(word);
                }
            },
        },
    };
}
