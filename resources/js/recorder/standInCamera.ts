const WIDTH = 1280;
const HEIGHT = 720;
const FPS = 30;

/** Colours of the drawn scene; it is a picture, not part of the interface. */
const paint = {
    wall: '#d9e4e3',
    window: '#f2f7f6',
    water: '#8fb7bd',
    wood: '#a9794a',
    skin: '#e3b08d',
    shade: '#c98f6c',
    hair: '#4a3426',
    jersey: '#20516e',
    stripe: '#f2efe6',
    mouth: '#7c2f2f',
    eye: '#26303a',
};

/** A camera that sees a drawn presenter: she sways, blinks, and moves her mouth by the sound. */
export class StandInCamera {
    readonly stream: MediaStream;
    private readonly pen: CanvasRenderingContext2D;
    private readonly timer: ReturnType<typeof setInterval>;
    private readonly startedAt = performance.now();
    private open = 0;

    constructor(private readonly level: () => number) {
        const canvas = document.createElement('canvas');
        canvas.width = WIDTH;
        canvas.height = HEIGHT;
        this.pen = canvas.getContext('2d', { alpha: false }) as CanvasRenderingContext2D;
        this.draw();
        // A timer goes on in a hidden window, where animation frames stop.
        this.timer = setInterval(() => this.draw(), 1000 / FPS);
        this.stream = canvas.captureStream(FPS);
    }

    close(): void {
        clearInterval(this.timer);
        this.stream.getTracks().forEach((track) => track.stop());
    }

    private draw(): void {
        const time = (performance.now() - this.startedAt) / 1000;
        this.open += (Math.min(1, this.level()) - this.open) * 0.45;
        this.background(time);
        this.pen.save();
        this.pen.translate(WIDTH / 2 + Math.sin(time * 0.9) * 10, 60 + Math.sin(time * 1.7) * 4);
        this.body();
        this.pen.rotate(Math.sin(time * 0.7) * 0.025);
        this.head(time);
        this.pen.restore();
    }

    private background(time: number): void {
        const { pen } = this;
        this.rect(paint.wall, 0, 0, WIDTH, HEIGHT);
        this.rect(paint.window, 820, 70, 360, 300);
        this.rect(paint.water, 832, 240, 336, 118);
        pen.strokeStyle = paint.window;
        pen.lineWidth = 3;
        for (let row = 0; row < 4; row++) {
            pen.beginPath();
            for (let x = 832; x <= 1168; x += 8) {
                pen.lineTo(x, 262 + row * 26 + Math.sin(x / 30 + time * 1.2 + row) * 4);
            }
            pen.stroke();
        }
        pen.save();
        pen.translate(180, 420);
        pen.rotate(-0.18);
        this.rect(paint.wood, -7, -330, 14, 640);
        this.oval(paint.jersey, 0, -350, 28, 74);
        pen.restore();
    }

    private body(): void {
        const { pen } = this;
        pen.fillStyle = paint.jersey;
        pen.beginPath();
        pen.moveTo(-300, 700);
        pen.bezierCurveTo(-290, 470, -150, 430, 0, 430);
        pen.bezierCurveTo(150, 430, 290, 470, 300, 700);
        pen.fill();
        this.rect(paint.stripe, -210, 560, 420, 26);
        this.rect(paint.shade, -52, 360, 104, 90);
    }

    private head(time: number): void {
        const { pen } = this;
        this.oval(paint.hair, 0, 190, 168, 196);
        this.oval(paint.skin, 0, 230, 138, 170);
        pen.fillStyle = paint.hair;
        pen.beginPath();
        pen.ellipse(0, 118, 142, 76, 0, Math.PI, 0);
        pen.fill();
        const lid = time % 3.7 < 0.14 ? 0.12 : 1;
        for (const side of [-1, 1]) {
            this.oval(paint.eye, side * 54, 214, 13, 15 * lid);
            this.rect(paint.hair, side * 54 - 26, 176, 52, 8);
        }
        this.oval(paint.shade, 0, 264, 15, 19);
        this.oval(paint.mouth, 0, 326, 46 - this.open * 6, 4 + this.open * 20);
    }

    private rect(colour: string, x: number, y: number, width: number, height: number): void {
        this.pen.fillStyle = colour;
        this.pen.fillRect(x, y, width, height);
    }

    private oval(colour: string, x: number, y: number, rx: number, ry: number): void {
        this.pen.fillStyle = colour;
        this.pen.beginPath();
        this.pen.ellipse(x, y, rx, ry, 0, 0, 2 * Math.PI);
        this.pen.fill();
    }
}
