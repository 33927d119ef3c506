import { beforeEach, describe, expect, it, vi } from 'vitest';
import { RecordingController, type RoomNow } from '../../resources/js/recorder/RecordingController';
import type { SessionState } from '../../resources/js/recorder/sessionStates';

const take = { id: 't1', number: 3, tracks: {} };

/** What was done to session, lines, ink and room, in order. */
let done: string[];
let state: SessionState;
let room: RoomNow;
let controller: RecordingController;

const does =
    <Answer>(name: string, answer: Answer) =>
    (...more: unknown[]): Answer => {
        done.push([name, ...more].join(' '));
        return answer;
    };

beforeEach(() => {
    done = [];
    state = 'armed';
    const finish = (discard = false, goOn = false) => {
        done.push(`finish${discard ? ' discard' : ''}${goOn ? ' on' : ''}`);
        return Promise.resolve(state === 'rolling' || state === 'paused' ? take : null);
    };
    room = {
        session: {
            snapshot: () => ({ state }) as ReturnType<RoomNow['session']['snapshot']>,
            start: does('start', Promise.resolve()),
            cancel: does('cancel', Promise.resolve()),
            pause: does('pause', undefined),
            resume: does('resume', undefined),
            again: does('again', undefined),
            finish,
        },
        countDown: 3,
        countIn: 2,
        leadIn: { play: does('lead-in', Promise.resolve(true)), stop: does('lead-in stops', undefined) },
        picture: {
            line: 1,
            move: does('move', undefined),
            toLine: does('to line', undefined),
            again: does('picture again', undefined),
            forget: does('forget', undefined),
            toStart: does('to start', undefined),
        },
        ink: {
            flush: does('flush', undefined),
            clear: does('clear', undefined),
            line: does('ink line', undefined),
            again: does('ink again', undefined),
        },
        hasNext: true,
        onStart: does('set-up closes', undefined),
        onFinished: ({ number }) => does(`finished ${number}`, Promise.resolve())(),
        onNext: ({ number }) => does(`next behind ${number}`, undefined)(),
        onDropped: ({ number }) => does(`dropped ${number}`, undefined)(),
        say: (text) => does(text, undefined)(),
    };
    controller = new RecordingController();
    controller.shows(room);
});

describe('the acts of the recording room', () => {
    it('begin on clean surfaces, at the first line, behind the sentence before', async () => {
        await controller.start();
        expect(done).toEqual(['set-up closes', 'forget', 'clear', 'to start', 'lead-in', 'start 3']);
    });

    it('begin nothing when the sentence before was broken off', async () => {
        room.leadIn.play = () => Promise.resolve(false);
        await controller.start();
        expect(done).not.toContain('start 3');
        await controller.cancel();
        expect(done.slice(-2)).toEqual(['lead-in stops', 'cancel']);
    });

    it('pause and go on with one key', () => {
        state = 'rolling';
        controller.pause();
        state = 'paused';
        controller.pause();
        expect(done).toEqual(['pause', 'resume 2']);
    });

    it('bring what is drawn to the take before it ends', async () => {
        state = 'rolling';
        await controller.finish();
        expect(done).toEqual(['flush', 'finish', 'finished 3']);
    });

    it('go nowhere when no take was recorded', async () => {
        await controller.finish();
        await controller.goOn();
        await controller.drop();
        expect(done).toEqual(['flush', 'finish', 'flush', 'finish on', 'finish discard']);
    });

    it('go on with the next section, and finish behind the last', async () => {
        state = 'rolling';
        await controller.goOn();
        controller.shows({ ...room, hasNext: false });
        await controller.goOn();
        expect(done).toEqual(['flush', 'finish on', 'next behind 3', 'flush', 'finish', 'finished 3']);
    });

    it('set a take aside and begin another', async () => {
        state = 'paused';
        await controller.drop();
        expect(done.slice(0, 2)).toEqual(['finish discard', 'dropped 3']);
        expect(done.at(-1)).toBe('start 3');
    });

    it('say a line again in lines, ink and log', () => {
        controller.again();
        controller.step(-1);
        controller.toLine(4);
        expect(done).toEqual(['ink again', 'picture again', 'again 1', 'move -1', 'ink line', 'to line 4', 'ink line']);
    });

    it('keep the take when a device goes, and end a count-down', async () => {
        controller.lost('camera');
        expect(done).toEqual(['cancel']);
        state = 'paused';
        controller.lost('microphone');
        await vi.waitFor(() => expect(done.at(-1)).toBe('finished 3'));
        expect(done[1]).toBe('The microphone was unplugged. The take was finished; everything up to then is safe.');
    });

    it('are about the room as it is when they are done', async () => {
        const act = controller.start;
        controller.shows({ ...room, countDown: 5 });
        await act();
        expect(done.at(-1)).toBe('start 5');
    });
});
