import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { Lesson, LineHeard, Section, Take } from '../../api/types';
import { CommentCard } from '../../shell/CommentCard';
import { takeWarning } from '../../shell/sectionState';
import { openComments, useSite } from '../../shell/useSite';
import { Icon } from '../../ui/Icon';
import { LineAttempts } from './LineAttempts';

interface Props {
    lesson: Lesson;
    section: Section;
    /** All of the section, by number. */
    takes: Take[];
    shown: string | undefined;
    onShow: (take: string) => void;
}

const words = { kept: 'kept', undecided: 'undecided', discarded: 'set aside' } as const;

const heardSays: Record<LineHeard, string> = {
    clean: 'said cleanly',
    again: 'said, after a false start',
    missing: 'not heard',
};

/** The script with its takes as pencil rules in the margin: what of each line was heard, and which read is in the film. */
export function ScriptMargin({ lesson, section, takes: all, shown, onShow }: Props) {
    const [open, setOpen] = useState<string | null>(null);
    const { data: site } = useSite(lesson.id);
    const comments = openComments(site);
    const [withAll, setWithAll] = useState(false);
    const takes = withAll ? all : fewTakes(section, all, shown);
    const hidden = all.length - takes.length;
    const used = new Map(section.coverage.lines.map((line) => [line.id, line.take]));
    return (
        <div className={withAll && all.length > mostRules ? 'script-margin has-all' : 'script-margin'}>
            <div className="rules" role="group" aria-label="Takes of this section">
                {takes.map((take) => (
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
                    </button>
                ))}
                {(hidden > 0 || withAll) && all.length > mostRules && (
                    <Button size="sm" variant="quiet" className="more-takes" onClick={() => setWithAll(!withAll)}>
                        {withAll ? 'Fewer takes' : `${hidden} more`}
                    </Button>
                )}
            </div>
            {section.lines.length === 0 && <p className="soft">Nothing is written in this section.</p>}
            <ol className="lines">
                {section.lines.map((line, index) => (
                    <li key={line.id} className={begins(section, index) ? 'begins' : undefined}>
                        <span className="cells">
                            {takes.map((take) => {
                                const heard = heardIn(take, line.id);
                                const isUsed = used.get(line.id) === take.id;
                                return (
                                    <span
                                        key={take.id}
                                        className={[
                                            'cell',
                                            `is-${heard}`,
                                            isUsed ? 'is-used' : '',
                                            take.id === shown ? 'is-shown' : '',
                                        ].join(' ')}
                                        title={tells(take, heard, isUsed)}
                                    />
                                );
                            })}
                        </span>
                        <div>
                            <button
                                type="button"
                                className="line"
                                aria-expanded={open === line.id}
                                onClick={() => setOpen(open === line.id ? null : line.id)}
                            >
                                {line.text}
                                <span className="visually-hidden">
                                    {all
                                        .map((take) =>
                                            tells(take, heardIn(take, line.id), used.get(line.id) === take.id),
                                        )
                                        .join('. ')}
                                </span>
                            </button>
                            {comments
                                .filter((one) => one.line_id === line.id)
                                .map((one) => (
                                    <CommentCard key={one.id} lessonId={lesson.id} comment={one} besideLine />
                                ))}
                            {open === line.id && (
                                <LineAttempts
                                    lesson={lesson}
                                    section={section}
                                    takes={all}
                                    line={line.id}
                                    used={used.get(line.id) ?? null}
                                />
                            )}
                        </div>
                    </li>
                ))}
            </ol>
        </div>
    );
}

/** More rules than this leave no room for the words. */
const mostRules = 5;

/** Of many takes those that are in the film, the one in hand, and the latest, in their order. */
function fewTakes(section: Section, all: Take[], shown: string | undefined): Take[] {
    const inFilm = new Set(section.coverage.lines.map((line) => line.take));
    const matters = all.filter((take) => take.id === shown || inFilm.has(take.id) || take.verdict === 'kept');
    const others = all.filter((take) => !matters.includes(take)).reverse();
    const chosen = [...matters, ...others].slice(0, Math.max(mostRules, matters.length));
    return all.filter((take) => chosen.includes(take));
}

type Cell = LineHeard | 'told' | 'unknown' | 'none';

/** What is known of a line in a take: what was heard, or whether it was recorded for it. */
function heardIn(take: Take, line: string): Cell {
    if (take.lines.length === 0) {
        return 'unknown';
    }
    const found = take.lines.find(({ id }) => id === line);
    return found ? (found.heard ?? 'told') : 'none';
}

function tells(take: Take, heard: Cell, isUsed: boolean): string {
    const what =
        heard === 'told' || heard === 'unknown'
            ? 'recorded for it'
            : heard === 'none'
              ? 'recorded for other lines'
              : heardSays[heard];
    return `Take ${take.number}: ${what}${isUsed ? ', in the film' : ''}`;
}

function says(take: Take): string {
    const more = take.problem ?? takeWarning(take);
    return more ? `${words[take.verdict]}. ${more}` : words[take.verdict];
}

const begins = (section: Section, index: number): boolean =>
    index > 0 && section.lines[index]?.paragraph !== section.lines[index - 1]?.paragraph;
