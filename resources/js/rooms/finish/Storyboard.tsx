import { memo, type ReactNode, useEffect, useMemo, useRef, useState } from 'react';
import Form from 'react-bootstrap/Form';
import { Link } from 'react-router';
import type { Assembly, Lesson, LessonCues, PlacedCue, Section, Silence, TakeGlance } from '../../api/types';
import { cueLabel } from '../../lib/scriptSyntax';
import { pickupPath, roomPath } from '../../shell/paths';
import { sectionState, sectionTitle } from '../../shell/sectionState';
import { FramePicture } from '../../ui/FramePicture';
import { ScreenStill } from '../../ui/ScreenStill';
import { Icon } from '../../ui/Icon';
import { choicesOf } from '../../ui/style/words';
import { clock } from '../../lib/time';
import { type BoardRow, type BoardWord, opens, pictureSays } from './storyboard';
import type { ChosenWords } from './useChosenWords';

export interface BoardSection {
    section: Section;
    index: number;
    rows: BoardRow[];
    /** Number of its first word among all words. */
    firstWord: number;
    silences: Silence[];
}

interface Props {
    lesson: Lesson;
    plan: Assembly;
    board: BoardSection[];
    cues: LessonCues | undefined;
    words: ChosenWords;
    chosenCue: PlacedCue | null;
    /** The section one comes for, by index. */
    first: number;
    onCue: (section: Section, cue: PlacedCue) => void;
    onShow: (frame: number) => void;
    /** How a section is to meet the one before it; empty as the house style has it. `own` is the cue that says so now. */
    onJoin: (section: Section, join: string, own: PlacedCue | null) => void;
    /** How a silence is gone through; empty as it was recorded. `own` is the cue that says so now. */
    onSpeed: (section: Section, silence: Silence, speed: string, own: PlacedCue | null) => void;
}

const none: PlacedCue[] = [];

const speeds = ['2 x', '4 x', '8 x', '16 x', 'cut'];

/** Sections that are drawn at once; a screen shows fewer. */
const AT_ONCE = 12;

/** How many of many are drawn: those one comes for at once, the others while nothing else is to do. */
function useProgressiveCount(all: number, first: number): number {
    const [shown, setShown] = useState(first + AT_ONCE);
    useEffect(() => {
        if (shown < all) {
            const later = requestIdleCallback(() => setShown(shown + AT_ONCE), { timeout: 200 });
            return () => cancelIdleCallback(later);
        }
    }, [shown, all]);
    return Math.max(shown, first + AT_ONCE);
}

/** The script with a small picture wherever what is seen changes. */
export function Storyboard({ lesson, plan, board, cues, words, chosenCue, first, ...acts }: Props) {
    const takes = useMemo(() => lesson.sections.flatMap((section) => section.takes), [lesson.sections]);
    // Hundreds of sections stand here: only those are drawn anew in which something is another.
    const latest = useRef(acts);
    latest.current = acts;
    const stable = useMemo<typeof acts>(
        () => ({
            onCue: (...of) => latest.current.onCue(...of),
            onShow: (...of) => latest.current.onShow(...of),
            onJoin: (...of) => latest.current.onJoin(...of),
            onSpeed: (...of) => latest.current.onSpeed(...of),
        }),
        [],
    );
    const shown = useProgressiveCount(board.length, first);
    return (
        <ol className="storyboard" {...words.around}>
            {board.slice(0, shown).map((one) => {
                const end = one.firstWord + one.rows.reduce((sum, row) => sum + row.words.length, 0);
                const own = cues?.sections[one.section.id] ?? none;
                const [from, until] = words.range ?? [-1, -1];
                const isIn = from < end && until >= one.firstWord;
                return (
                    <BoardSectionItem
                        key={one.section.id}
                        lesson={lesson}
                        fps={plan.fps}
                        one={one}
                        takes={takes}
                        cues={own}
                        from={isIn ? from : -1}
                        until={isIn ? until : -1}
                        focus={one.firstWord <= words.focus && words.focus < end ? words.focus : -1}
                        chosenCue={chosenCue && own.includes(chosenCue) ? chosenCue.number : null}
                        {...stable}
                    />
                );
            })}
        </ol>
    );
}

type ItemProps = {
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
} & Pick<Props, 'onCue' | 'onShow' | 'onJoin' | 'onSpeed'>;

const BoardSectionItem = memo(function BoardSectionItem({
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
}: ItemProps) {
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

/** How a section meets the one before it: as its own cue says, or else the house style. */
function JoinChoice({
    section,
    index,
    cues,
    usual,
    onJoin,
}: { section: Section; index: number; cues: PlacedCue[]; usual: string } & Pick<Props, 'onJoin'>) {
    const own = cues.find((cue) => cue.kind === 'join' && (cue.line === null || opens(section, cue))) ?? null;
    const joins = choicesOf('join').map(String);
    const offered = own === null || joins.includes(own.value) ? joins : [...joins, own.value];
    return (
        <label className="join-choice">
            <span className="visually-hidden">How section {index + 1} meets the one before it</span>
            <Form.Select
                size="sm"
                value={own?.value ?? ''}
                onChange={(event) => onJoin(section, event.target.value, own)}
            >
                <option value="">{own ? 'house style' : `usual: ${usual}`}</option>
                {offered.map((join) => (
                    <option key={join} value={join}>
                        {join}
                    </option>
                ))}
            </Form.Select>
        </label>
    );
}

/** From which length on it is suggested that a silence of a screen runs faster. */
const LONG_MS = 5000;

/** How a silence is gone through. */
function SilenceChoice({
    silence,
    own,
    onSpeed,
}: {
    silence: Silence;
    own: PlacedCue | null;
    onSpeed: (speed: string) => void;
}) {
    const length = `${(silence.length_ms / 1000).toFixed(1)} s`;
    const isSuggested = silence.length_ms > LONG_MS && !own;
    const offered = own === null || speeds.includes(own.value) ? speeds : [...speeds, own.value];
    return (
        <label className={isSuggested ? 'silence-choice is-suggested' : 'silence-choice'}>
            <span>{isSuggested ? `${length} without a word: run it faster?` : `${length} without a word`}</span>
            <Form.Select
                size="sm"
                aria-label={`How the silence of ${length} is gone through`}
                value={own?.value ?? ''}
                onChange={(event) => onSpeed(event.target.value)}
            >
                <option value="">as recorded</option>
                {offered.map((speed) => (
                    <option key={speed} value={speed}>
                        {speed === 'cut' ? 'cut out' : `${Number.parseInt(speed, 10)} times as fast`}
                    </option>
                ))}
            </Form.Select>
        </label>
    );
}

/** What a pickup would mend. */
function pickupSays(changed: number, missing: number): string {
    const lines = (count: number) => (count === 1 ? '1 line' : `${count} lines`);
    return [changed > 0 && `${lines(changed)} reworded`, missing > 0 && `${lines(missing)} not spoken`]
        .filter(Boolean)
        .join(', ');
}

/** What is missing, waits or is to be looked at, with the way to mend it. */
function SectionNote({
    lesson,
    section,
    index,
    isHeard,
}: {
    lesson: Lesson;
    section: Section;
    index: number;
    isHeard: boolean;
}) {
    const state = sectionState(section);
    const review = roomPath(lesson.id, 'review', section.id);
    const changed = section.coverage.lines.filter(({ was }) => was !== null).length;
    const missing = isHeard ? section.coverage.missing.length : 0;
    // What a take speaks is known once it was read.
    const pickup =
        isHeard && !state.reading
            ? section.coverage.lines.filter(({ take, was }) => take === null || was !== null).map(({ id }) => id)
            : [];
    if (section.card) {
        return null;
    }
    return (
        <small className="soft">
            {state.reading ? (
                <Link to={review}>take {state.reading.number} is being read</Link>
            ) : !isHeard && state.waiting ? (
                <Link to={review}>Take {state.waiting.number} waits for your verdict</Link>
            ) : !isHeard && !section.coverage.elsewhere ? (
                <Link to={roomPath(lesson.id, 'record', section.id)}>Record section {index + 1}</Link>
            ) : section.coverage.elsewhere ? (
                'spoken in the take of another section'
            ) : (
                state.kept && <Link to={review}>take {state.kept.number}</Link>
            )}
            {pickup.length > 0 && (
                <Link className="flag ms-2" to={pickupPath(lesson.id, section.id, pickup)}>
                    <Icon name="exclamation" /> {pickupSays(changed, missing)}: record{' '}
                    {pickup.length === 1 ? 'it' : 'them'}
                </Link>
            )}
            {state.kept && state.notched && pickup.length === 0 && (
                <Link className="flag ms-2" to={review}>
                    <Icon name="exclamation" /> look here
                </Link>
            )}
        </small>
    );
}

function RowPicture({
    row,
    fps,
    takes,
    without,
    onShow,
}: {
    row: BoardRow;
    fps: number;
    takes: TakeGlance[];
    /** What is said where there is no picture. */
    without: string;
    onShow: (frame: number) => void;
}) {
    if (!row.shot || !row.segment || row.frame === null) {
        return <div className="board-picture soft">{without}</div>;
    }
    const poster = takes.find((take) => take.id === row.segment?.take_id)?.poster_url;
    const says = pictureSays(row.shot);
    const start = row.frame;
    const seconds = row.frames / fps;
    const length = `${seconds < 10 ? seconds.toFixed(1) : Math.round(seconds)} s`;
    const label = `${says}, for ${length} from ${clock((1000 * start) / fps)}`;
    return (
        <button type="button" className="board-picture" aria-label={`Show ${label}`} onClick={() => onShow(start)}>
            <FramePicture
                picture={row.shot.picture}
                label={label}
                camera={poster && <img src={poster} alt="" />}
                screen={<ScreenStill segment={row.segment} frame={row.frame} fps={fps} />}
            />
            <span className="times">
                <span>{says}</span> {length}
            </span>
        </button>
    );
}

function Word({
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

function CueChip({ cue, isChosen, onChoose }: { cue: PlacedCue; isChosen: boolean; onChoose: () => void }) {
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
