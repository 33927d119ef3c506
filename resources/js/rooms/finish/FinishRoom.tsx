import { useCallback, useMemo, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useNavigate } from 'react-router';
import { useAssembly, useTake } from '../../api/lesson';
import type { PlacedCue, Section } from '../../api/types';
import type { AssemblyPlayer } from '../../player/AssemblyPlayer';
import { cuesIn } from '../../lib/scriptSyntax';
import { fingerprint } from '../../player/plan';
import { useLessonPlace } from '../../shell/LessonFrame';
import { roomPath } from '../../shell/paths';
import { withoutFilm } from '../../shell/sectionState';
import { EmptyPlace } from '../../ui/EmptyPlace';
import { clock } from '../../lib/time';
import { useAtRest } from '../../ui/useAtRest';
import { Waiting } from '../../ui/Waiting';
import { CueInHand } from './CueInHand';
import { boardChanges } from './boardChanges';
import { FilmNext } from './FilmNext';
import { ForWords, type Holds, type InPlacing } from './ForWords';
import { Storyboard } from './Storyboard';
import { placeBehind, withProblems } from './storyboard';
import { useBoard } from './useBoard';
import { useNow, useSectionInSight } from './sight';
import { useChosenWords } from './useChosenWords';
import { useCueChange, useCues } from './useCues';
import { useFraming } from './useFraming';
import { PlaceOnStage } from './PlaceOnStage';
import { useWatchPlace } from './useWatchPlace';
import { Watch } from '../../ui/watch/Watch';
import type { Choice, Topic } from './WhatIsSeen';

/** How long one stays with words before more is read of their take. */
const AT_REST_MS = 400;

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
    const [topic, setTopic] = useState<Topic>('picture');
    const [placing, setPlacing] = useState<InPlacing | null>(null);
    const framing = useFraming(lesson);
    const list = useRef<HTMLElement>(null);
    const plan = asDraft ? (draft ?? film) : film;
    const cues = useMemo(() => withProblems(written, plan), [written, plan]);

    const { board, all, frames } = useBoard(lesson, plan, cues);
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
    useNow(player, list, frames);
    const place = useWatchPlace(player, plan);
    useSectionInSight(list, section?.id, plan !== undefined);
    const first = words.range && all[words.range[0]];
    const row = board.flatMap(({ rows }) => rows).find(({ words: said }) => first && said.includes(first.word));
    const camera = row?.shot?.picture.layers.find(({ shows }) => shows === 'camera');
    // Asked for when one has come to rest: until then the picture comes first.
    const takeId = (camera && row?.segment?.take_id) ?? undefined;
    const { data: take } = useTake(lesson.id, takeId, useAtRest(takeId, AT_REST_MS));

    if (!film || !plan) {
        return <Waiting room="Finish" says="Putting the lesson together..." problem={error?.message} />;
    }
    const { unkept, reading } = withoutFilm(lesson.sections, film.missing);
    const lines = lesson.sections.reduce((sum, one) => sum + (one.card ? 0 : one.coverage.missing.length), 0);
    // Words of one section only: what is seen begins anew with each.
    const chosen = words.range
        ? all.slice(words.range[0], words.range[1] + 1).filter((w) => w.section === first?.section)
        : [];
    const choose = ({ cue: text, says }: Choice, holds: Holds, done?: () => void) => {
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
    const changeCue = (text: string) => {
        if (cue) {
            // Another one may be in hand by then.
            const letGo = () => setCue((now) => (now?.cue === cue.cue ? null : now));
            change.replace(cue.section, cue.cue, text, text ? 'The cue is changed.' : 'The cue is gone.', letGo);
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
                    {...boardChanges(change)}
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
                            onChange={changeCue}
                            onClose={() => setCue(null)}
                        />
                    ) : first && chosen.length > 0 ? (
                        <ForWords
                            lesson={lesson}
                            says={shortened(chosen.map(({ word }) => word.text))}
                            many={chosen.length > 1}
                            row={row}
                            take={take}
                            topic={topic}
                            onTopic={setTopic}
                            placing={placing}
                            disabled={change.isPending}
                            onPlacing={(next) => {
                                if (!placing) {
                                    player?.pause();
                                }
                                setPlacing(next);
                            }}
                            onChoose={choose}
                            onFrame={() => {
                                player?.pause();
                                if (row && take) {
                                    framing.begin(row, take, first.word.frame ?? row.frame ?? 0);
                                }
                            }}
                            onClear={words.clear}
                        />
                    ) : (
                        plan.segments.length > 0 && <FilmNext lesson={lesson} unkept={unkept} reading={reading} />
                    ))}
            </section>
        </main>
    );
}

function shortened(words: string[]): string {
    return words.length > 7 ? `${words.slice(0, 4).join(' ')} ... ${words.slice(-2).join(' ')}` : words.join(' ');
}
