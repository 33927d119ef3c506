import { memo } from 'react';
import type { Lesson, PlacedCue, Section, Silence, TakeGlance } from '../../api/types';
import { clock } from '../../lib/time';
import { sectionTitle } from '../../shell/sectionState';
import { JoinChoice, SilenceChoice } from './BoardChoices';
import { CueChip, Word } from './BoardWords';
import { RowPicture } from './RowPicture';
import { SectionNote } from './SectionNote';
import { type BoardSection, opens } from './storyboard';

/** What is done in the storyboard itself. */
export interface BoardActs {
    onCue: (section: Section, cue: PlacedCue) => void;
    onShow: (frame: number) => void;
    /** How a section is to meet the one before it; empty as the house style has it. `own` is the cue that says so now. */
    onJoin: (section: Section, join: string, own: PlacedCue | null) => void;
    /** How a silence is gone through; empty as it was recorded. `own` is the cue that says so now. */
    onSpeed: (section: Section, silence: Silence, speed: string, own: PlacedCue | null) => void;
}

interface Props extends BoardActs {
    lesson: Lesson;
    fps: number;
    one: BoardSection;
    takes: TakeGlance[];
    cues: PlacedCue[];
    /** The words that are chosen, by number; -1 for none of this section. */
    from: number;
    until: number;
    /** The word that the keyboard comes to; -1 for none of this section. */
    focus: number;
    chosenCue: number | null;
}

/** A section in the storyboard: its words, with a small picture wherever what is seen changes. */
export const BoardItem = memo(function BoardItem({
    lesson,
    fps,
    one: { section, index, rows, firstWord, silences },
    takes,
    cues,
    from,
    until,
    focus,
    chosenCue,
    onCue,
    onShow,
    onJoin,
    onSpeed,
}: Props) {
    let number = firstWord;
    const begins = rows.find((row) => row.frame !== null)?.frame ?? null;
    const said = new Map(section.coverage.lines.map(({ id, was }) => [id, was]));
    const chip = (cue: PlacedCue) => (
        <CueChip key={cue.number} cue={cue} isChosen={cue.number === chosenCue} onChoose={() => onCue(section, cue)} />
    );
    const isAt = (silence: Silence, cue: PlacedCue) =>
        cue.kind === 'speed' && cue.line === silence.line && (silence.line === null || cue.word === silence.word);
    const pace = (line: string | null, word: number) =>
        silences
            .filter((one) => one.line === line && (line === null || one.word === word))
            .map((silence) => {
                const own = cues.find((cue) => isAt(silence, cue)) ?? null;
                return (
                    (silence.screen || own) && (
                        <SilenceChoice
                            key={`${line}/${word}`}
                            silence={silence}
                            own={own}
                            onSpeed={(speed) => onSpeed(section, silence, speed, own)}
                        />
                    )
                );
            });
    // What a silence's own choice says needs no chip.
    const chips = (of: PlacedCue[]) => of.filter((cue) => !silences.some((one) => isAt(one, cue))).map(chip);
    return (
        <li className="board-section" id={`board-${section.id}`}>
            <h2>
                <span className="times soft">{begins === null ? '' : clock((1000 * begins) / fps)}</span>
                {index + 1}. {sectionTitle(section, index)}
                <SectionNote lesson={lesson} section={section} index={index} isHeard={begins !== null} />
                {index > 0 && begins !== null && begins > 0 && (
                    <JoinChoice
                        section={section}
                        index={index}
                        cues={cues}
                        usual={rows[0]?.segment?.join.kind ?? 'cut'}
                        onJoin={onJoin}
                    />
                )}
            </h2>
            {rows.map((row, at) => {
                const first = number;
                number += row.words.length;
                return (
                    <div className={row.shot ? 'board-row' : 'board-row is-missing'} key={`${row.frame}/${at}`}>
                        <RowPicture
                            row={row}
                            fps={fps}
                            takes={takes}
                            without={section.progress.reading ? 'being read' : 'not recorded yet'}
                            onShow={onShow}
                        />
                        <p>
                            {at === 0 && cues.filter((cue) => opens(section, cue)).map(chip)}
                            {row.words.map((word, n) => (
                                <Word
                                    key={`${word.line}/${word.word}`}
                                    word={word}
                                    number={first + n}
                                    isChosen={from <= first + n && first + n <= until}
                                    isAt={first + n === focus}
                                    was={said.get(word.line) ?? null}
                                >
                                    {pace(word.line, word.word)}
                                    {chips(word.cues)}
                                </Word>
                            ))}
                            {row.words.length === 0 && <span className="soft">before the next word</span>}
                            {at === rows.length - 1 && pace(null, 0)}
                        </p>
                    </div>
                );
            })}
        </li>
    );
});
