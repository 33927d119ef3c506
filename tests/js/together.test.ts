import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { changesSeen, madeChange, sawChanges } from '../../resources/js/api/changes';
import { Presence } from '../../resources/js/api/presence';
import type { Here } from '../../resources/js/api/types';

const piran: Here = { name: 'Piran', you: false, room: 'script', section_id: null, recording: false };
let lesson = 0;
let id = '';
let answer: { others: Here[]; changes: number };
let said: unknown[];
let changed: string[];
let left: string[];

const make = () =>
    new Presence({
        say: async (at, place) => {
            said.push([at, place]);
            return answer;
        },
        leave: (at) => left.push(at),
        changed: (at) => changed.push(at),
    });

beforeEach(() => {
    vi.useFakeTimers();
    id = `lesson-${lesson++}`;
    answer = { others: [], changes: 4 };
    [said, changed, left] = [[], [], []];
});
afterEach(() => vi.useRealTimers());

const pass = (ms: number) => vi.advanceTimersByTimeAsync(ms);

describe('Together', () => {
    it('says where it is, at once when that changes and every other second besides', async () => {
        const together = make();
        together.move('script', null);
        const leave = together.enter(id);
        await pass(0);
        together.move('record', 'section');
        await pass(0);
        expect(said).toEqual([
            [id, { room: 'script', section: null, recording: false }],
            [id, { room: 'record', section: 'section', recording: false }],
        ]);
        await pass(3000);
        expect(said).toHaveLength(4);
        leave();
        await pass(5000);
        expect(said).toHaveLength(4);
        expect(left).toEqual([id]);
    });

    it('hears who else is here', async () => {
        const together = make();
        together.enter(id);
        answer.others = [piran];
        await pass(0);
        expect(together.snapshot().others).toEqual([piran]);
        let told = 0;
        together.subscribe(() => told++);
        answer = { others: [{ ...piran }], changes: 4 };
        await pass(1500);
        expect(told).toBe(0);
    });

    it('hears of what others changed within two seconds, and of nothing that it changed itself', async () => {
        const together = make();
        together.enter(id);
        await pass(0);
        expect(changesSeen(id)).toBe(4);
        answer.changes = 5;
        await pass(1500);
        expect(changed).toEqual([id]);
        madeChange(`${id} 6`);
        answer.changes = 6;
        await pass(1500);
        expect(changed).toHaveLength(1);
        // Others changed something just before: seven is theirs, eight one's own.
        madeChange(`${id} 8`);
        answer.changes = 8;
        await pass(1500);
        expect(changed).toHaveLength(2);
    });

    it('does not disturb who records, and tells behind it', async () => {
        const together = make();
        together.enter(id);
        together.records(true);
        await pass(0);
        answer.changes = 9;
        await pass(6000);
        expect(changed).toEqual([]);
        together.records(false);
        await pass(0);
        expect(changed).toEqual([id]);
    });

    it('goes on when the server was away', async () => {
        const together = new Presence({
            say: vi
                .fn()
                .mockRejectedValueOnce(new Error('away'))
                .mockResolvedValue({ others: [piran], changes: 1 }),
            leave: () => undefined,
            changed: () => undefined,
        });
        together.enter(id);
        await pass(0);
        expect(together.snapshot().others).toEqual([]);
        await pass(1500);
        expect(together.snapshot().others).toEqual([piran]);
    });
});

describe('madeChange', () => {
    it('knows nothing of lessons that nobody asked about, and passes over what it cannot read', () => {
        madeChange('unknown 3');
        expect(changesSeen('unknown')).toBeUndefined();
        madeChange(null);
        madeChange('');
        sawChanges('known', 2);
        madeChange('known x');
        expect(changesSeen('known')).toBe(2);
    });
});
