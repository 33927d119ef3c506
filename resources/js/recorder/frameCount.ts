type Counting = HTMLVideoElement & Partial<Pick<HTMLVideoElement, 'requestVideoFrameCallback'>>;

/**
 * Counts the pictures that a camera sends. Some browsers count what they decode, which of a live camera is nothing; others count
 * what is shown: what counts more is right.
 */
export class FrameCount {
    private shown = 0;
    private handle = 0;

    constructor(private readonly video: Counting) {
        this.next();
    }

    /** @returns null where this browser counts neither */
    total(): number | null {
        const decoded = this.video.getVideoPlaybackQuality?.().totalVideoFrames ?? 0;
        const isCounted = decoded > 0 || this.video.requestVideoFrameCallback !== undefined;
        return isCounted ? Math.max(decoded, this.shown) : null;
    }

    close(): void {
        this.video.cancelVideoFrameCallback?.(this.handle);
    }

    private next(): void {
        this.handle =
            this.video.requestVideoFrameCallback?.(() => {
                this.shown++;
                this.next();
            }) ?? 0;
    }
}
