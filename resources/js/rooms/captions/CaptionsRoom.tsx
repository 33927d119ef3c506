import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { Link } from 'react-router';
import { useAssembly } from '../../api/lesson';
import type { CaptionAt } from '../../api/types';
import type { AssemblyPlayer } from '../../player/AssemblyPlayer';
import { fingerprint } from '../../player/plan';
import { useLessonPlace } from '../../shell/LessonFrame';
import { roomPath } from '../../shell/paths';
import { EmptyPlace } from '../../ui/EmptyPlace';
import { Icon } from '../../ui/Icon';
import { useStored } from '../../ui/useStored';
import { Waiting } from '../../ui/Waiting';
import { Watch } from '../../ui/watch/Watch';
import { CaptionInHand } from './CaptionInHand';
import { CaptionList } from './CaptionList';
import { OtherLanguage } from './OtherLanguage';
import { TranslationField } from './TranslationField';
import { keyOf, type Placed, placedOf } from './captions';
import { useCaptionChange, useCaptions, useTyped } from '../../ui/watch/useCaptions';
import { useStretch } from './useStretch';

/** Captions are read by a person, one after the other, with what is said meanwhile. */
export default function CaptionsRoom() {
    const { lesson, section } = useLessonPlace();
    const { data: plan, error } = useAssembly(lesson.id);
    const { data: captions, error: noCaptions } = useCaptions(lesson.id);
    const change = useCaptionChange(lesson.id);
    const [typed, keep] = useTyped(lesson.id);
    const [player, setPlayer] = useState<AssemblyPlayer | null>(null);
    const [at, setAt] = useState<number | null>(null);
    const hear = useStretch(player);
    const [language, setLanguage] = useStored(`captions/${lesson.id}/language`);
    const all = useMemo(() => placedOf(captions, lesson.sections), [captions, lesson.sections]);

    // It begins with the first that nobody has read, of the section that the address names.
    const first = useRef(true);
    useEffect(() => {
        if (first.current && all.length > 0) {
            first.current = false;
            const from = Math.max(
                0,
                all.findIndex((one) => one.section.id === section?.id),
            );
            const open = all.findIndex((one, n) => n >= from && !one.caption.checked);
            setAt(open < 0 ? from : open);
        }
    }, [all, section]);

    const now = at === null ? undefined : all[Math.min(at, all.length - 1)];
    const show = useCallback(
        (to: number, plays: boolean) => {
            const one = all[Math.max(0, Math.min(all.length - 1, to))];
            if (one) {
                setAt(all.indexOf(one));
                hear(one.caption.from_frame, one.caption.until_frame, plays);
            }
        },
        [all, hear],
    );
    // Where the words of the one in hand are seen, once there is a player.
    useEffect(() => {
        if (player && now) {
            // In its middle: at its beginning sections may still be dissolving into each other.
            player.seek(Math.floor((now.caption.from_frame + now.caption.until_frame) / 2));
        }
        // Only when a player comes: later the place is shown by whoever chooses one.
        // eslint-disable-next-line react-hooks/exhaustive-deps
    }, [player]);

    if (!plan || !captions) {
        return (
            <Waiting room="Captions" says="Listening where each word is..." problem={(error ?? noCaptions)?.message} />
        );
    }
    if (all.length === 0 || !now) {
        return (
            <EmptyPlace
                room="Captions"
                says="Nothing that is kept says a line of the script yet, so there are no captions."
            >
                <Link className="btn btn-primary" to={roomPath(lesson.id, 'record')}>
                    Record
                </Link>
            </EmptyPlace>
        );
    }
    const index = all.indexOf(now);
    /** What was typed goes to the server before another one is in hand. */
    const saved = (one: Placed, isRead: boolean) => {
        const text = typed[keyOf(one)];
        const isChanged = text !== undefined && text.trim() !== one.caption.rows.join('\n');
        if (isChanged || (isRead && !one.caption.checked)) {
            change.set(one.section.id, one.caption, isChanged ? text : shownOf(one.caption), () =>
                keep(keyOf(one), null),
            );
        } else if (text !== undefined) {
            keep(keyOf(one), null);
        }
    };
    const go = (to: number) => {
        saved(now, false);
        show(to, true);
    };
    const right = () => {
        saved(now, true);
        const next = all.findIndex((one, n) => n > index && !one.caption.checked);
        show(next < 0 ? Math.min(index + 1, all.length - 1) : next, true);
    };
    const own = all.filter((one) => one.section === now.section);
    const left = all.length - captions.unchecked;
    return (
        <main className="room captions-room">
            <section className="captions-read" aria-label="All captions">
                <header>
                    <h1>Captions</h1>
                    <p className="soft times mb-0" role="status">
                        {captions.unchecked === 0 ? (
                            <>
                                <Icon name="check" /> All {all.length} are checked.
                            </>
                        ) : (
                            `${left} of ${all.length} checked`
                        )}
                    </p>
                    <Link to={roomPath(lesson.id, 'handover')}>Back to Hand over</Link>
                    <OtherLanguage
                        lessonId={lesson.id}
                        captions={captions}
                        language={language}
                        onChoose={setLanguage}
                    />
                </header>
                <CaptionList all={all} fps={plan.fps} at={index} onChoose={go} />
            </section>
            <section className={language ? 'caption-desk has-other' : 'caption-desk'} aria-label="The caption in hand">
                <Watch
                    key={fingerprint(plan)}
                    plan={plan}
                    from={now.section.id}
                    isBare
                    over={() => <Shown text={typed[keyOf(now)] ?? textOf(now.caption)} />}
                    onPlayer={setPlayer}
                />
                <CaptionInHand
                    key={keyOf(now)}
                    caption={now.caption}
                    text={typed[keyOf(now)] ?? textOf(now.caption)}
                    isLast={now === own.at(-1)}
                    disabled={change.isPending}
                    onType={(text) => keep(keyOf(now), text)}
                    onRight={right}
                    onHear={() => show(index, true)}
                    onStep={(by) => go(index + by)}
                    onEnd={(by) => change.endLater(now.section.id, now.caption, by)}
                    onUncheck={() => change.uncheck(now.section.id, now.caption, shownOf(now.caption))}
                >
                    {language && (
                        <TranslationField
                            key={`${language}/${keyOf(now)}`}
                            lessonId={lesson.id}
                            language={language}
                            name={captions.languages[language] ?? language}
                            caption={now.caption}
                        />
                    )}
                </CaptionInHand>
                <p className="mb-0">
                    <Button
                        variant="quiet"
                        size="sm"
                        disabled={change.isPending || own.every((one) => one.caption.checked)}
                        onClick={() =>
                            change.check(
                                now.section.id,
                                own.map((one) => one.caption),
                            )
                        }
                    >
                        <Icon name="check" /> All {own.length} of this section are right
                    </Button>
                </p>
            </section>
        </main>
    );
}

/** What nobody has written yet begins empty. */
const textOf = (caption: CaptionAt) => (caption.to_fill ? '' : caption.rows.join('\n'));

/** What a person has read is kept as it stood, unless it is just what the script says. */
const shownOf = (caption: CaptionAt) => (caption.rows.join(' ') === caption.was ? null : caption.rows.join('\n'));

/** As the viewer will see it. */
function Shown({ text }: { text: string }) {
    return (
        <div className="shown-caption" aria-hidden="true">
            <span>{text}</span>
        </div>
    );
}
