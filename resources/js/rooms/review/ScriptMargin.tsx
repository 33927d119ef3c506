import type { Section, Take } from '../../api/types';
import { takeWarning } from '../../shell/sectionState';
import { Icon } from '../../ui/Icon';

interface Props {
    section: Section;
    shown: string | undefined;
    onShow: (take: string) => void;
}

const words = { kept: 'kept', undecided: 'undecided', discarded: 'set aside' } as const;

/** The script with its takes as pencil rules in the margin, beside the lines they cover. */
export function ScriptMargin({ section, shown, onShow }: Props) {
    return (
        <div className="script-margin">
            <div className="rules" role="group" aria-label="Takes of this section">
                {section.takes.map((take) => (
                    <button
                        key={take.id}
                        type="button"
                        className={`rule is-${take.verdict}`}
                        aria-pressed={take.id === shown}
                        aria-label={`Take ${take.number}, ${says(take)}`}
                        title={`Take ${take.number}: ${says(take)}`}
                        onClick={() => onShow(take.id)}
                    >
                        <span className="number">
                            {take.number}
                            {take.verdict === 'kept' && <Icon name="check" />}
                            {take.verdict === 'discarded' && <Icon name="cross" />}
                            {take.verdict === 'undecided' && '?'}
                        </span>
                        {(takeWarning(take) ?? take.problem) && (
                            <span className="look">
                                <Icon name="exclamation" />
                            </span>
                        )}
                        <span className="stroke" />
                    </button>
                ))}
            </div>
            <div className="lines">
                {section.lines.length === 0 && <p className="soft">Nothing is written in this section.</p>}
                {paragraphs(section).map((lines, index) => (
                    <p key={index}>{lines.join(' ')}</p>
                ))}
            </div>
        </div>
    );
}

function says(take: Take): string {
    const more = take.problem ?? takeWarning(take);
    return more ? `${words[take.verdict]}. ${more}` : words[take.verdict];
}

function paragraphs(section: Section): string[][] {
    const found: string[][] = [];
    section.lines.forEach((line) => (found[line.paragraph - 1] ??= []).push(line.text));
    return found;
}
