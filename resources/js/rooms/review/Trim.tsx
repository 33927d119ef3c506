import { type KeyboardEvent, type RefObject, useEffect, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { api } from '../../api/client';
import { useLessonChange } from '../../api/lesson';
import type { Lesson, Take } from '../../api/types';
import { useNotices } from '../../ui/Notices';
import { Icon } from '../../ui/Icon';
import { clock, tenths } from '../../lib/time';
import type { Playback } from './useTakePlayback';
import { type Used, Wave } from './wave';

interface Props {
    lesson: Lesson;
    take: Take;
    media: RefObject<HTMLVideoElement | null>;
    playback: Playback;
}

const NUDGE_MS = 100;

type Trimmed = { used_from_ms: number | null; used_until_ms: number | null; snap?: boolean };

/** The sound wave of the take in hand, and where the used part starts and ends. */
export function Trim({ lesson, take, media, playback }: Props) {
    const { failed } = useNotices();
    const box = useRef<HTMLDivElement>(null);
    const wave = useRef<Wave | null>(null);
    const [used, setUsed] = useState<Used>({ from: take.used_from_ms, until: take.used_until_ms });
    const save = useLessonChange(lesson.id, (part: Trimmed) => api.patch<Take>(`takes/${take.id}`, part));
    /** What is dragged, or moved by tenths, goes into the silence beside it; single frames stay where they are put. */
    const trim = (part: Used, snap = true) => {
        setUsed(part);
        save.mutate(
            { used_from_ms: part.from, used_until_ms: part.until, snap },
            {
                onError: (error) => {
                    failed(error);
                    setUsed({ from: take.used_from_ms, until: take.used_until_ms });
                },
            },
        );
    };
    const latest = useRef(trim);
    latest.current = trim;
    const shown = useRef(used);
    shown.current = used;

    useEffect(
        () => setUsed({ from: take.used_from_ms, until: take.used_until_ms }),
        [take.used_from_ms, take.used_until_ms],
    );
    useEffect(() => {
        let gone = false;
        let frame = 0;
        const draw = (peaks: number[]) => {
            // What plays it comes when it is known what is seen.
            if (!gone && (!media.current || !box.current)) {
                frame = requestAnimationFrame(() => draw(peaks));
            } else if (!gone && media.current && box.current) {
                wave.current = new Wave(box.current, media.current, peaks, take.length_ms, (part) =>
                    latest.current(part),
                );
                wave.current.show(shown.current);
            }
        };
        api.get<number[]>(`takes/${take.id}/wave`)
            .then(draw)
            .catch(() => undefined);
        return () => {
            gone = true;
            cancelAnimationFrame(frame);
            wave.current?.close();
            wave.current = null;
        };
    }, [media, take.id, take.length_ms]);
    useEffect(() => wave.current?.show(used), [used]);

    const nudge = (end: keyof Used, direction: 1 | -1, isFrame: boolean) => {
        const by = direction * (isFrame ? 1000 / lesson.fps : NUDGE_MS);
        const part = { ...used, [end]: Math.max(0, Math.min(take.length_ms, Math.round(used[end] + by))) };
        if (part.until - part.from >= 200) {
            trim(part, !isFrame);
        }
    };
    return (
        <div className="trim">
            <div className="wave" ref={box} aria-hidden="true" />
            <div className="trim-row times">
                <Button variant="quiet" onClick={playback.toggle}>
                    <Icon name={playback.playing ? 'pause' : 'play'} /> {playback.playing ? 'Pause' : 'Play'}
                </Button>
                <Nudge name="Start" at={used.from} onMove={(to, frame) => nudge('from', to, frame)} />
                <Nudge name="End" at={used.until} onMove={(to, frame) => nudge('until', to, frame)} />
                <span className="soft">
                    {clock(used.until - used.from - leftOut(take, used))} used of {clock(take.length_ms)}
                </span>
                {take.trimmed_by_hand && (
                    <Button
                        variant="quiet"
                        size="sm"
                        onClick={() => save.mutate({ used_from_ms: null, used_until_ms: null }, { onError: failed })}
                    >
                        As found
                    </Button>
                )}
            </div>
        </div>
    );
}

/** Milliseconds that are left out inside of the used part. */
function leftOut(take: Take, used: Used): number {
    const stretches = [...take.retakes, ...take.omitted, ...take.cuts, ...take.tightened].sort(
        (a, b) => a.from_ms - b.from_ms,
    );
    let sum = 0;
    let at = used.from;
    for (const { from_ms, until_ms } of stretches) {
        const from = Math.max(at, from_ms);
        const until = Math.min(used.until, until_ms);
        sum += Math.max(0, until - from);
        at = Math.max(at, until);
    }
    return sum;
}

/** An edge, moved by tenths of a second with its buttons or the arrow keys; with Shift by one frame. */
function Nudge({ name, at, onMove }: { name: string; at: number; onMove: (to: 1 | -1, isFrame: boolean) => void }) {
    const onKey = (event: KeyboardEvent) => {
        const to = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : null;
        if (to) {
            event.preventDefault();
            event.stopPropagation();
            onMove(to, event.shiftKey);
        }
    };
    const button = (to: 1 | -1, sign: string, says: string) => (
        <Button
            variant="quiet"
            size="sm"
            title="With Shift: one frame. The arrow keys do the same."
            aria-label={`${name} a tenth of a second ${says}`}
            onClick={(event) => onMove(to, event.shiftKey)}
        >
            {sign}
        </Button>
    );
    return (
        <span className="nudge" role="group" aria-label={name} onKeyDown={onKey}>
            {button(-1, '−', 'earlier')}
            <span>
                {name} {tenths(at)}
            </span>
            {button(1, '+', 'later')}
        </span>
    );
}
