import type { ReactNode } from 'react';
import type { PlacedCue } from '../../api/types';
import { cueLabel } from '../../lib/scriptSyntax';
import { Icon } from '../../ui/Icon';
import type { BoardWord } from './storyboard';

/** A word that can be chosen, behind what stands before it. */
export function Word({
    word,
    number,
    isChosen,
    isAt,
    was,
    children,
}: {
    word: BoardWord;
    number: number;
    isChosen: boolean;
    isAt: boolean;
    /** What was recorded for its line, when that are other words. */
    was: string | null;
    children: ReactNode;
}) {
    return (
        <>
            {word.begins && number > 0 && <span className="paragraph" />}
            {children}
            <button
                type="button"
                className={['word', isChosen && 'is-chosen', word.frame === null && 'is-missing', was && 'is-reworded']
                    .filter(Boolean)
                    .join(' ')}
                title={was ? `Recorded: ${was}` : undefined}
                aria-pressed={isChosen}
                tabIndex={isAt ? 0 : -1}
                data-word={number}
            >
                {word.text}
            </button>{' '}
        </>
    );
}

/** A cue at its place among the words. */
export function CueChip({ cue, isChosen, onChoose }: { cue: PlacedCue; isChosen: boolean; onChoose: () => void }) {
    return (
        <>
            <button
                type="button"
                className={cue.problem ? 'cue-chip is-wrong' : 'cue-chip'}
                aria-pressed={isChosen}
                title={cue.problem ?? undefined}
                onClick={onChoose}
            >
                {cue.problem && <Icon name="exclamation" />} {cueLabel(cue)}
            </button>{' '}
        </>
    );
}
