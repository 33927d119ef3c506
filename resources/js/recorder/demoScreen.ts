import { type Brush, DrawnStream } from './drawnStream';

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
    private readonly drawn = new DrawnStream({ width: WIDTH, height: HEIGHT, fps: FPS }, draw);
    private context: AudioContext | null = null;

    constructor(withSound: boolean) {
        if (withSound) {
            this.tick();
        }
    }

    get stream(): MediaStream {
        return this.drawn.stream;
    }

    close(): void {
        this.drawn.close();
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
}

const heightAt = (seconds: number): number =>
    (HIGH + LOW) / 2 - ((HIGH - LOW) / 2) * Math.cos((Math.PI * seconds) / HALF_TIDE_S);

function draw(brush: Brush, seconds: number): void {
    brush.rect(paint.desk, 0, 0, WIDTH, HEIGHT);
    brush.rect(paint.bar, 0, 0, WIDTH, 72);
    brush.write('Port Selsay: tide gauge', 36, 47, 30, paint.barText, 'bold');
    gauge(brush, seconds);
    curve(brush, seconds);
    readings(brush, seconds);
}

function gauge(brush: Brush, seconds: number): void {
    const [left, top, width, height] = [90, 130, 330, 860];
    const of = (metres: number) => top + height - (height * metres) / 6;
    brush.rect(paint.sheet, left - 30, top - 30, width + 60, height + 60);
    brush.rect(paint.staff, left + 110, top, 110, height);
    for (let tenth = 0; tenth <= 60; tenth++) {
        const whole = tenth % 10 === 0;
        brush.rect(paint.mark, left + 110, of(tenth / 10) - 2, whole ? 110 : tenth % 5 === 0 ? 66 : 36, whole ? 5 : 3);
        if (whole) {
            brush.write(`${tenth / 10} m`, left + 30, of(tenth / 10) + 11, 30, paint.text, 'bold');
        }
    }
    const level = of(heightAt(seconds));
    brush.pen.globalAlpha = 0.62;
    brush.pen.fillStyle = paint.water;
    brush.pen.beginPath();
    brush.pen.moveTo(left - 30, top + height + 30);
    for (let x = left - 30; x <= left + width + 30; x += 10) {
        brush.pen.lineTo(x, level + Math.sin(x / 28 + seconds * 2) * 4);
    }
    brush.pen.lineTo(left + width + 30, top + height + 30);
    brush.pen.fill();
    brush.pen.globalAlpha = 1;
}

function curve(brush: Brush, seconds: number): void {
    const [left, top, width, height] = [540, 130, 1290, 560];
    brush.rect(paint.sheet, left - 30, top - 30, width + 60, height + 90);
    for (let metres = 0; metres <= 6; metres++) {
        const y = top + height - (height * metres) / 6;
        brush.rect(paint.rule, left, y, width, 2);
    }
    const { pen } = brush;
    pen.strokeStyle = paint.deep;
    pen.lineWidth = 6;
    pen.beginPath();
    for (let x = 0; x <= width; x += 6) {
        const at = seconds + ((x - width * 0.6) / width) * HALF_TIDE_S * 2.4;
        pen.lineTo(left + x, top + height - (height * heightAt(at)) / 6);
    }
    pen.stroke();
    brush.rect(paint.now, left + width * 0.6 - 2, top, 4, height);
    brush.write('now', left + width * 0.6 + 14, top + 34, 28, paint.now, 'bold');
    brush.write('Height over chart datum, metres', left, top + height + 44, 26, paint.soft);
}

function readings(brush: Brush, seconds: number): void {
    brush.rect(paint.sheet, 510, 790, 1350, 230);
    const metres = heightAt(seconds);
    const rising = Math.sin((Math.PI * seconds) / HALF_TIDE_S) >= 0;
    brush.write(`${metres.toFixed(2)} m`, 550, 905, 92, paint.text, 'bold');
    brush.write(rising ? 'rising' : 'falling', 900, 900, 52, paint.deep, 'bold');
    brush.write(`High water ${HIGH.toFixed(1)} m    Low water ${LOW.toFixed(1)} m`, 550, 980, 34, paint.soft);
    const minute = Math.floor(seconds / 60);
    const clock = [9 + Math.floor(minute / 60), minute % 60, Math.floor(seconds % 60)]
        .map((part) => String(part).padStart(2, '0'))
        .join(':');
    brush.write(clock, 1560, 900, 52, paint.text);
}
