import { beforeEach, describe, expect, it, vi } from 'vitest';
import {
    type OpenedTake,
    type RecorderLike,
    RecordingSession,
    type SessionPorts,
} from '../../resources/js/recorder/session';

class FakeRecorder implements RecorderLike {
    calls: string[] = [];
    ondataavailable: ((event: { data: Blob }) => void) | null = null;
    onstop: (() => void) | null = null;
    onerror: (() => void) | null = null;
    start = (slice: number) => void this.calls.push(`start ${slice}`);
    pause = () => void this.calls.push('pause');
    resume = () => void this.calls.push('resume');
    stop = () => {
        this.calls.push('stop');
        this.ondataavailable?.({ data: new Blob(['last']) });
        this.onstop?.();
    };
}

const take: OpenedTake = { id: 'take', number: 3, tracks: { camera: 'track' } };
let recorder: FakeRecorder;
let events: Record<string, unknown>[];
let clock: number;
let ports: { [Name in keyof SessionPorts]: ReturnType<typeof vi.fn> & SessionPorts[Name] };

beforeEach(() => {
    vi.useFakeTimers();
    recorder = new FakeRecorder();
    events = [];
    clock = 1000;
    ports = {
        openTake: vi.fn(async () => take),
        abandonTake: vi.fn(async () => undefined),
        recorders: vi.fn(() => [{ kind: 'camera', recorder }]),
        keepChunk: vi.fn(),
        keepEvent: vi.fn((_: OpenedTake, row: string) => void events.push(JSON.parse(row))),
        deliver: vi.fn(async () => undefined),
        mute: vi.fn(),
        claim: vi.fn(async () => () => undefined),
        now: vi.fn(() => clock),
    } as never;
});

async function rolling(): Promise<RecordingSession> {
    const session = new RecordingSession(ports);
    session.arm();
    await session.start(3);
    await vi.advanceTimersByTimeAsync(3000);
    return session;
}

describe('a recording session', () => {
    it('counts down and rolls', async () => {
        const session = new RecordingSession(ports);
        session.arm();
        await session.start(3);
        expect(session.snapshot()).toMatchObject({ state: 'counting', countLeft: 3, takeNumber: 3 });
        await vi.advanceTimersByTimeAsync(1000);
        expect(session.snapshot().countLeft).toBe(2);
        expect(recorder.calls).toEqual([]);
        await vi.advanceTimersByTimeAsync(2000);
        expect(session.snapshot().state).toBe('rolling');
        expect(recorder.calls).toEqual(['start 1000']);
    });

    it('leaves pauses out of the elapsed time and notes them on the wall clock', async () => {
        const session = await rolling();
        clock += 2000;
        session.pause();
        clock += 5000;
        expect(session.elapsed()).toBe(2000);
        session.resume();
        clock += 1000;
        session.toLine(1);
        expect(session.elapsed()).toBe(3000);
        expect(events).toEqual([
            { at_ms: 0, kind: 'start', track: 'camera' },
            { at_ms: 0, kind: 'line', line: 1 },
            { at_ms: 2000, kind: 'pause' },
            { at_ms: 7000, kind: 'resume' },
            { at_ms: 8000, kind: 'line', line: 2 },
        ]);
    });

    it('holds several recorders in step, and notes when each began', async () => {
        const screen = new FakeRecorder();
        ports.recorders.mockImplementation(() => [
            { kind: 'camera', recorder },
            { kind: 'screen', recorder: screen },
        ]);
        screen.start = (slice) => {
            screen.calls.push(`start ${slice}`);
            clock += 14;
        };
        const session = await rolling();
        session.pause();
        session.resume();
        recorder.ondataavailable?.({ data: new Blob(['c']) });
        screen.ondataavailable?.({ data: new Blob(['s']) });
        await session.finish();

        expect(recorder.calls).toEqual(['start 1000', 'pause', 'resume', 'stop']);
        expect(screen.calls).toEqual(['start 1000', 'pause', 'resume', 'stop']);
        expect(ports.keepChunk.mock.calls.map(([, kind]) => kind)).toEqual(['camera', 'screen', 'camera', 'screen']);
        expect(ports.keepChunk.mock.calls.map(([, , , seconds]) => seconds)).toEqual([0.014, 0.014, 0, 0]);
        expect(events.filter((event) => event.kind === 'start')).toEqual([
            { at_ms: 0, kind: 'start', track: 'camera' },
            { at_ms: 14, kind: 'start', track: 'screen' },
        ]);
    });

    it('delivers everything, the last chunk included, before it is ready again', async () => {
        const session = await rolling();
        let delivered: () => void = () => undefined;
        ports.deliver.mockImplementation(() => new Promise<void>((done) => (delivered = done)));
        const finished = session.finish();
        await vi.advanceTimersByTimeAsync(0);
        expect(session.snapshot().state).toBe('finishing');
        expect(ports.keepChunk).toHaveBeenCalledTimes(1);
        delivered();
        expect(await finished).toBe(take);
        expect(session.snapshot().state).toBe('armed');
        expect(ports.deliver).toHaveBeenCalledWith(take, false);
    });

    it('gives up the take when the count-down is broken off', async () => {
        const session = new RecordingSession(ports);
        session.arm();
        await session.start(3);
        await session.cancel();
        await vi.advanceTimersByTimeAsync(5000);
        expect(session.snapshot().state).toBe('armed');
        expect(ports.abandonTake).toHaveBeenCalledWith(take);
        expect(recorder.calls).toEqual([]);
    });

    it('gives up the take when broken off before the server answered', async () => {
        let answer: (take: OpenedTake) => void = () => undefined;
        ports.openTake.mockImplementation(() => new Promise((done) => (answer = done)));
        const session = new RecordingSession(ports);
        session.arm();
        const started = session.start(3);
        await vi.advanceTimersByTimeAsync(0);
        await session.cancel();
        answer(take);
        await started;
        expect(ports.abandonTake).toHaveBeenCalledWith(take);
        expect(session.snapshot().state).toBe('armed');
    });

    it('records one take when the count-down is cancelled and started again before the server answered', async () => {
        const answers: ((take: OpenedTake) => void)[] = [];
        ports.openTake.mockImplementation(() => new Promise((done) => answers.push(done)));
        let held = 0;
        ports.claim.mockImplementation(async () => {
            expect(held).toBe(0);
            held++;
            return () => void held--;
        });
        const session = new RecordingSession(ports);
        session.arm();
        const first = session.start(1);
        await vi.advanceTimersByTimeAsync(0);
        await session.cancel();
        const second = session.start(1);
        await vi.advanceTimersByTimeAsync(0);
        answers[0]?.({ id: 'first', number: 1, tracks: { camera: 'one' } });
        answers[1]?.({ id: 'second', number: 2, tracks: { camera: 'two' } });
        await Promise.all([first, second]);
        await vi.advanceTimersByTimeAsync(3000);

        expect(session.snapshot()).toMatchObject({ state: 'rolling', takeId: 'second' });
        expect(recorder.calls).toEqual(['start 1000']);
        expect(ports.abandonTake.mock.calls).toEqual([[{ id: 'first', number: 1, tracks: { camera: 'one' } }]]);
        expect(held).toBe(1);
        await session.finish();
        expect(ports.deliver).toHaveBeenCalledWith({ id: 'second', number: 2, tracks: { camera: 'two' } }, false);
        expect(held).toBe(0);
    });

    it('waits for the recording place that a cancelled start is still getting', async () => {
        let give: (release: () => void) => void = () => undefined;
        ports.claim.mockImplementationOnce(() => new Promise((done) => (give = done)));
        const released = vi.fn();
        const session = new RecordingSession(ports);
        session.arm();
        void session.start(1);
        await vi.advanceTimersByTimeAsync(0);
        await session.cancel();
        void session.start(1);
        await vi.advanceTimersByTimeAsync(0);
        expect(ports.claim).toHaveBeenCalledTimes(1);
        give(released);
        await vi.advanceTimersByTimeAsync(2000);
        expect(released).toHaveBeenCalledTimes(1);
        expect(ports.openTake).toHaveBeenCalledTimes(1);
        expect(session.snapshot().state).toBe('rolling');
    });

    it('is left without a take while it counts, and with one while it rolls', async () => {
        const counting = new RecordingSession(ports);
        counting.arm();
        await counting.start(3);
        expect(await counting.leave()).toBeNull();
        expect(counting.snapshot().state).toBe('armed');
        const session = await rolling();
        expect(await session.leave()).toBe(take);
    });

    it('does not start when another window records, or the server says no', async () => {
        const session = new RecordingSession(ports);
        session.arm();
        ports.claim.mockResolvedValueOnce(null as never);
        await session.start(3);
        expect(session.snapshot()).toMatchObject({ state: 'armed', notice: expect.stringContaining('Another window') });
        ports.openTake.mockRejectedValueOnce(new Error('The disk is full.'));
        await session.start(3);
        expect(session.snapshot()).toMatchObject({ state: 'armed', notice: 'The disk is full.' });
    });

    it('says so when the browser cannot record, and can be armed again', async () => {
        ports.recorders.mockImplementation(() => {
            throw new Error('NotSupported');
        });
        const session = await rolling();
        expect(session.snapshot().state).toBe('failed');
        expect(ports.abandonTake).toHaveBeenCalled();
        session.arm();
        expect(session.snapshot().state).toBe('armed');
    });

    it('ignores what makes no sense in its state', async () => {
        const session = new RecordingSession(ports);
        await session.start(3);
        session.pause();
        session.resume();
        expect(await session.finish()).toBeNull();
        expect(session.snapshot().state).toBe('idle');
    });

    it('goes again from the start of a line', async () => {
        const session = await rolling();
        session.toLine(1);
        clock += 900;
        session.again(1);
        expect(events.slice(-2)).toEqual([
            { at_ms: 900, kind: 'again', line: 2 },
            { at_ms: 900, kind: 'line', line: 2 },
        ]);
    });

    it('counts markers, and notes what is drawn when it began', async () => {
        const session = await rolling();
        clock += 500;
        session.marker();
        session.marker();
        session.log('stroke', { id: 1 }, clock - 300);
        expect(session.snapshot().markers).toBe(2);
        expect(events.at(-1)).toEqual({ at_ms: 200, kind: 'stroke', id: 1 });
        await session.finish();
        session.marker();
        session.log('stroke', { id: 2 });
        expect(events.at(-1)?.kind).toBe('finish');
    });

    it('holds the microphone silent only while it rolls, and never leaves it so', async () => {
        const session = new RecordingSession(ports);
        session.arm();
        session.mute(true);
        expect(ports.mute).not.toHaveBeenCalled();
        const rolls = await rolling();
        rolls.mute(true);
        rolls.mute(true);
        expect(ports.mute).toHaveBeenCalledTimes(1);
        await rolls.finish();
        expect(ports.mute).toHaveBeenLastCalledWith(false);
        expect(rolls.snapshot().muted).toBe(false);
    });

    it('goes on after a pause when it was counted in, or at once when pressed again', async () => {
        const session = await rolling();
        session.pause();
        session.resume(3);
        expect(session.snapshot()).toMatchObject({ state: 'paused', countLeft: 3 });
        await vi.advanceTimersByTimeAsync(1000);
        expect(session.snapshot().countLeft).toBe(2);
        session.resume(3);
        expect(session.snapshot()).toMatchObject({ state: 'rolling', countLeft: 0 });
        await vi.advanceTimersByTimeAsync(5000);
        expect(recorder.calls.filter((call) => call === 'resume')).toHaveLength(1);
    });

    it('records several tracks at once, and goes on when one beside the first gives up', async () => {
        const screen = new FakeRecorder();
        ports.recorders.mockReturnValue([
            { kind: 'camera', recorder },
            { kind: 'screen', recorder: screen, inStep: true, surface: 'monitor' },
        ]);
        const session = await rolling();
        expect(events.slice(0, 2)).toEqual([
            { at_ms: 0, kind: 'start', track: 'camera' },
            { at_ms: 0, kind: 'start', track: 'screen', in_step: true, surface: 'monitor' },
        ]);
        screen.onerror?.();
        expect(session.snapshot().state).toBe('rolling');
        expect(session.snapshot().notice).toContain('The screen is no longer recorded. The take goes on');
        session.pause();
        expect([recorder, screen].map((one) => one.calls.at(-1))).toEqual(['pause', 'pause']);
        recorder.onerror?.();
        await vi.advanceTimersByTimeAsync(0);
        expect(session.snapshot().state).toBe('armed');
    });

    it('ends at once when a recorder stopped by itself before', async () => {
        const screen = Object.assign(new FakeRecorder(), { state: 'inactive' });
        ports.recorders.mockReturnValue([
            { kind: 'camera', recorder },
            { kind: 'screen', recorder: screen },
        ]);
        const session = await rolling();
        expect(await session.finish()).toBe(take);
        expect(screen.calls).toEqual(['start 1000']);
    });

    it('is ready for the next take before this one has arrived, when it is to go on', async () => {
        ports.deliver.mockReturnValue(new Promise(() => undefined));
        const session = await rolling();
        expect(await session.finish(false, true)).toBe(take);
        expect(session.snapshot().state).toBe('armed');
        await session.start(0);
        expect(session.snapshot().state).toBe('rolling');
    });
});

describe('what can be done when', () => {
    const can = (session: RecordingSession) =>
        (['arm', 'disarm', 'record', 'cancel', 'pause', 'resume', 'finish', 'marker'] as const).filter((act) =>
            session.can(act),
        );

    it('is told of every state', async () => {
        const session = new RecordingSession(ports);
        expect(can(session)).toEqual(['arm']);
        session.arm();
        expect(can(session)).toEqual(['disarm', 'record']);
        void session.start(3);
        expect(can(session)).toEqual(['cancel']);
        await vi.advanceTimersByTimeAsync(3000);
        expect(can(session)).toEqual(['pause', 'finish', 'marker']);
        session.pause();
        expect(can(session)).toEqual(['resume', 'finish', 'marker']);
    });

    it('does nothing in any other', async () => {
        const session = new RecordingSession(ports);
        session.pause();
        session.resume();
        session.marker();
        await session.start(3);
        expect(await session.finish()).toBeNull();
        expect(session.snapshot()).toMatchObject({ state: 'idle', markers: 0 });
        expect(ports.openTake).not.toHaveBeenCalled();
    });
});
