import { type RefObject, useEffect, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { api } from '../../api/client';
import { useLessonChange } from '../../api/lesson';
import type { Lesson, Take } from '../../api/types';
import { useNotices } from '../../shell/Notices';
import { Icon } from '../../ui/Icon';
import { clock, tenths } from '../../ui/time';
import type { Playback } from './useTakePlayback';
import { type Used, Wave } from './wave';

interface Props {
    lesson: Lesson;
    take: Take;
    media: RefObject<HTMLVideoElement | null>;
    playback: Playback;
}

const NUDGE_MS = 100;

/** The sound wave of the take in hand, and where the used part starts and ends. */
export function Trim({ lesson, take, media, playback }: Props) {
    const { failed } = useNotices();
    const box = useRef<HTMLDivElement>(null);
    const wave = useRef<Wave | null>(null);
    const [used, setUsed] = useState<Used>({ from: take.used_from_ms, until: take.used_until_ms });
    const save = useLessonChange(lesson.id, (part: { used_from_ms: number | null; used_until_ms: number | null }) =>
        api.patch<Take>(`takes/${take.id}`, part),
    );
    const trim = (part: Used) => {
        setUsed(part);
        save.mutate(
            { used_from_ms: part.from, used_until_ms: part.until },
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

    const nudge = (end: keyof Used, by: number) => {
        const part = { ...used, [end]: Math.max(0, Math.min(take.length_ms, used[end] + by)) };
        if (part.until - part.from >= 200) {
            trim(part);
        }
    };
    return (
        <div className="trim">
            <div className="wave" ref={box} aria-hidden="true" />
            <div className="trim-row times">
                <Button variant="quiet" onClick={playback.toggle}>
                    <Icon name={playback.playing ? 'pause' : 'play'} /> {playback.playing ? 'Pause' : 'Play'}
                </Button>
                <Nudge
                    name="Start"
                    at={used.from}
                    onEarlier={() => nudge('from', -NUDGE_MS)}
                    onLater={() => nudge('from', NUDGE_MS)}
                />
                <Nudge
                    name="End"
                    at={used.until}
                    onEarlier={() => nudge('until', -NUDGE_MS)}
                    onLater={() => nudge('until', NUDGE_MS)}
                />
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
    const stretches = [...take.fluffs, ...take.left, ...take.cuts].sort((a, b) => a.from_ms - b.from_ms);
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

function Nudge({
    name,
    at,
    onEarlier,
    onLater,
}: {
    name: string;
    at: number;
    onEarlier: () => void;
    onLater: () => void;
}) {
    return (
        <span className="nudge" role="group" aria-label={name}>
            <Button variant="quiet" size="sm" onClick={onEarlier} aria-label={`${name} a tenth of a second earlier`}>
                −
            </Button>
            <span>
                {name} {tenths(at)}
            </span>
            <Button variant="quiet" size="sm" onClick={onLater} aria-label={`${name} a tenth of a second later`}>
                +
            </Button>
        </span>
    );
}
