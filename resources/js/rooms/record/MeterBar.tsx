import { useSyncExternalStore } from 'react';
import { ASLEEP, type Meter, type MeterSnapshot, UNMEASURED } from '../../recorder/meter';

const deaf: MeterSnapshot = { db: -96, peakDb: -96, word: ASLEEP, silentMs: 0 };
const nothing = () => () => undefined;

function useMeter(meter: Meter | null): MeterSnapshot {
    return useSyncExternalStore(meter?.subscribe ?? nothing, meter?.snapshot ?? (() => deaf));
}

/** What the rest of the room wants to know, which changes once a second at most: nothing else is drawn anew for a meter. */
export function useHeard(meter: Meter | null): { word: MeterSnapshot['word']; silentMs: number } {
    const says = useSyncExternalStore(meter?.subscribe ?? nothing, () => {
        const { word, silentMs } = meter?.snapshot() ?? deaf;
        return `${word}/${Math.floor(silentMs / 1000)}`;
    });
    const [word, seconds] = says.split('/');
    return { word: word as MeterSnapshot['word'], silentMs: 1000 * Number(seconds) };
}

const RANGE_DB = 60;

/** Words of the meter that say what to do, or why there is no level. */
const said: Partial<Record<MeterSnapshot['word'], string>> = {
    [ASLEEP]: 'click anywhere to hear it',
    [UNMEASURED]: 'recorded, but not measured here: this computer has no sound output',
};

/** How loud the microphone is: a bar, and the verdict in a word. */
export function MeterBar({ meter: of }: { meter: Meter | null }) {
    const meter = useMeter(of);
    const off = of === null;
    const along = (db: number) => Math.max(0, Math.min(1, (db + RANGE_DB) / RANGE_DB));
    const word = off ? 'off' : (said[meter.word] ?? meter.word);
    return (
        <div className="meter" data-word={off ? 'off' : meter.word}>
            <div className="meter-head">
                <span>Sound</span>
                <strong>{word}</strong>
            </div>
            <div
                className="meter-bar"
                role="meter"
                aria-label="Microphone level"
                aria-valuemin={-60}
                aria-valuemax={0}
                aria-valuenow={Math.round(Math.max(-60, meter.db))}
                aria-valuetext={word}
            >
                <div style={{ width: `${off ? 0 : along(meter.db) * 100}%` }} />
                {!off && <i className="peak" style={{ left: `${along(meter.peakDb) * 100}%` }} />}
            </div>
        </div>
    );
}
