import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { Assembly } from '../../resources/js/api/types';
import { AssemblyPlayer } from '../../resources/js/player/AssemblyPlayer';
import type { Companions } from '../../resources/js/player/MediaPair';
import { PlayerSound } from '../../resources/js/player/PlayerSound';

/** A media element as far as the player knows it; it is wherever it was sent. */
class Media {
    src: string | null = null;
    currentTime = 0;
    seeking = false;
    readyState = 4;
    getAttribute = () => this.src;
    removeAttribute = () => (this.src = null);
    pause = vi.fn();
    play = vi.fn(async () => undefined);
}

/** Three passages of a second at 25 frames, each of a take of its own. */
const plan = {
    fps: 25,
    frames: 75,
    music: [],
    segments: [0, 1, 2].map((n) => ({
        media_url: `take-${n}`,
        start_frame: 25 * n,
        frames: 25,
        offset_ticks: 0,
        map: [{ frames: 25, in_ticks: 0, step: 1920 }],
        join: { kind: 'cut', frames: 0 },
        beside: [],
        silences: [],
        clicks: [],
        gain_db: 0,
    })),
} as unknown as Assembly;

function made() {
    const elements = [new Media(), new Media()];
    const beside = [0, 1].map(() => ({ screen: new Media(), computer: new Media(), voice: new Media() }));
    const player = new AssemblyPlayer(
        plan,
        elements as unknown as [HTMLVideoElement, HTMLVideoElement],
        beside as unknown as [Companions, Companions],
    );
    vi.runAllTimers();
    return { player, elements: elements as [Media, Media] };
}

beforeEach(() => {
    vi.useFakeTimers();
    vi.stubGlobal('window', globalThis);
});
afterEach(() => {
    vi.useRealTimers();
    vi.restoreAllMocks();
    vi.unstubAllGlobals();
});

test('what comes behind is got ready in the other element, a while after the picture stands', () => {
    const { player, elements } = made();
    expect(elements.map((one) => one.src)).toEqual(['take-0', 'take-1']);
    player.seek(50);
    expect(player.snapshot()).toMatchObject({ index: 2, frame: 50, turn: 0 });
    expect(elements.map((one) => one.src)).toEqual(['take-2', 'take-1']);
});

test('a frame that may be wanted next is got ready beside what is on show, and shown as it stands', () => {
    const { player, elements } = made();
    player.ready(55);
    expect(elements.map(({ src, currentTime }) => [src, currentTime])).toEqual([
        ['take-0', 0],
        ['take-2', 0.2],
    ]);
    expect(player.snapshot()).toMatchObject({ frame: 0, turn: 0 });
    player.seek(55);
    expect(player.snapshot()).toMatchObject({ index: 2, frame: 55, turn: 1 });
    expect(elements[0].src).toBe('take-0');

    // Another place in the same take.
    player.ready(60);
    expect(elements.map(({ src, currentTime }) => [src, currentTime])).toEqual([
        ['take-2', 0.4],
        ['take-2', 0.2],
    ]);
    player.seek(60);
    expect(player.snapshot()).toMatchObject({ frame: 60, turn: 0 });
});

test('a wrong guess costs nothing: another frame is shown, and what comes behind is there when it plays', async () => {
    const { player, elements } = made();
    player.ready(55);
    player.seek(30);
    expect(player.snapshot()).toMatchObject({ index: 1, turn: 1 });
    expect(elements.map((one) => one.src)).toEqual(['take-0', 'take-1']);

    player.ready(10);
    vi.stubGlobal('requestAnimationFrame', () => 0);
    vi.stubGlobal('cancelAnimationFrame', () => undefined);
    vi.spyOn(PlayerSound.prototype, 'open').mockResolvedValue();
    await player.play();
    expect(elements.map(({ src, currentTime }) => [src, currentTime])).toEqual([
        ['take-2', 0],
        ['take-1', 0.2],
    ]);
    player.ready(10);
    expect(elements[0].src).toBe('take-2');
});
