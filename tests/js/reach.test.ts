import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Connectivity } from '../../resources/js/api/connectivity';

describe('whether the server can be reached', () => {
    beforeEach(() => void vi.useFakeTimers());
    afterEach(() => void vi.useRealTimers());

    it('is as the last request found it', () => {
        const reach = new Connectivity(() => Promise.resolve({}));
        expect(reach.snapshot().away).toBe(false);
        reach.lost();
        expect(reach.snapshot().away).toBe(true);
        reach.found();
        expect(reach.snapshot().away).toBe(false);
    });

    it('is looked for while it cannot, and told once when it can', async () => {
        let answers = false;
        const ping = vi.fn(() => (answers ? Promise.resolve({}) : Promise.reject(new Error('away'))));
        const reach = new Connectivity(ping);
        const told: boolean[] = [];
        reach.subscribe(() => told.push(reach.snapshot().away));
        reach.lost();
        reach.lost();
        await vi.advanceTimersByTimeAsync(7000);
        expect(ping).toHaveBeenCalledTimes(3);
        answers = true;
        await vi.advanceTimersByTimeAsync(3000);
        await vi.advanceTimersByTimeAsync(20_000);
        expect(told).toEqual([true, false]);
        expect(ping).toHaveBeenCalledTimes(4);
    });

    it('tells a server that wants one to sign in again from one that is away', async () => {
        const signedOut = { signedOut: true, instead: null };
        let says: { signedOut?: boolean; instead?: string | null } | Error = signedOut;
        const reach = new Connectivity(() => (says instanceof Error ? Promise.reject(says) : Promise.resolve(says)));
        reach.lost(signedOut);
        expect(reach.snapshot()).toEqual({ away: true, ...signedOut });
        await vi.advanceTimersByTimeAsync(5000);
        expect(reach.snapshot()).toEqual({ away: true, ...signedOut });
        says = { signedOut: true, instead: 'Demelza' };
        await vi.advanceTimersByTimeAsync(2500);
        expect(reach.snapshot()).toEqual({ away: true, ...says });
        says = new Error('away');
        await vi.advanceTimersByTimeAsync(2500);
        expect(reach.snapshot()).toEqual({ away: true, signedOut: false, instead: null });
        says = {};
        await vi.advanceTimersByTimeAsync(2500);
        expect(reach.snapshot()).toEqual({ away: false, signedOut: false, instead: null });
    });
});
