import { writeCue } from '../../lib/scriptSyntax';
import type { PlacedCue, Section, Silence, WordAt } from '../../api/types';
import type { useCueChange } from './useCues';

/** Where a cue for a silence stands: before the word behind it, or behind the last. */
function wordOf(section: Section, { line, word }: Silence): WordAt {
    const last = section.lines.at(-1);
    return line === null ? { line: last?.id ?? '', word: last?.text.match(/\S+/gu)?.length ?? 0 } : { line, word };
}

function saysOf(speed: string): string {
    if (speed === '') {
        return 'The silence is as it was recorded.';
    }
    return speed === 'cut'
        ? 'The silence is cut out.'
        : `The silence runs ${Number.parseInt(speed, 10)} times as fast.`;
}

/** What is changed in the storyboard itself, as cues in the script. */
export const boardChanges = (change: ReturnType<typeof useCueChange>) => ({
    /** @param own the cue that says it until now */
    onSpeed: (of: Section, silence: Silence, speed: string, own: PlacedCue | null) => {
        const text = speed === '' ? '' : writeCue('speed', speed);
        if (own) {
            change.replace(of, own, text, saysOf(speed));
        } else {
            change.place(of, text, [wordOf(of, silence), null], saysOf(speed));
        }
    },
    /** @param own the cue that says it until now */
    onJoin: (of: Section, join: string, own: PlacedCue | null) => {
        const says = join ? `It meets the section before with: ${join}.` : 'It is as the house style has it.';
        if (join !== '') {
            change.open(of, writeCue('join', join), says);
        } else if (own) {
            change.replace(of, own, '', says);
        }
    },
});
