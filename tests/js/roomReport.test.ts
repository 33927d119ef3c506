import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { RoomReport, type RoomShown } from '../../resources/js/recorder/roomReport';

const shown = (line: number): RoomShown => ({
    section: '1. High water',
    state: 'rolling',
    line,
    lines: 9,
    now: '',
    next: '',
    elapsed_ms: 0,
    count_left: 0,
});

describe('RoomReport', () => {
    beforeEach(() => void vi.useFakeTimers());
    afterEach(() => void vi.useRealTimers());

    it('sends the newest once the one before has arrived, and none of those between', async () => {
        const sent: number[] = [];
        let arrive = () => {};
        const report = new RoomReport(({ line }) => {
            sent.push(line);
            return new Promise<void>((resolve) => (arrive = resolve));
        });
        for (const line of [1, 2, 3, 4]) {
            report.show(() => shown(line));
        }
        expect(sent).toEqual([1]);
        arrive();
        await vi.advanceTimersByTimeAsync(0);
        expect(sent).toEqual([1, 4]);
        arrive();
        await vi.advanceTimersByTimeAsync(0);
        expect(sent).toEqual([1, 4]);
        report.stop();
    });

    it('repeats itself, also after a server that was away, until it is stopped', async () => {
        const sent: number[] = [];
        const report = new RoomReport(({ line }) => {
            sent.push(line);
            return sent.length === 2 ? Promise.reject(new Error('away')) : Promise.resolve();
        });
        report.show(() => shown(7));
        await vi.advanceTimersByTimeAsync(3200);
        expect(sent).toEqual([7, 7, 7]);
        report.stop();
        await vi.advanceTimersByTimeAsync(20_000);
        expect(sent).toHaveLength(3);
    });

    it('tells the times of the moment in which it is sent', async () => {
        const sent: number[] = [];
        let elapsed = 0;
        const report = new RoomReport((one) => {
            sent.push(one.elapsed_ms);
            return Promise.resolve();
        });
        report.show(() => ({ ...shown(0), elapsed_ms: elapsed }));
        elapsed = 5000;
        await vi.advanceTimersByTimeAsync(1500);
        expect(sent).toEqual([0, 5000]);
        report.stop();
    });
});
