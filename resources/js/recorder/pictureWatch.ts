import { Subscribable } from '../lib/Subscribable';

export interface PictureState {
    black: boolean;
    /** Nothing has moved for a while: a camera always moves a little. */
    frozen: boolean;
}

const WIDTH = 32;
const HEIGHT = 18;
/** To draw a picture however small costs some milliseconds. */
const EVERY_MS = 2000;
/** So many looks in a row before it is said. */
const BLACK_FOR = 2;
const FROZEN_FOR = 2;
const DARK = 20;

/** What a picture is, from its pixels and those before: mean and highest brightness, and whether anything changed. */
export function judged(pixels: Uint8ClampedArray, before: Uint8ClampedArray | null): { dark: boolean; same: boolean } {
    let top = 0;
    let same = before !== null;
    for (let i = 0; i < pixels.length; i += 4) {
        const [r = 0, g = 0, b = 0] = [pixels[i], pixels[i + 1], pixels[i + 2]];
        top = Math.max(top, r, g, b);
        same &&= r === before?.[i] && g === before[i + 1] && b === before[i + 2];
    }
    return { dark: top < DARK, same };
}

/** Looks at a stream's picture every two seconds, made very small. */
export class PictureWatch extends Subscribable<PictureState> {
    private readonly video = document.createElement('video');
    private readonly pen: CanvasRenderingContext2D | null;
    private readonly timer: ReturnType<typeof setInterval>;
    private before: Uint8ClampedArray | null = null;
    private dark = 0;
    private same = 0;

    constructor(stream: MediaStream) {
        super({ black: false, frozen: false });
        const canvas = document.createElement('canvas');
        canvas.width = WIDTH;
        canvas.height = HEIGHT;
        this.pen = canvas.getContext('2d', { willReadFrequently: true, alpha: false });
        this.video.muted = true;
        this.video.srcObject = new MediaStream(stream.getVideoTracks());
        void this.video.play().catch(() => undefined);
        this.timer = setInterval(() => this.look(), EVERY_MS);
    }

    close(): void {
        clearInterval(this.timer);
        this.video.srcObject = null;
    }

    private look(): void {
        if (!this.pen || this.video.readyState < 2) {
            return;
        }
        this.pen.drawImage(this.video, 0, 0, WIDTH, HEIGHT);
        const pixels = this.pen.getImageData(0, 0, WIDTH, HEIGHT).data;
        const { dark, same } = judged(pixels, this.before);
        this.before = pixels;
        this.dark = dark ? this.dark + 1 : 0;
        this.same = same ? this.same + 1 : 0;
        this.set({ black: this.dark >= BLACK_FOR, frozen: this.same >= FROZEN_FOR });
    }
}
