import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useNavigate } from 'react-router';
import { useAssembly, useTake } from '../../api/lesson';
import type { Picture, PlacedCue, Section, Silence, WordAt } from '../../api/types';
import type { AssemblyPlayer } from '../../player/AssemblyPlayer';
import { cuesIn, writeCue } from '../../lib/scriptSyntax';
import { fingerprint } from '../../player/plan';
import { useLessonPlace } from '../../shell/LessonFrame';
import { roomPath } from '../../shell/paths';
import { SectionLinks } from '../../shell/SectionLinks';
import { withoutFilm } from '../../shell/sectionState';
import { EmptyPlace } from '../../ui/EmptyPlace';
import { clock } from '../../lib/time';
import { Waiting } from '../../ui/Waiting';
import { CueInHand } from './CueInHand';
import { type BoardSection, Storyboard } from './Storyboard';
import { type BoardWord, boardRows, isStage, placeBehind, withProblems } from './storyboard';
import { useNow, useSectionInSight } from './sight';
import { useChosenWords } from './useChosenWords';
import { useCueChange, useCues } from './useCues';
import { useFraming } from './useFraming';
import { begin, cueOf, placedNames, type Placing } from './placing';
import { PlaceOnStage } from './PlaceOnStage';
import { PlacingPanel } from './PlacingPanel';
import { Watch, type WatchPlace } from '../../ui/watch/Watch';
import { type Choice, type Topic, WhatIsSeen } from './WhatIsSeen';

interface WordOf {
    section: Section;
    word: BoardWord;
}

/** Where a cue for a silence stands: before the word behind it, or behind the last. */
function wordOf(section: Section, { line, word }: Silence): WordAt {
    const last = section.lines.at(-1);
    return line === null ? { line: last?.id ?? '', word: last?.text.match(/\S+/gu)?.length ?? 0 } : { line, word };
}

/** The lesson as a storyboard beside the film: what is seen is chosen by words. */
export default function FinishRoom() {
    const { lesson, section } = useLessonPlace();
    const go = useNavigate();
    const [asDraft, setAsDraft] = useState(false);
    const { data: film, error } = useAssembly(lesson.id);
    const { data: draft } = useAssembly(lesson.id, asDraft);
    const { data: written } = useCues(lesson);
    const change = useCueChange(lesson);
    const [player, setPlayer] = useState<AssemblyPlayer | null>(null);
    const [cue, setCue] = useState<{ section: Section; cue: PlacedCue } | null>(null);
    const place = useRef<WatchPlace | null>(null);
    const [topic, setTopic] = useState<Topic>('picture');
    const [placing, setPlacing] = useState<{ it: Placing; holds: 'words' | 'on' } | null>(null);
    const framing = useFraming(lesson);
    const list = useRef<HTMLElement>(null);
    const plan = asDraft ? (draft ?? film) : film;
    const cues = useMemo(() => withProblems(written, plan), [written, plan]);

    const board = useMemo<BoardSection[]>(() => {
        let firstWord = 0;
        return lesson.sections.map((one, index) => {
            const rows = plan ? boardRows(plan, one, cues?.sections[one.id] ?? []) : [];
            const silences = plan?.silences.filter((silence) => silence.section_id === one.id) ?? [];
            const made = { section: one, index, rows, firstWord, silences };
            firstWord += rows.reduce((sum, row) => sum + row.words.length, 0);
            return made;
        });
    }, [lesson.sections, plan, cues]);
    const all = useMemo<WordOf[]>(
        () =>
            board.flatMap((one) =>
                one.rows.flatMap((row) => row.words.map((word) => ({ section: one.section, word }))),
            ),
        [board],
    );
    const show = useCallback((at: number) => player?.seek(at), [player]);
    const frameOf = (index: number) => all[index]?.word.frame ?? null;
    const words = useChosenWords(
        all.length,
        (index) => {
            setCue(null);
            setPlacing(null);
            framing.end();
            const at = frameOf(index);
            if (at !== null) {
                show(at);
            }
        },
        (index) => {
            const at = frameOf(index);
            if (at !== null) {
                player?.ready(at);
            }
        },
    );
    const frames = useMemo(() => all.map(({ word }) => word.frame), [all]);
    useNow(player, list, frames);
    useEffect(
        () =>
            player?.subscribe(() => {
                const { index, frame, playing } = player.snapshot();
                const here = plan?.segments[index]?.section_id;
                const begins = plan?.segments.find((one) => one.section_id === here)?.start_frame;
                if (here !== undefined && begins !== undefined) {
                    place.current = { section: here, at: frame - begins, playing };
                }
            }),
        [player, plan],
    );
    useSectionInSight(list, section?.id, plan !== undefined);
    const first = words.range && all[words.range[0]];
    const row = board.flatMap(({ rows }) => rows).find(({ words: said }) => first && said.includes(first.word));
    const stage = row?.shot?.picture.layers.find(({ shows }) => isStage(shows));
    const camera = row?.shot?.picture.layers.find(({ shows }) => shows === 'camera');
    const { data: take } = useTake(lesson.id, (camera && row?.segment?.take_id) ?? undefined);

    if (!film || !plan) {
        return <Waiting room="Finish" says="Putting the lesson together..." problem={error?.message} />;
    }
    const { unkept, reading } = withoutFilm(lesson.sections, film.missing);
    const lines = lesson.sections.reduce((sum, one) => sum + (one.card ? 0 : one.coverage.missing.length), 0);
    // Words of one section only: what is seen begins anew with each.
    const chosen = words.range
        ? all.slice(words.range[0], words.range[1] + 1).filter((w) => w.section === first?.section)
        : [];
    const choose = ({ cue: text, says }: Choice, holds: 'words' | 'on', done?: () => void) => {
        const last = chosen.at(-1);
        const kind = cuesIn(text)[0]?.kind;
        const lasting = kind === 'name' ? 'for four seconds' : holds === 'words' ? 'for these words' : 'from here on';
        if (first && last) {
            // Music goes on into the next section unless it is ended, also behind the last word.
            const behind =
                kind === 'music'
                    ? { line: last.word.line, word: last.word.word + 1 }
                    : placeBehind(first.section, last.word);
            const until = holds === 'words' ? behind : null;
            change.place(
                first.section,
                text,
                [{ line: first.word.line, word: first.word.word }, until],
                `${says} ${lasting}.`,
                done,
            );
        }
    };
    return (
        <main className="room finish-room">
            <section aria-label="Storyboard" className="finish-list" ref={list}>
                <header>
                    <h1>Finish</h1>
                    <p className="soft times mb-0">
                        {lesson.sections.length - unkept.length} of {lesson.sections.length} sections kept ·{' '}
                        {clock(plan.length_ms)}
                        {asDraft && ' with the stand-in voice'}
                    </p>
                </header>
                <Storyboard
                    lesson={lesson}
                    plan={plan}
                    board={board}
                    cues={cues}
                    words={words}
                    chosenCue={cue?.cue ?? null}
                    first={Math.max(
                        0,
                        lesson.sections.findIndex(({ id }) => id === section?.id),
                    )}
                    onCue={(of, one) => {
                        words.clear();
                        framing.end();
                        setCue({ section: of, cue: one });
                    }}
                    onShow={show}
                    onSpeed={(of, silence, speed, own) => {
                        const says =
                            speed === ''
                                ? 'The silence is as it was recorded.'
                                : speed === 'cut'
                                  ? 'The silence is cut out.'
                                  : `The silence runs ${Number.parseInt(speed, 10)} times as fast.`;
                        const text = speed === '' ? '' : writeCue('speed', speed);
                        if (own) {
                            change.replace(of, own, text, says);
                        } else {
                            change.place(of, text, [wordOf(of, silence), null], says);
                        }
                    }}
                    onJoin={(of, join, own) => {
                        const says = join
                            ? `It meets the section before with: ${join}.`
                            : 'It is as the house style has it.';
                        if (join !== '') {
                            change.open(of, writeCue('join', join), says);
                        } else if (own) {
                            change.replace(of, own, '', says);
                        }
                    }}
                />
            </section>
            <section aria-label="Watch" className="finish-watch">
                {lines > 0 && (
                    <Form.Check
                        type="switch"
                        id="as-draft"
                        className="as-draft"
                        label={`Have a stand-in voice read the ${lines === 1 ? 'line' : `${lines} lines`} not recorded yet`}
                        checked={asDraft}
                        onChange={(event) => setAsDraft(event.target.checked)}
                    />
                )}
                {plan.unread > 0 && (
                    <p className="soft" role="status">
                        {plan.unread_because ??
                            `Reading ${plan.unread} more ${plan.unread === 1 ? 'line' : 'lines'}...`}
                    </p>
                )}
                {plan.segments.length === 0 ? (
                    <EmptyPlace
                        says={
                            reading.length > 0
                                ? 'What you kept is still being read. It can be watched in a moment.'
                                : 'Nothing is kept yet, so there is nothing to watch.'
                        }
                    >
                        <Button onClick={() => go(roomPath(lesson.id, 'record', section?.id))}>Record</Button>
                    </EmptyPlace>
                ) : (
                    <Watch
                        key={fingerprint(plan)}
                        plan={plan}
                        from={section?.id}
                        goesOn={place.current}
                        says={!cue && !first}
                        captionsOf={asDraft ? undefined : lesson.id}
                        over={
                            framing.over ??
                            (placing
                                ? (picture) => (
                                      <PlaceOnStage
                                          picture={picture}
                                          placing={placing.it}
                                          onPlace={(it) => setPlacing({ ...placing, it })}
                                      />
                                  )
                                : undefined)
                        }
                        onPlayer={setPlayer}
                    />
                )}
                {framing.panel ??
                    (cue ? (
                        <CueInHand
                            key={`${cue.section.id}/${cue.cue.number}/${cue.cue.text}`}
                            cue={cue.cue}
                            lesson={lesson}
                            scriptPath={roomPath(lesson.id, 'script', cue.section.id)}
                            disabled={change.isPending}
                            onChange={(text) => {
                                change.replace(
                                    cue.section,
                                    cue.cue,
                                    text,
                                    text ? 'The cue is changed.' : 'The cue is gone.',
                                    // Another one may be in hand by then.
                                    () => setCue((now) => (now?.cue === cue.cue ? null : now)),
                                );
                            }}
                            onClose={() => setCue(null)}
                        />
                    ) : placing && first && chosen.length > 0 ? (
                        <PlacingPanel
                            placing={placing.it}
                            says={shortened(chosen.map(({ word }) => word.text))}
                            disabled={change.isPending}
                            onPlace={(it) => setPlacing({ ...placing, it })}
                            onDone={() => {
                                const placed = { cue: cueOf(placing.it), says: placedNames[placing.it.what] };
                                choose(placed, placing.holds, () => setPlacing(null));
                            }}
                            onCancel={() => setPlacing(null)}
                        />
                    ) : first && chosen.length > 0 ? (
                        <WhatIsSeen
                            lesson={lesson}
                            says={shortened(chosen.map(({ word }) => word.text))}
                            many={chosen.length > 1}
                            hasStage={stage !== undefined}
                            stage={stage?.url ?? null}
                            topic={topic}
                            onTopic={setTopic}
                            hasCamera={camera !== undefined}
                            take={take}
                            onFrame={() => {
                                player?.pause();
                                if (row && take) {
                                    framing.begin(row, take, first.word.frame ?? row.frame ?? 0);
                                }
                            }}
                            hasScreen={row?.segment?.beside.some(({ kind }) => kind === 'screen') ?? false}
                            disabled={change.isPending}
                            onChoose={choose}
                            onPlace={(what, holds) => {
                                player?.pause();
                                const inset = what.what === 'inset' && row?.shot && insetPart(row.shot.picture);
                                setPlacing({ it: begin({ ...what, ...inset }), holds });
                            }}
                            onClear={words.clear}
                        />
                    ) : (
                        plan.segments.length > 0 && (
                            <div className="finish-next">
                                <p className="soft mb-0">
                                    Click a word to see its frame and choose what is seen from there; draw over words to
                                    choose for them alone.
                                    {unkept.length > 0 && (
                                        <>
                                            {' '}
                                            Without a kept take, and left out of the film:{' '}
                                            <SectionLinks lesson={lesson} sections={unkept} />.
                                        </>
                                    )}
                                    {reading.length > 0 && (
                                        <>
                                            {' '}
                                            Kept and still being read:{' '}
                                            <SectionLinks lesson={lesson} sections={reading} room="review" />.
                                        </>
                                    )}
                                </p>
                                <Button onClick={() => go(roomPath(lesson.id, 'handover'))}>Hand over</Button>
                            </div>
                        )
                    ))}
            </section>
        </main>
    );
}

/** Where the inset lies now, in parts of the frame; where there is none, where one usually lies. */
function insetPart({ frame, layers }: Picture): Pick<Placing, 'part' | 'shape'> {
    const rect = layers.find(({ shows, rect: at }) => shows === 'camera' && at.width < frame.width / 2)?.rect;
    const { x, y, width, height } = rect ?? { x: 0.7, y: 0.7, width: 0.24, height: 0.24 };
    const part = rect
        ? { x: x / frame.width, y: y / frame.height, width: width / frame.width, height: height / frame.height }
        : { x, y, width, height };
    return { part, shape: part.width / part.height };
}

function shortened(words: string[]): string {
    return words.length > 7 ? `${words.slice(0, 4).join(' ')} ... ${words.slice(-2).join(' ')}` : words.join(' ');
}
