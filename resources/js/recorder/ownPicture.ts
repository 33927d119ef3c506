/** Finds out whether this page is in the picture that is recorded. */

interface WithHandle {
    getCaptureHandle?: () => { handle?: string } | null;
}

const own = crypto.randomUUID?.() ?? String(Math.random());

/** This page's name for others that capture it: a page that captures itself finds its own. */
export function nameThisPage(): void {
    const media = navigator.mediaDevices as MediaDevices & { setCaptureHandleConfig?: (config: unknown) => void };
    try {
        media?.setCaptureHandleConfig?.({ handle: own, permittedOrigins: ['*'] });
    } catch {
        // Within a frame it may not be named.
    }
}

export function isThisPage(stream: MediaStream): boolean {
    const track = stream.getVideoTracks()[0] as (MediaStreamTrack & WithHandle) | undefined;
    return track?.getCaptureHandle?.()?.handle === own;
}

const STEP_MS = 120;
const STEPS = 24;
const WIDTH = 320;
const HEIGHT = 180;
/** What belongs to the patch changes as the patch does. */
const ALIKE = 0.85;
const BLOCKS = 3;
/** A change is seen when so many new pictures have come; a still screen sends only one, and then no more. */
const PICTURES = 3;
const WAIT_MS = 500;
/** A capture that has just begun sends its first pictures late and in a heap. */
const SETTLE_MS = 2000;

/** How alike two rows of numbers are, -1..1. */
export function correlation(a: number[], b: number[]): number {
    const n = a.length;
    const mean = (of: number[]) => of.reduce((sum, v) => sum + v, 0) / n;
    const [ma, mb] = [mean(a), mean(b)];
    let both = 0;
    let [va, vb] = [0, 0];
    for (let i = 0; i < n; i++) {
        const [da, db] = [(a[i] ?? 0) - ma, (b[i] ?? 0) - mb];
        both += da * db;
        va += da * da;
        vb += db * db;
    }
    return va > 0 && vb > 0 ? both / Math.sqrt(va * vb) : 0;
}

/** Resolves when some more pictures have come, or none does any more. */
function newPictures(video: HTMLVideoElement): Promise<void> {
    return new Promise((done) => {
        const timer = setTimeout(done, WAIT_MS);
        let left = PICTURES;
        const count = () => {
            left -= 1;
            if (left <= 0) {
                clearTimeout(timer);
                done();
            } else {
                video.requestVideoFrameCallback(count);
            }
        };
        video.requestVideoFrameCallback(count);
    });
}

/**
 * Lets a small patch on this page flicker by a code for some seconds, and looks for the same flicker in a captured picture.
 *
 * @param patch changes its brightness a little when it is told to
 * @param signal stops it: two that flicker at once would hide each other's code
 */
export async function seesFlicker(
    stream: MediaStream,
    patch: (bright: boolean) => void,
    signal: AbortSignal,
): Promise<boolean> {
    const video = document.createElement('video');
    video.muted = true;
    video.srcObject = new MediaStream(stream.getVideoTracks());
    await video.play().catch(() => undefined);
    await new Promise((go) => setTimeout(go, SETTLE_MS));
    const canvas = document.createElement('canvas');
    canvas.width = WIDTH / 2;
    canvas.height = HEIGHT / 2;
    const pen = canvas.getContext('2d', { willReadFrequently: true, alpha: false });
    const code: number[] = [];
    const seen: number[][] = [];
    for (let step = 0; step < STEPS && pen && !signal.aborted; step++) {
        const bright = Math.random() < 0.5;
        const changes = (code.at(-1) ?? 0) !== (bright ? 1 : 0);
        patch(bright);
        code.push(bright ? 1 : 0);
        // A captured picture comes a little later than it is painted; on a busy machine, or at first, much later.
        await new Promise((go) => setTimeout(go, STEP_MS));
        if (changes) {
            await newPictures(video);
        }
        pen.drawImage(video, 0, 0, canvas.width, canvas.height);
        const { data } = pen.getImageData(0, 0, canvas.width, canvas.height);
        seen.push(Array.from({ length: data.length / 4 }, (_, i) => data[4 * i + 1] ?? 0));
    }
    video.srcObject = null;
    if (signal.aborted) {
        return false;
    }
    patch(false);
    let alike = 0;
    const blocks = seen[0]?.length ?? 0;
    for (let block = 0; block < blocks && alike < BLOCKS; block++) {
        const values = seen.map((picture) => picture[block] ?? 0);
        if (Math.max(...values) - Math.min(...values) > 8 && correlation(code, values) > ALIKE) {
            alike++;
        }
    }
    return alike >= BLOCKS;
}
