import type { Segment } from '../api/types';
import { TICKS_PER_SECOND } from '../lib/TimeMap';
import { follow } from './follow';
import { mediaTime } from './plan';

export type Turn = 0 | 1;

/** Seconds by which times that are the same differ at most: media elements round them. */
const SAME = 0.0005;

/** Elements that play in step with one of the player's own. */
export interface Companions {
    screen: HTMLVideoElement;
    computer: HTMLAudioElement;
    /** The cleaned voice, which is heard in place of the element's own. */
    voice: HTMLAudioElement;
}

/** Two media elements that take turns, each with what runs beside it: one is on show while the other is got ready. */
export class MediaPair {
    /** By turn and kind: lets go of what runs beside. */
    private readonly releases = new Map<string, () => void>();

    constructor(
        readonly elements: [HTMLVideoElement, HTMLVideoElement],
        private readonly beside: [Companions, Companions],
    ) {}

    voice(turn: Turn): HTMLAudioElement {
        return this.beside[turn].voice;
    }

    /** Brings an element to a frame of a segment; one that is there, or on the way, is left alone. */
    load(segment: Segment | undefined, offset: number, turn: Turn): void {
        if (!segment?.media_url) {
            return;
        }
        const element = this.elements[turn];
        const time = mediaTime(segment, offset);
        if (element.getAttribute('src') !== segment.media_url) {
            element.src = segment.media_url;
            element.currentTime = time;
        } else if (Math.abs(element.currentTime - time) > SAME) {
            element.currentTime = time;
        }
        this.accompany(segment, turn);
    }

    /** Nothing is heard of a take where the presenter wants silence. */
    mute(turn: Turn, silent: boolean): void {
        for (const element of [this.elements[turn], this.voice(turn)]) {
            element.volume = silent ? 0 : 1;
        }
    }

    pause(): void {
        this.elements.forEach((element) => element.pause());
    }

    close(): void {
        this.pause();
        this.releases.forEach((letGo) => letGo());
        const beside = this.beside.flatMap(({ screen, computer, voice }) => [screen, computer, voice]);
        [...this.elements, ...beside].forEach((element) => element.removeAttribute('src'));
    }

    /** What runs beside a take's own media plays in step with it. */
    private accompany(segment: Segment, turn: Turn): void {
        this.elements[turn].muted = segment.beside.some(({ kind }) => kind === 'voice');
        for (const kind of ['screen', 'computer', 'voice'] as const) {
            const element = this.beside[turn][kind];
            const found = segment.beside.find((one) => one.kind === kind);
            const key = `${turn}/${kind}`;
            if (element.getAttribute('src') === (found?.url ?? null)) {
                continue;
            }
            this.releases.get(key)?.();
            this.releases.delete(key);
            if (!found) {
                element.removeAttribute('src');
                continue;
            }
            element.src = found.url;
            if (kind === 'voice') {
                // What cannot be played is heard as it was recorded.
                element.onerror = () => (this.elements[turn].muted = false);
            } else {
                element.volume = Math.min(1, 10 ** (found.gain_db / 20));
            }
            const late = (found.offset_ticks - segment.offset_ticks) / TICKS_PER_SECOND;
            this.releases.set(key, follow(this.elements[turn], element, late));
        }
    }
}
