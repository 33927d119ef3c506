const WIDTH = 1920;
const HEIGHT = 1080;
/** A program's window seldom moves faster. */
const FPS = 12;

/** Colours of the drawn program; it is a picture, not part of the interface. */
const paint = {
    desk: '#dfe6e4',
    bar: '#26434c',
    barText: '#f3f1ea',
    sheet: '#ffffff',
    rule: '#ccd5d3',
    text: '#20303a',
    soft: '#5a6a72',
    water: '#7fb0b6',
    deep: '#4d8790',
    staff: '#f4efe2',
    mark: '#1f2d36',
    now: '#9c4a1a',
};

/** Metres at low and high water, and how long the stand-in's tide takes from one to the other. */
const LOW = 0.9;
const HIGH = 4.6;
const HALF_TIDE_S = 90;

/** A screen on which a made-up harbour's tide gauge is being read; its station ticks once a second. */
export class StandInScreen {
    readonly stream: MediaStream;
    private readonly pen: CanvasRenderingContext2D;
    private readonly timer: ReturnType<typeof setInterval>;
    private readonly startedAt = performance.now();
    private context: AudioContext | null = null;

    constructor(withSound: boolean) {
        const canvas = document.createElement('canvas');
        canvas.width = WIDTH;
        canvas.height = HEIGHT;
        this.pen = canvas.getContext('2d', { alpha: false }) as CanvasRenderingContext2D;
        this.draw();
        // A timer goes on in a hidden window, where animation frames stop.
        this.timer = setInterval(() => this.draw(), 1000 / FPS);
        this.stream = canvas.captureStream(FPS);
        if (withSound) {
            this.tick();
        }
    }

    close(): void {
        clearInterval(this.timer);
        this.stream.getTracks().forEach((track) => track.stop());
        void this.context?.close();
    }

    /** Two short tones a second apart, again and again. */
    private tick(): void {
        const context = new AudioContext({ sampleRate: 48000 });
        const out = context.createMediaStreamDestination();
        const buffer = context.createBuffer(1, 48000, 48000);
        const samples = buffer.getChannelData(0);
        for (let i = 0; i < 3600; i++) {
            samples[i] = 0.2 * Math.sin((2 * Math.PI * 880 * i) / 48000) * Math.min(1, i / 200, (3600 - i) / 900);
        }
        const source = new AudioBufferSourceNode(context, { buffer, loop: true });
        source.connect(out);
        source.start();
        void context.resume();
        out.stream.getAudioTracks().forEach((track) => this.stream.addTrack(track));
        this.context = context;
    }

    private height(seconds: number): number {
        return (HIGH + LOW) / 2 - ((HIGH - LOW) / 2) * Math.cos((Math.PI * seconds) / HALF_TIDE_S);
    }

    private draw(): void {
        const seconds = (performance.now() - this.startedAt) / 1000;
        this.rect(paint.desk, 0, 0, WIDTH, HEIGHT);
        this.rect(paint.bar, 0, 0, WIDTH, 72);
        this.write('Port Selsay: tide gauge', 36, 47, 30, paint.barText, 'bold');
        this.gauge(seconds);
        this.curve(seconds);
        this.readings(seconds);
    }

    private gauge(seconds: number): void {
        const [left, top, width, height] = [90, 130, 330, 860];
        const of = (metres: number) => top + height - (height * metres) / 6;
        this.rect(paint.sheet, left - 30, top - 30, width + 60, height + 60);
        this.rect(paint.staff, left + 110, top, 110, height);
        for (let tenth = 0; tenth <= 60; tenth++) {
            const whole = tenth % 10 === 0;
            this.rect(
                paint.mark,
                left + 110,
                of(tenth / 10) - 2,
                whole ? 110 : tenth % 5 === 0 ? 66 : 36,
                whole ? 5 : 3,
            );
            if (whole) {
                this.write(`${tenth / 10} m`, left + 30, of(tenth / 10) + 11, 30, paint.text, 'bold');
            }
        }
        const level = of(this.height(seconds));
        this.pen.globalAlpha = 0.62;
        this.pen.fillStyle = paint.water;
        this.pen.beginPath();
        this.pen.moveTo(left - 30, top + height + 30);
        for (let x = left - 30; x <= left + width + 30; x += 10) {
            this.pen.lineTo(x, level + Math.sin(x / 28 + seconds * 2) * 4);
        }
        this.pen.lineTo(left + width + 30, top + height + 30);
        this.pen.fill();
        this.pen.globalAlpha = 1;
    }

    private curve(seconds: number): void {
        const [left, top, width, height] = [540, 130, 1290, 560];
        this.rect(paint.sheet, left - 30, top - 30, width + 60, height + 90);
        for (let metres = 0; metres <= 6; metres++) {
            const y = top + height - (height * metres) / 6;
            this.rect(paint.rule, left, y, width, 2);
        }
        const { pen } = this;
        pen.strokeStyle = paint.deep;
        pen.lineWidth = 6;
        pen.beginPath();
        for (let x = 0; x <= width; x += 6) {
            const at = seconds + ((x - width * 0.6) / width) * HALF_TIDE_S * 2.4;
            pen.lineTo(left + x, top + height - (height * this.height(at)) / 6);
        }
        pen.stroke();
        this.rect(paint.now, left + width * 0.6 - 2, top, 4, height);
        this.write('now', left + width * 0.6 + 14, top + 34, 28, paint.now, 'bold');
        this.write('Height over chart datum, metres', left, top + height + 44, 26, paint.soft);
    }

    private readings(seconds: number): void {
        this.rect(paint.sheet, 510, 790, 1350, 230);
        const metres = this.height(seconds);
        const rising = Math.sin((Math.PI * seconds) / HALF_TIDE_S) >= 0;
        this.write(`${metres.toFixed(2)} m`, 550, 905, 92, paint.text, 'bold');
        this.write(rising ? 'rising' : 'falling', 900, 900, 52, paint.deep, 'bold');
        this.write(`High water ${HIGH.toFixed(1)} m    Low water ${LOW.toFixed(1)} m`, 550, 980, 34, paint.soft);
        const minute = Math.floor(seconds / 60);
        const clock = [9 + Math.floor(minute / 60), minute % 60, Math.floor(seconds % 60)]
            .map((part) => String(part).padStart(2, '0'))
            .join(':');
        this.write(clock, 1560, 900, 52, paint.text);
    }

    private rect(colour: string, x: number, y: number, width: number, height: number): void {
        this.pen.fillStyle = colour;
        this.pen.fillRect(x, y, width, height);
    }

    private write(text: string, x: number, y: number, size: number, colour: string, weight = 'normal'): void {
        this.pen.fillStyle = colour;
        this.pen.font = `${weight} ${size}px "Atkinson Hyperlegible", sans-serif`;
        this.pen.fillText(text, x, y);
    }
}
