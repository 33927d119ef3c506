import { type KeyboardEvent, type RefObject, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { useAlignment } from '../../api/lesson';
import type { Lesson, Take } from '../../api/types';
import { type HeardPiece, heardText } from './heardText';
import { useHeardEdits } from './useHeardEdits';
import { useSaidNow } from './useSaidNow';

interface Props {
    lesson: Lesson;
    take: Take;
    media: RefObject<HTMLVideoElement | null>;
}

const outSays = {
    again: 'again',
    'went again': 'you went again',
    trimmed: 'not used',
    'left out': 'left out',
} as const;

/** What the take in hand says, word by word: play from a word, and leave out what should not be in the film. */
export function HeardText({ lesson, take, media }: Props) {
    const { data: heard } = useAlignment(take);
    const [chosen, setChosen] = useState<[number, number] | null>(null);
    const [focus, setFocus] = useState(0);
    const box = useRef<HTMLDivElement>(null);
    const drag = useRef<number | null>(null);
    const edits = useHeardEdits(lesson, take);
    const pieces = heard ? heardText(heard, take) : [];
    useSaidNow(media, box, pieces);

    if (!heard || heard.state === 'nothing' || pieces.length === 0) {
        return heard?.state === null ? (
            <p className="soft heard-note">
                Hearing which words are said{heard.progress ? `: ${Math.round(100 * heard.progress)} %` : ''}. You can
                decide already.
            </p>
        ) : null;
    }
    const [from, until] = chosen ? [Math.min(...chosen), Math.max(...chosen)] : [-1, -2];
    const selected = pieces.slice(from, until + 1);
    const isOut = selected.length > 0 && selected.every((piece) => piece.out === 'left out');
    const isSilent = selected.length > 0 && selected.every((piece) => piece.silent);
    const leaveOut = () => {
        setChosen(null);
        edits.leaveOut(selected, !isOut);
    };
    const silence = () => {
        setChosen(null);
        edits.silence(selected, !isSilent);
    };
    const playFrom = (index: number) => {
        const piece = pieces[index];
        if (media.current && piece) {
            media.current.currentTime = piece.from_ms / 1000;
            void media.current.play().catch(() => undefined);
        }
    };
    const go = (to: number, extend: boolean) => {
        const next = Math.max(0, Math.min(pieces.length - 1, to));
        setFocus(next);
        setChosen(extend ? [chosen?.[0] ?? focus, next] : null);
        box.current?.querySelectorAll<HTMLElement>('[data-piece]')[next]?.focus();
    };
    const onKey = (event: KeyboardEvent) => {
        const acts: Record<string, () => void> = {
            ArrowRight: () => go(focus + 1, event.shiftKey),
            ArrowLeft: () => go(focus - 1, event.shiftKey),
            Home: () => go(0, event.shiftKey),
            End: () => go(pieces.length - 1, event.shiftKey),
            Enter: () => playFrom(focus),
            Delete: leaveOut,
            Backspace: leaveOut,
            s: silence,
            Escape: () => setChosen(null),
        };
        const act = acts[event.key];
        if (act) {
            event.preventDefault();
            event.stopPropagation();
            act();
        }
    };
    return (
        <div className="heard" role="group" aria-label="What this take says">
            {heard.state === 'unsure' && (
                <p className="soft heard-note">
                    Not sure that these words are said here, so cuts follow the prompter. Listen before you keep it.
                </p>
            )}
            <div className="heard-words" ref={box} onKeyDown={onKey}>
                {pieces.map((piece, index) => (
                    <span key={`${piece.from_ms}-${piece.kind}`}>
                        {piece.out && piece.out !== pieces[index - 1]?.out && (
                            <span className="heard-why">{outSays[piece.out]}</span>
                        )}
                        <button
                            type="button"
                            data-piece
                            tabIndex={index === Math.min(focus, pieces.length - 1) ? 0 : -1}
                            className={pieceClass(piece, index >= from && index <= until)}
                            aria-pressed={index >= from && index <= until}
                            aria-label={labelOf(piece)}
                            title={piece.silent ? 'Silent in the film' : undefined}
                            onFocus={() => setFocus(index)}
                            onPointerDown={(event) => {
                                drag.current = event.shiftKey ? focus : index;
                                setChosen(event.shiftKey ? [focus, index] : null);
                            }}
                            onPointerEnter={(event) => {
                                if (event.buttons === 1 && drag.current !== null && drag.current !== index) {
                                    setChosen([drag.current, index]);
                                }
                            }}
                            onClick={(event) => {
                                if (piece.kind !== 'word') {
                                    setChosen([index, index]);
                                } else if (!event.shiftKey && drag.current === index && !chosen) {
                                    playFrom(index);
                                }
                            }}
                        >
                            {piece.text}
                            {piece.tightened !== null && `, ${(piece.tightened / 1000).toFixed(1)} s in the film`}
                        </button>{' '}
                    </span>
                ))}
            </div>
            <div className="heard-acts">
                <Button size="sm" variant="quiet" disabled={selected.length === 0} onClick={leaveOut}>
                    {isOut
                        ? 'Bring back'
                        : selected.length === 1 && selected[0]?.kind === 'pause'
                          ? 'Shorten the pause'
                          : 'Leave out'}{' '}
                    <kbd>Del</kbd>
                </Button>
                <Button size="sm" variant="quiet" disabled={selected.length === 0} onClick={silence}>
                    {isSilent ? 'Hear again' : 'Silence'} <kbd>S</kbd>
                </Button>
                <span className="soft heard-hint">
                    {selected.length === 0
                        ? 'Click a word to play from there. Drag over words, or press Shift and an arrow, to choose them.'
                        : `${selected.length} chosen`}
                </span>
            </div>
        </div>
    );
}

const pieceClass = (piece: HeardPiece, isChosen: boolean) =>
    [
        'piece',
        `is-${piece.kind}`,
        piece.out ? 'is-out' : '',
        piece.silent ? 'is-silent' : '',
        isChosen ? 'is-chosen' : '',
    ]
        .filter(Boolean)
        .join(' ');

const labelOf = (piece: HeardPiece): string | undefined =>
    piece.out || piece.silent
        ? [piece.text, piece.out && outSays[piece.out], piece.silent && 'silent'].filter(Boolean).join(', ')
        : undefined;
