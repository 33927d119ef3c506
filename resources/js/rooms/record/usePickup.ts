import { useEffect, useMemo, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { useAlignment } from '../../api/lesson';
import type { Section, Take, TakeGlance } from '../../api/types';
import { AttemptPlayer } from '../../player/AttemptPlayer';

/** The sentence before a pickup, played through the headphones so that tone and pace match. */
export interface LeadIn {
    /** Resolves when it was heard: whether to go on and count down. Without one, at once. */
    play(): Promise<boolean>;
    stop(): void;
    /** What is said while it plays. */
    says: string | null;
}

/** What is recorded of a section: all of it, or with `?lines=` in the address just these lines. */
export function usePickup(whole: Section): { section: Section; only: number[] | null; leadIn: LeadIn } {
    const [search] = useSearchParams();
    const wanted = search.get('lines');
    const only = useMemo(() => {
        const ids = wanted?.split(',') ?? [];
        const found = whole.lines.flatMap(({ id }, index) => (ids.includes(id) ? [index] : []));
        return found.length > 0 ? found : null;
    }, [wanted, whole.lines]);
    const section = useMemo(() => {
        if (!only) {
            return whole;
        }
        const lines = whole.lines.filter((_, index) => only.includes(index));
        return { ...whole, lines, estimate_ms: lines.reduce((sum, { spoken_ms }) => sum + spoken_ms, 0) };
    }, [whole, only]);
    const before = only?.[0] ? whole.lines[only[0] - 1] : undefined;
    const speaker = whole.coverage.lines.find(({ id }) => id === before?.id)?.take;
    return {
        section,
        only,
        leadIn: useLeadIn(
            whole.takes.find(({ id }) => id === speaker),
            before?.id,
        ),
    };
}

/** A take that stands for none: nothing is asked about it. */
const NOTHING = { id: '', state: 'recording', alignment: null, media_url: '' } as unknown as Take;

function useLeadIn(take: TakeGlance | undefined, line: string | undefined): LeadIn {
    const { data } = useAlignment(take ?? NOTHING);
    const read = take && data?.attempts.filter((one) => one.line === line && one.kind === 'complete').at(-1);
    const [playing, setPlaying] = useState(false);
    const latest = useRef({ take, read });
    latest.current = { take, read };
    const [controls] = useState(() => {
        let done: ((goOn: boolean) => void) | null = null;
        const end = (goOn: boolean) => {
            setPlaying(false);
            done?.(goOn);
            done = null;
        };
        const player = new AttemptPlayer((key) => key === null && end(true));
        return {
            play: () => {
                if (done) {
                    // Pressed again while it plays: it has been heard enough.
                    player.close();
                    return Promise.resolve(false);
                }
                const now = latest.current;
                if (!now.take || !now.read) {
                    return Promise.resolve(true);
                }
                // Alone: there is nothing to be as loud as.
                const played = { key: 'lead-in', take: { ...now.take, loudness: null }, read: now.read };
                player.play([played]);
                setPlaying(true);
                return new Promise<boolean>((answer) => {
                    done = answer;
                });
            },
            stop: () => {
                end(false);
                player.close();
            },
        };
    });
    useEffect(() => () => controls.stop(), [controls]);
    return useMemo(
        () => ({ ...controls, says: playing ? 'Listen: the sentence before. The countdown follows.' : null }),
        [controls, playing],
    );
}
