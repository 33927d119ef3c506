import { type Brush, DrawnStream } from './drawnStream';

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
    private readonly drawn: DrawnStream;
    private open = 0;

    constructor(private readonly level: () => number) {
        this.drawn = new DrawnStream({ width: WIDTH, height: HEIGHT, fps: FPS }, (brush, time) =>
            this.draw(brush, time),
        );
    }

    get stream(): MediaStream {
        return this.drawn.stream;
    }

    close(): void {
        this.drawn.close();
    }

    private draw(brush: Brush, time: number): void {
        this.open += (Math.min(1, this.level()) - this.open) * 0.45;
        background(brush, time);
        brush.pen.save();
        brush.pen.translate(WIDTH / 2 + Math.sin(time * 0.9) * 10, 60 + Math.sin(time * 1.7) * 4);
        body(brush);
        brush.pen.rotate(Math.sin(time * 0.7) * 0.025);
        head(brush, time, this.open);
        brush.pen.restore();
    }
}

function background(brush: Brush, time: number): void {
    const { pen } = brush;
    brush.rect(paint.wall, 0, 0, WIDTH, HEIGHT);
    brush.rect(paint.window, 820, 70, 360, 300);
    brush.rect(paint.water, 832, 240, 336, 118);
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
    brush.rect(paint.wood, -7, -330, 14, 640);
    brush.oval(paint.jersey, 0, -350, 28, 74);
    pen.restore();
}

function body(brush: Brush): void {
    const { pen } = brush;
    pen.fillStyle = paint.jersey;
    pen.beginPath();
    pen.moveTo(-300, 700);
    pen.bezierCurveTo(-290, 470, -150, 430, 0, 430);
    pen.bezierCurveTo(150, 430, 290, 470, 300, 700);
    pen.fill();
    brush.rect(paint.stripe, -210, 560, 420, 26);
    brush.rect(paint.shade, -52, 360, 104, 90);
}

function head(brush: Brush, time: number, open: number): void {
    const { pen } = brush;
    brush.oval(paint.hair, 0, 190, 168, 196);
    brush.oval(paint.skin, 0, 230, 138, 170);
    pen.fillStyle = paint.hair;
    pen.beginPath();
    pen.ellipse(0, 118, 142, 76, 0, Math.PI, 0);
    pen.fill();
    const lid = time % 3.7 < 0.14 ? 0.12 : 1;
    for (const side of [-1, 1]) {
        brush.oval(paint.eye, side * 54, 214, 13, 15 * lid);
        brush.rect(paint.hair, side * 54 - 26, 176, 52, 8);
    }
    brush.oval(paint.shade, 0, 264, 15, 19);
    brush.oval(paint.mouth, 0, 326, 46 - open * 6, 4 + open * 20);
}
