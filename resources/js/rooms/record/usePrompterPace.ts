import { useEffect, useRef } from 'react';
import type { Line } from '../../api/types';
import { PrompterPace } from '../../recorder/prompterPace';
import { Voice } from '../../recorder/voice';

interface Pace {
    lines: Line[];
    line: number;
    speed: number;
    /** It moves only while the take rolls, and only when the presenter chose so. */
    moves: boolean;
    voice: MediaStream | undefined;
    onLine: (line: number) => void;
}

/** Moves the prompter with the presenter's voice; every step by hand sets it right. */
export function usePrompterPace({ lines, line, speed, moves, voice, onLine }: Pace): void {
    const pace = useRef<PrompterPace | null>(null);
    const shown = useRef(line);
    const move = useRef(onLine);
    move.current = onLine;
    if (shown.current !== line) {
        shown.current = line;
        pace.current?.moveTo(line);
    }
    const lengths = lines.map((one) => one.spoken_ms).join(',');
    useEffect(() => {
        if (!moves || !voice) {
            pace.current = null;
            return;
        }
        pace.current = new PrompterPace(lengths.split(',').map(Number), shown.current, speed);
        const listening = new Voice(voice, ({ speaking }, milliseconds) => {
            const next = pace.current?.pass(milliseconds, speaking);
            if (next !== undefined && next !== shown.current) {
                shown.current = next;
                move.current(next);
            }
        });
        return () => listening.close();
    }, [moves, voice, lengths, speed]);
}
