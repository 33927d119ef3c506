import { describe, expect, it, vi } from 'vitest';
import type { Course, Lesson, LessonSummary, Section, Take } from '../../resources/js/api/types';
import { shotAt } from '../../resources/js/player/plan';
import { nextStep } from '../../resources/js/rooms/review/nextStep';
import { changedSince } from '../../resources/js/rooms/script/changed';
import { begin } from '../../resources/js/rooms/lessons/begin';
import { groups } from '../../resources/js/rooms/lessons/Courses';
import { offTarget, sectionState, withoutFilm } from '../../resources/js/shell/sectionState';

const take = (number: number, verdict: Take['verdict'], lines: [string, string][] = [], more: Partial<Take> = {}) =>
    ({
        id: `t${number}`,
        number,
        verdict,
        state: 'ready',
        flags: [],
        used_from_ms: 1000,
        used_until_ms: 5000,
        lines: lines.map(([id, text]) => ({ id, text, from_ms: null })),
        ...more,
    }) as unknown as Take;
const section = (id: string, lines: [string, string][], takes: Take[] = [], more: Partial<Section> = {}) =>
    ({
        id,
        takes,
        lines: lines.map(([line, text], index) => ({ id: line, text, number: index + 1, paragraph: 1 })),
        estimate_ms: 10_000,
        target_ms: null,
        card: null,
        coverage: { heard: false, elsewhere: false, takes: [], missing: [], lines: [] },
        progress: progress(takes, more),
        ...more,
    }) as unknown as Section;
/** As the server says it of such takes. */
const progress = (takes: Take[], { card }: Partial<Section>) => {
    const kept = takes.find((one) => one.verdict === 'kept')?.id ?? null;
    const waiting = takes.findLast((one) => one.verdict === 'undecided')?.id ?? null;
    return { fill: kept || card ? 'filled' : waiting ? 'half' : 'hollow', kept, waiting, reading: null };
};
const lessonOf = (...sections: Section[]) => ({ sections }) as never;

describe('the next step after a take is kept', () => {
    const step = (missing: string[], heard: boolean) =>
        nextStep(
            { id: 'l' } as Lesson,
            {
                id: 's1',
                coverage: { heard, missing },
                next: { room: 'record', section: 's2', says: 'Record section 2' },
            } as Section,
        );

    it('is to record the lines that the take lacks', () => {
        expect(step(['a'], true).says).toBe('Record the missing line');
        expect(step(['a', 'b'], true)).toEqual({
            to: '/lessons/l/record/s1?lines=a,b',
            says: 'Record the 2 missing lines',
        });
    });

    it('is what the server says where none is missing, or nothing of it is heard', () => {
        expect(step([], true)).toEqual({ to: '/lessons/l/record/s2', says: 'Record section 2' });
        expect(step(['a'], false).says).toBe('Record section 2');
    });
});

describe('how a section stands', () => {
    it('is as the server says it, with the takes at hand', () => {
        const takes = [take(1, 'kept'), take(2, 'undecided')];
        const said = { fill: 'filled', notched: true, says: 'kept', length_ms: 4000, off_target_ms: null } as const;
        const state = sectionState(
            section('s', [], takes, { progress: { ...said, kept: 't1', waiting: 't2', reading: null } }),
        );
        expect(state).toMatchObject({ fill: 'filled', notched: true, says: 'kept', lengthMs: 4000 });
        expect([state.kept, state.waiting]).toEqual(takes);
        const elsewhere = sectionState(
            section('s', [], [], { progress: { ...said, kept: 'other', waiting: null, reading: null } }),
        );
        expect(elsewhere.kept).toBeNull();
    });

    it('tells what is being read from what nobody kept', () => {
        const [read, reading, hollow] = ['a', 'b', 'c'].map((id) => section(id, [], [])) as [Section, Section, Section];
        reading.progress = { ...reading.progress, reading: 't1' };
        expect(withoutFilm([read, reading, hollow], ['b', 'c'])).toEqual({ unkept: [hollow], reading: [reading] });
    });

    it('may miss its target by a tenth', () => {
        expect(offTarget(66_000, 60_000)).toBeNull();
        expect(offTarget(67_000, 60_000)).toBe(7000);
        expect(offTarget(50_000, 60_000)).toBe(-10_000);
        expect(offTarget(50_000, null)).toBeNull();
    });
});

describe('lines changed since they were recorded', () => {
    it('are told with the words that were recorded', () => {
        const line = (id: string, was: string | null) => ({ id, take: 't1', why: null, others: [], was, was_take: 1 });
        const lines = [line('a', 'Find the first high water.'), line('b', null)];
        const one = section('s', [], [], {
            coverage: { heard: true, elsewhere: false, takes: [], missing: [], lines },
        });
        expect(changedSince(lessonOf(one))).toEqual([
            { line: 'a', section: 's', says: 'Changed since take 1. Recorded: “Find the first high water.”' },
        ]);
    });
});

describe('the shelf', () => {
    const lesson = (id: string, course_id: string | null) => ({ id, course_id }) as LessonSummary;
    const course = (id: string) => ({ id, name: id }) as Course;

    it('groups lessons by course, those without one last', () => {
        const made = groups([lesson('1', null), lesson('2', 'c'), lesson('3', 'gone')], [course('c'), course('d')]);
        expect(made.map((group) => [group.course?.id ?? null, group.lessons.map((one) => one.id)])).toEqual([
            ['c', ['2']],
            ['d', []],
            [null, ['1', '3']],
        ]);
    });

    const start = {
        title: 'Tides',
        titleIsGuess: false,
        course: null,
        like: 'other',
        width: 1280,
        height: 720,
        fps: 25,
    };
    const answers = (text = '## A\n\nb.', title: string | null = null) => {
        const calls: string[] = [];
        const answer = (method: string) =>
            vi.fn(async (path: string, body?: unknown) => {
                calls.push(`${method} ${path} ${body instanceof FormData ? 'file' : JSON.stringify(body)}`);
                return path === 'read-script' ? { text, title } : { id: 'new', revision: 1 };
            });
        const api = { post: answer('post'), put: answer('put'), patch: answer('patch'), delete: answer('delete') };
        return { calls, api: api as never };
    };

    it('makes a lesson like another', async () => {
        const { calls, api } = answers();
        await begin({ ...start, file: null }, api, vi.fn());
        expect(calls).toHaveLength(1);
        expect(calls[0]).toContain('"like":"other"');
    });

    it('reads a script before the lesson is made, and gives it its title', async () => {
        const { calls, api } = answers();
        await begin({ ...start, file: new File(['x'], 'tides.DOCX') }, api, vi.fn());
        expect(calls.map((call) => call.split(' ')[1])).toEqual(['read-script', 'lessons', 'lessons/new/script']);
        expect(calls[1]).toContain('"like":null');
        expect(calls[2]).toContain('# Tides\\n\\n## A');
    });

    it('is called what its script says, unless somebody chose a title', async () => {
        const text = '[target 3:00]\n\n# High and low\n\n## A\n\nb.';
        const file = new File(['x'], 'draft_7.md');
        const guessed = answers(text, 'High and low');
        await begin({ ...start, title: 'draft 7', titleIsGuess: true, file }, guessed.api, vi.fn());
        expect(guessed.calls).toHaveLength(3);
        expect(guessed.calls[1]).toContain('"title":"High and low"');
        expect(guessed.calls[2]).toContain(JSON.stringify(text));
        const chosen = answers(text, 'High and low');
        await begin({ ...start, title: 'My own', file }, chosen.api, vi.fn());
        expect(chosen.calls[1]).toContain('"title":"My own"');
        expect(chosen.calls.at(-1)).toBe('patch lessons/new {"title":"My own"}');
    });

    it('takes a lesson back when its slides are refused', async () => {
        const { calls, api } = answers();
        const bring = vi.fn(async () => ({ added: 0, names: [], refused: ['"a.pdf" is empty.'], decks: [] }));
        await expect(begin({ ...start, file: new File([''], 'a.pdf') }, api, bring)).rejects.toThrow('is empty');
        expect(calls.at(-1)).toMatch(/^delete lessons\/new/);
    });
});

describe('shots in the player', () => {
    it('are found by the frame of the lesson', () => {
        const segment = { start_frame: 100, shots: [{ offset: 0 }, { offset: 25 }, { offset: 40 }] } as never;
        expect([100, 124, 125, 139, 140, 999].map((frame) => shotAt(segment, frame)?.offset)).toEqual([
            0, 0, 25, 25, 40, 40,
        ]);
    });
});
