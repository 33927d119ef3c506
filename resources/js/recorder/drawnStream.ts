/** A picture that is drawn again and again, as a stream: what stand-in devices see. */
export class DrawnStream {
    readonly stream: MediaStream;
    private readonly timer: ReturnType<typeof setInterval>;

    constructor(size: { width: number; height: number; fps: number }, draw: (brush: Brush, seconds: number) => void) {
        const canvas = document.createElement('canvas');
        canvas.width = size.width;
        canvas.height = size.height;
        const brush = new Brush(canvas.getContext('2d', { alpha: false }) as CanvasRenderingContext2D);
        const startedAt = performance.now();
        const again = () => draw(brush, (performance.now() - startedAt) / 1000);
        again();
        // A timer goes on in a hidden window, where animation frames stop.
        this.timer = setInterval(again, 1000 / size.fps);
        this.stream = canvas.captureStream(size.fps);
    }

    close(): void {
        clearInterval(this.timer);
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
