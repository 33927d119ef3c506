import { afterEach, describe, expect, it, vi } from 'vitest';
import { follow } from '../../resources/js/player/follow';
import { keepAwake, runsSoon } from '../../resources/js/lib/awake';
import { cannotRecord, listDevices } from '../../resources/js/recorder/devices';
import { FrameCount } from '../../resources/js/recorder/frameCount';
import { ASLEEP, Meter, UNMEASURED } from '../../resources/js/recorder/meter';
import { madeUpPhrase } from '../../resources/js/lib/phrase';

afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
});

/** A context that runs once somebody has touched the page. */
class SleepyContext {
    state = 'suspended';
    touched = false;
    resume = vi.fn(async () => {
        this.state = this.touched ? 'running' : 'suspended';
    });
}

describe('sound that sleeps', () => {
    it('is woken by the first click or key, and not while it sleeps on purpose', async () => {
        const heard = new Map<string, () => void>();
        vi.stubGlobal('addEventListener', (name: string, act: () => void) => heard.set(name, act));
        vi.stubGlobal('removeEventListener', (name: string) => heard.delete(name));
        const context = new SleepyContext();
        let held = true;
        const letSleep = keepAwake(context as never, () => !held);
        expect(context.resume).not.toHaveBeenCalled();
        held = false;
        context.touched = true;
        heard.get('keydown')?.();
        await vi.waitFor(() => expect(context.state).toBe('running'));
        letSleep();
        expect(heard.size).toBe(0);
    });

    it('is not waited for where there is no output', async () => {
        vi.useFakeTimers();
        const deaf = { state: 'suspended', resume: () => new Promise<void>(() => undefined) };
        const runs = runsSoon(deaf as never, 800);
        await vi.advanceTimersByTimeAsync(801);
        expect(await runs).toBe(false);
    });
});

describe('a meter that hears nothing', () => {
    it('says to click, and after that why there is no level', async () => {
        vi.useFakeTimers();
        class DeafContext {
            state = 'suspended';
            resume = () => new Promise<void>(() => undefined);
            createAnalyser = () => ({ fftSize: 0 });
            createMediaStreamSource = () => ({ connect: () => undefined });
            close = async () => undefined;
        }
        vi.stubGlobal('AudioContext', DeafContext);
        vi.stubGlobal('navigator', { userActivation: { hasBeenActive: false } });
        const meter = new Meter({} as MediaStream);
        await vi.advanceTimersByTimeAsync(5000);
        expect(meter.snapshot()).toMatchObject({ word: ASLEEP, silentMs: 0 });
        vi.stubGlobal('navigator', { userActivation: { hasBeenActive: true } });
        await vi.advanceTimersByTimeAsync(1000);
        expect(meter.snapshot().word).toBe(ASLEEP);
        await vi.advanceTimersByTimeAsync(2000);
        expect(meter.snapshot()).toMatchObject({ word: UNMEASURED, silentMs: 0 });
        meter.close();
    });
});

describe('pictures of a camera', () => {
    const video = (decoded: number, shows: boolean) => {
        const waits: (() => void)[] = [];
        return {
            waits,
            getVideoPlaybackQuality: () => ({ totalVideoFrames: decoded }),
            ...(shows ? { requestVideoFrameCallback: (act: () => void) => waits.push(act) } : {}),
            cancelVideoFrameCallback: () => undefined,
        };
    };

    it('are counted as they are shown where the browser counts none that are decoded', () => {
        const firefox = video(0, true);
        const count = new FrameCount(firefox as never);
        for (let n = 0; n < 25; n++) {
            firefox.waits.shift()?.();
        }
        expect(count.total()).toBe(25);
        expect(new FrameCount(video(50, true) as never).total()).toBe(50);
    });

    it('are not judged where nothing counts them', () => {
        expect(new FrameCount(video(0, false) as never).total()).toBeNull();
    });
});

describe('devices', () => {
    const devices = (found: object[]) =>
        vi.stubGlobal('navigator', { mediaDevices: { enumerateDevices: async () => found } });

    it('are any there are before anything was allowed, and are not said to be gone', async () => {
        devices([{ kind: 'videoinput', deviceId: '', label: '' }]);
        const before = await listDevices();
        expect([before.named, before.cameras[0]?.id]).toEqual([false, 'any-videoinput']);
        devices([{ kind: 'videoinput', deviceId: 'x', label: 'Desk camera' }]);
        const after = await listDevices();
        expect([after.named, after.cameras[0]]).toEqual([true, { id: 'x', name: 'Desk camera' }]);
    });

    it('that no browser gives out are told with what to do', () => {
        vi.stubGlobal('navigator', {});
        vi.stubGlobal('isSecureContext', false);
        expect(cannotRecord()).toContain('https address');
        vi.stubGlobal('isSecureContext', true);
        expect(cannotRecord()).toContain('Firefox');
        vi.stubGlobal('navigator', { mediaDevices: {} });
        vi.stubGlobal('MediaRecorder', undefined);
        expect(cannotRecord()).toContain('cannot record');
        vi.stubGlobal('MediaRecorder', class {});
        expect(cannotRecord()).toBeNull();
    });
});

describe('two tracks', () => {
    /** What plays, with jumps that take as long as is said. */
    class Element extends EventTarget {
        currentTime = 0;
        playbackRate = 1;
        paused = false;
        ended = false;
        seeking = false;
        readyState = 4;
        duration = 100;
        play = async () => undefined;
        pause = () => undefined;
    }

    it('are set right by a jump, and where jumps are slow by running a little faster', async () => {
        vi.useFakeTimers();
        const [leader, follower] = [new Element(), new Element()];
        leader.currentTime = 10;
        const letGo = follow(leader as never, follower as never, 0);
        expect(follower.currentTime).toBe(10);
        await vi.advanceTimersByTimeAsync(20);
        follower.dispatchEvent(new Event('seeked'));
        follower.currentTime = 9.5;
        await vi.advanceTimersByTimeAsync(260);
        expect(follower.currentTime).toBe(10);

        // The next jump takes half a second: from then on it catches up.
        await vi.advanceTimersByTimeAsync(500);
        follower.dispatchEvent(new Event('seeked'));
        follower.currentTime = 9.9;
        await vi.advanceTimersByTimeAsync(260);
        expect([follower.currentTime, follower.playbackRate]).toEqual([9.9, expect.closeTo(1.1)]);
        follower.currentTime = 10;
        await vi.advanceTimersByTimeAsync(260);
        expect(follower.playbackRate).toBe(1);
        // Too far behind, it jumps all the same.
        follower.currentTime = 2;
        await vi.advanceTimersByTimeAsync(260);
        expect(follower.currentTime).toBe(10);
        letGo();
    });
});

describe('a made-up phrase', () => {
    it('is long enough for a password, and another each time', () => {
        const made = Array.from({ length: 20 }, madeUpPhrase);
        expect(made.every((one) => /^[a-z]+( [a-z]+){3}$/.test(one) && one.length >= 8)).toBe(true);
        expect(new Set(made).size).toBeGreaterThan(15);
    });
});
