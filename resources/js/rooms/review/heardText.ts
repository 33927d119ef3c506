import type { TakeAlignment, TakeStretch, Take } from '../../api/types';

/** A piece of what a take says, in order of time: a word, speech that is no line, or a long pause. */
export interface HeardPiece extends TakeStretch {
    kind: 'word' | 'unscripted' | 'pause';
    /** The word, or what stands for it. */
    text: string;
    /** Why it is not in the film; null when it is. */
    out: 'again' | 'went again' | 'trimmed' | 'left out' | null;
    /** It is seen in the film, and not heard. */
    silent: boolean;
    /** Of a pause: how long it lasts in the film, because the course wants it shorter; milliseconds. */
    tightened: number | null;
    /** Begins a read. */
    begins: boolean;
}

/** Words with the punctuation that they have in their line. */
export function asWritten(words: string[], text: string): string[] {
    let at = 0;
    return words.map((word) => {
        const from = text.indexOf(word, at);
        if (from < 0) {
            return word;
        }
        const end = from + word.length;
        const behind = /^[^\s\p{L}\p{N}]*/u.exec(text.slice(end))?.[0] ?? '';
        const before = /[^\s\p{L}\p{N}]*$/u.exec(text.slice(at, from))?.[0] ?? '';
        at = end + behind.length;
        return before + word + behind;
    });
}

const seconds = (stretch: TakeStretch) => ((stretch.until_ms - stretch.from_ms) / 1000).toFixed(1);

const inside = (piece: TakeStretch, stretches: TakeStretch[]) => {
    const middle = (piece.from_ms + piece.until_ms) / 2;
    return stretches.some(({ from_ms, until_ms }) => from_ms <= middle && middle < until_ms);
};

/** What was heard as one text, each piece with what becomes of it. */
export function heardText(
    heard: TakeAlignment,
    take: Pick<
        Take,
        'lines' | 'omitted' | 'cuts' | 'retakes' | 'silences' | 'tightened' | 'used_from_ms' | 'used_until_ms'
    >,
) {
    const texts = new Map(take.lines.map((line) => [line.id, line.text]));
    const pieces: Omit<HeardPiece, 'out' | 'silent' | 'tightened'>[] = [
        ...heard.attempts.flatMap((read) => {
            const words = read.words.map(({ word }) => word);
            const written = asWritten(words, texts.get(read.line) ?? '');
            return read.words.map((word, i) => ({
                kind: 'word' as const,
                text: written[i] ?? word.word,
                from_ms: word.from_ms,
                until_ms: word.until_ms,
                begins: i === 0,
            }));
        }),
        ...heard.unscripted.map((one) => ({
            ...one,
            kind: 'unscripted' as const,
            text: `not in the script, ${seconds(one)} s`,
            begins: true,
        })),
        ...heard.pauses.map((one) => ({
            ...one,
            kind: 'pause' as const,
            text: `pause ${seconds(one)} s`,
            begins: false,
        })),
    ];
    const used = [{ from_ms: take.used_from_ms, until_ms: take.used_until_ms }];
    return pieces
        .sort((one, other) => one.from_ms - other.from_ms)
        .map((piece): HeardPiece => {
            const out = inside(piece, take.cuts)
                ? 'left out'
                : inside(piece, take.retakes)
                  ? 'went again'
                  : inside(piece, take.omitted)
                    ? 'again'
                    : inside(piece, used)
                      ? null
                      : 'trimmed';
            const shorter = piece.kind === 'pause' && take.tightened.find((one) => inside(piece, [one]));
            return {
                ...piece,
                out,
                silent: inside(piece, take.silences),
                tightened: shorter ? piece.until_ms - piece.from_ms - (shorter.until_ms - shorter.from_ms) : null,
            };
        });
}

/** What remains of a pause that is shortened, in milliseconds: time to breathe. */
const SHORT_PAUSE_MS = 700;

/** The stretch to leave out for pieces that were chosen; of a pause by itself its middle, so that a short one remains. */
export function stretchOf(pieces: HeardPiece[]): TakeStretch | null {
    const [first] = pieces;
    const last = pieces.at(-1);
    if (!first || !last) {
        return null;
    }
    if (pieces.length === 1 && first.kind === 'pause') {
        const keep = Math.min(SHORT_PAUSE_MS, first.until_ms - first.from_ms) / 2;
        return { from_ms: Math.round(first.from_ms + keep), until_ms: Math.round(first.until_ms - keep) };
    }
    return { from_ms: first.from_ms, until_ms: last.until_ms };
}

/** What is left out when a stretch is brought back: whatever lies outside of it. */
export function without(cuts: TakeStretch[], back: TakeStretch): TakeStretch[] {
    return cuts.filter(({ from_ms, until_ms }) => until_ms <= back.from_ms || from_ms >= back.until_ms);
}
