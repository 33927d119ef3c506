import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { CaptionAt, Lesson, LessonCaptions, Section } from '../../api/types';
import type { AssemblyPlayer } from '../../player/AssemblyPlayer';
import { useCaptionChange, useTyped } from '../../ui/watch/useCaptions';
import { keyOf, placeOf, type Placed, placedOf } from './captions';
import { useStretch } from './useStretch';

/** What nobody has written yet begins empty. */
const textOf = (caption: CaptionAt) => (caption.to_fill ? '' : caption.rows.join('\n'));

/** What a person has read is kept as it stood, unless it is just what the script says. */
const shownOf = (caption: CaptionAt) => (caption.rows.join(' ') === caption.was ? null : caption.rows.join('\n'));

/** The caption in hand, what is typed over it, and how one comes to another. */
export function useCaptionDesk(lesson: Lesson, section: Section | undefined, captions: LessonCaptions | undefined) {
    const change = useCaptionChange(lesson.id);
    const [typed, keep] = useTyped(lesson.id);
    const [player, setPlayer] = useState<AssemblyPlayer | null>(null);
    const [at, setAt] = useState<number | null>(null);
    const hear = useStretch(player);
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
    const index = now ? all.indexOf(now) : 0;

    // Words that the caption gives or takes while an earlier change is on its way: they follow with it settled.
    const [ends, setEnds] = useState({ of: '', by: 0 });
    const { isPending, endLater } = change;
    useEffect(() => {
        if (ends.by === 0 || isPending) {
            return;
        }
        const one = all.find((each) => placeOf(each) === ends.of);
        if (one) {
            endLater(one.section.id, one.caption, ends.by);
        }
        setEnds({ of: '', by: 0 });
    }, [ends, isPending, endLater, all]);
    const moveEnd = (by: number) =>
        now && setEnds((ends) => ({ of: placeOf(now), by: ends.of === placeOf(now) ? ends.by + by : by }));
    return {
        all,
        now,
        index,
        isPending,
        setPlayer,
        /** The words of the one in hand, as they are typed. */
        text: now ? (typed[keyOf(now)] ?? textOf(now.caption)) : '',
        type: (text: string) => now && keep(keyOf(now), text),
        hear: () => show(index, true),
        go: (to: number) => {
            if (now) {
                saved(now, false);
                show(to, true);
            }
        },
        /** It is right: on to the next that nobody has read. */
        right: () => {
            if (now) {
                saved(now, true);
                const next = all.findIndex((one, n) => n > index && !one.caption.checked);
                show(next < 0 ? Math.min(index + 1, all.length - 1) : next, true);
            }
        },
        endLater: moveEnd,
        uncheck: () => now && change.uncheck(now.section.id, now.caption, shownOf(now.caption)),
        check: (some: Placed[]) =>
            now &&
            change.check(
                now.section.id,
                some.map((one) => one.caption),
            ),
    };
}
