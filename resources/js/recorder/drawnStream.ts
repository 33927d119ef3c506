import { DrawingPace } from './drawingPace';

/** A picture that is drawn again and again, as a stream: what stand-in devices see. */
export class DrawnStream {
    readonly stream: MediaStream;
    private timer: ReturnType<typeof setTimeout> | undefined;

    constructor(size: { width: number; height: number; fps: number }, draw: (brush: Brush, seconds: number) => void) {
        const canvas = document.createElement('canvas');
        canvas.width = size.width;
        canvas.height = size.height;
        const brush = new Brush(canvas.getContext('2d', { alpha: false }) as CanvasRenderingContext2D);
        const startedAt = performance.now();
        const pace = new DrawingPace(1000 / size.fps, startedAt);
        const again = () => {
            const now = performance.now();
            draw(brush, (now - startedAt) / 1000);
            // A timer goes on in a hidden window, where animation frames stop.
            this.timer = setTimeout(again, pace.next(now));
        };
        again();
        this.stream = canvas.captureStream(size.fps);
    }

    close(): void {
        clearTimeout(this.timer);
        this.stream.getTracks().forEach((track) => track.stop());
    }
}

/** Draws simple shapes. */
export class Brush {
    constructor(readonly pen: CanvasRenderingContext2D) {}

    rect(colour: string, x: number, y: number, width: number, height: number): void {
        this.pen.fillStyle = colour;
        this.pen.fillRect(x, y, width, height);
    }

    oval(colour: string, x: number, y: number, rx: number, ry: number): void {
        this.pen.fillStyle = colour;
        this.pen.beginPath();
        this.pen.ellipse(x, y, rx, ry, 0, 0, 2 * Math.PI);
        this.pen.fill();
    }

    write(text: string, x: number, y: number, size: number, colour: string, weight = 'normal'): void {
        this.pen.fillStyle = colour;
        this.pen.font = `${weight} ${size}px "Atkinson Hyperlegible", sans-serif`;
        this.pen.fillText(text, x, y);
    }
}
