// Draws the slides of the demo lesson, as pictures and as one deck: node demo/make/slides.mjs [FOLDER]
import { chromium } from '@playwright/test';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = fileURLToPath(new URL('../../', import.meta.url));
/** Where the pictures go: a folder, or the demo itself. */
const out = process.argv[2] ? { slides: process.argv[2], deck: `${process.argv[2]}/deck.pdf` } : { slides: `${root}demo/lesson/slides`, deck: `${root}demo/deck.pdf` };
const font = (folder, file) => pathToFileURL(`${root}node_modules/@fontsource/${folder}/files/${file}`).href;

const paint = { paper: '#FBF9F4', ink: '#1B2430', soft: '#566070', sea: '#0B5D66', pale: '#CFE3E4', mud: '#B79A74', rule: '#DED8CC', sand: '#F1E7D5' };

const HIGH = 4.8;
const LOW = 1.2;

const text = (x, y, size, words, { weight = 400, fill = paint.ink, anchor = 'start' } = {}) =>
    `<text x="${x}" y="${y}" font-size="${size}" font-weight="${weight}" fill="${fill}" text-anchor="${anchor}">${words}</text>`;
const rule = (x1, y1, x2, y2, colour = paint.rule, width = 3) => `<line x1="${x1}" y1="${y1}" x2="${x2}" y2="${y2}" stroke="${colour}" stroke-width="${width}"/>`;
const head = (title) => text(120, 150, 68, title, { weight: 700 }) + rule(120, 190, 1800, 190, paint.sea, 5);

/** A falling tide from high to low over `width` pixels, as points. */
const tide = (x, y, width, height, cycles = 0.5) =>
    Array.from({ length: 121 }, (_, i) => {
        const part = i / 120;
        return [x + part * width, y + (height * (1 - Math.cos(part * cycles * 2 * Math.PI))) / 2];
    });
const path = (points) => points.map(([x, y], i) => `${i ? 'L' : 'M'}${x.toFixed(1)} ${y.toFixed(1)}`).join(' ');

function welcome() {
    const waves = [700, 770, 840, 910].map((y, i) => `<path d="${path(tide(0, y, 1920, 40, 5 + i * 0.5))}" fill="none" stroke="${paint.sea}" stroke-opacity="${0.25 + i * 0.2}" stroke-width="8"/>`).join('');
    return (
        text(120, 320, 46, 'Reading the Water', { fill: paint.sea, weight: 700 }) +
        text(120, 450, 112, 'How to read a tide table', { weight: 700 }) +
        text(120, 540, 46, 'Saltmarsh Rowing School, shore course, lesson 1', { fill: paint.soft }) +
        waves
    );
}

function table() {
    const rows = [
        ['Low water', '00:28', '1.1 m'],
        ['High water', '06:42', '4.8 m'],
        ['Low water', '12:54', '1.2 m'],
        ['High water', '19:05', '4.6 m'],
    ];
    const body = rows
        .map(([what, when, height], i) => {
            const y = 440 + i * 120;
            const marked = i === 1 ? `<rect x="120" y="${y - 80}" width="1080" height="116" fill="${paint.pale}"/>` : '';
            const weight = i === 1 ? 700 : 400;
            return marked + text(160, y, 58, what, { weight }) + text(760, y, 58, when, { weight, anchor: 'end' }) + text(1150, y, 58, height, { weight, anchor: 'end' }) + rule(120, y + 38, 1200, y + 38);
        })
        .join('');
    return (
        head('Saltmarsh Quay, Saturday 14 June') +
        text(160, 310, 40, 'What', { fill: paint.soft }) +
        text(760, 310, 40, 'When', { fill: paint.soft, anchor: 'end' }) +
        text(1150, 310, 40, 'Height above datum', { fill: paint.soft, anchor: 'end' }) +
        rule(120, 340, 1200, 340, paint.ink) +
        body +
        text(1300, 440, 42, 'Find the day.') +
        text(1300, 510, 42, 'Find the next high water.') +
        text(1300, 580, 42, 'Read time and height.')
    );
}

function curve() {
    const points = tide(200, 300, 1160, 520, 1);
    const steep = (x, width) => `<rect x="${x}" y="280" width="${width}" height="560" fill="${paint.pale}"/>`;
    return (
        head('Between the numbers: a curve') +
        steep(200 + 580 * 0.33, 580 * 0.34) +
        steep(200 + 580 * 1.33, 580 * 0.34) +
        rule(200, 860, 1360, 860, paint.ink) +
        `<path d="${path(points)}" fill="none" stroke="${paint.sea}" stroke-width="10"/>` +
        text(200, 925, 42, '06:42', { anchor: 'middle' }) +
        text(780, 925, 42, '12:54', { anchor: 'middle' }) +
        text(1360, 925, 42, '19:05', { anchor: 'middle' }) +
        text(200, 270, 42, 'high, 4.8 m', { weight: 700 }) +
        text(780, 775, 42, 'low, 1.2 m', { weight: 700, anchor: 'middle' }) +
        text(490, 990, 40, 'fast', { fill: paint.sea, anchor: 'middle', weight: 700 }) +
        text(1070, 990, 40, 'fast', { fill: paint.sea, anchor: 'middle', weight: 700 })
    );
}

function springs() {
    const bar = (x, top, height, name, range) =>
        `<rect x="${x}" y="${top}" width="260" height="${height}" fill="${paint.pale}" stroke="${paint.sea}" stroke-width="5"/>` +
        text(x + 130, 970, 50, name, { anchor: 'middle', weight: 700 }) +
        text(x + 130, top + height / 2 + 18, 50, range, { anchor: 'middle' });
    const sky = (x, y, phase, words) =>
        `<circle cx="${x}" cy="${y}" r="52" fill="${phase === 'full' ? paint.sand : paint.ink}" stroke="${paint.ink}" stroke-width="4"/>` +
        (phase === 'half' ? `<path d="M${x} ${y - 52} A52 52 0 0 1 ${x} ${y + 52} Z" fill="${paint.sand}"/>` : '') +
        text(x + 90, y + 16, 44, words);
    return (
        head('Springs and neaps') +
        rule(200, 900, 1100, 900, paint.ink) +
        bar(280, 300, 560, 'Springs', '4.5 m') +
        bar(720, 460, 250, 'Neaps', '2 m') +
        sky(1240, 360, 'full', 'full moon: springs') +
        sky(1240, 510, 'new', 'new moon: springs') +
        sky(1240, 660, 'half', 'half moon: neaps') +
        text(1180, 250, 46, 'First outing? Choose a neap.', { weight: 700, fill: paint.sea })
    );
}

const FALL = [1, 2, 3, 3, 2, 1];

function twelfths() {
    const unit = (HIGH - LOW) / 12;
    let height = HIGH;
    const columns = FALL.map((part, i) => {
        height -= part * unit;
        const x = 360 + i * 240;
        const tall = part * 120;
        return (
            `<rect x="${x}" y="${760 - tall}" width="170" height="${tall}" fill="${paint.pale}" stroke="${paint.sea}" stroke-width="4"/>` +
            text(x + 85, 735 - tall, 48, `${part}/12`, { anchor: 'middle', weight: 700 }) +
            text(x + 85, 830, 40, `hour ${i + 1}`, { anchor: 'middle', fill: paint.soft }) +
            text(x + 85, 900, 48, `${height.toFixed(1)} m`, { anchor: 'middle' })
        );
    });
    return (
        head('The rule of twelfths') +
        text(120, 270, 44, 'Range 4.8 - 1.2 = 3.6 m. One twelfth is 0.3 m.') +
        rule(330, 760, 1790, 760, paint.ink) +
        columns.join('') +
        text(120, 900, 44, 'left:', { fill: paint.soft }) +
        text(120, 1000, 44, 'After three hours half of the range is gone.', { weight: 700, fill: paint.sea })
    );
}

function sill() {
    const y = (metres) => 900 - metres * 120;
    const level = (metres, words, colour) => rule(900, y(metres), 1760, y(metres), colour, 5) + text(1760, y(metres) - 16, 44, words, { anchor: 'end' });
    return (
        head('Will there be water at the sill?') +
        `<path d="M160 ${y(0)} L160 ${y(3.2)} L420 ${y(3.2)} L880 ${y(1.5)} L1000 ${y(1.5)} L1000 ${y(0)} Z" fill="${paint.mud}"/>` +
        `<rect x="1000" y="${y(2.1)}" width="760" height="${2.1 * 120}" fill="${paint.pale}"/>` +
        rule(160, y(0), 1760, y(0), paint.ink) +
        text(160, y(0) + 60, 40, 'chart datum', { fill: paint.soft }) +
        level(2.1, '10:42: 2.1 m, enough', paint.sea) +
        level(1.5, '11:42: 1.5 m, mud', paint.ink) +
        text(520, y(1.5) + 80, 46, 'sill 1.5 m', { weight: 700 }) +
        text(160, 300, 48, 'Needed: 1.5 m sill + 0.5 m boat = 2.0 m') +
        text(160, 385, 52, 'Be back by 10:40.', { weight: 700, fill: paint.sea })
    );
}

function launch() {
    const questions = ['When is high water, and how high?', 'How far will it fall while you are out?', 'When must you be back over the sill?'];
    return (
        head('Before you launch') +
        questions
            .map((question, i) => {
                const y = 380 + i * 190;
                return `<circle cx="180" cy="${y - 20}" r="58" fill="${paint.sea}"/>` + text(180, y, 60, i + 1, { anchor: 'middle', fill: paint.paper, weight: 700 }) + text(290, y, 62, question);
            })
            .join('') +
        text(120, 980, 46, 'Tell someone ashore the last answer.', { weight: 700, fill: paint.sea })
    );
}

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const page = await browser.newPage({ viewport: { width: 1920, height: 1080 } });
await page.goto(pathToFileURL(`${root}demo/make/slides.html`).href);
const style = `@font-face { font-family: AH; src: url(${font('atkinson-hyperlegible', 'atkinson-hyperlegible-latin-400-normal.woff2')}); font-weight: 400; }
    @font-face { font-family: AH; src: url(${font('atkinson-hyperlegible', 'atkinson-hyperlegible-latin-700-normal.woff2')}); font-weight: 700; }
    @page { size: 1920px 1080px; margin: 0; }
    body { margin: 0; } svg { display: block; font-family: AH; }`;
const slides = [welcome, table, curve, springs, twelfths, sill, launch].map(
    (draw) => `<svg width="1920" height="1080" viewBox="0 0 1920 1080"><rect width="1920" height="1080" fill="${paint.paper}"/>${draw()}</svg>`,
);
// Called by the numbers of the sections they are for.
const names = ['02', '03', '04', '05', '06', '08', '09'];
for (const [index, slide] of slides.entries()) {
    await page.setContent(`<style>${style}</style>${slide}`);
    await page.evaluate(() => document.fonts.ready);
    await page.screenshot({ path: `${out.slides}/${names[index]}.png` });
}
await page.setContent(`<style>${style}</style>${slides.join('')}`);
await page.evaluate(() => document.fonts.ready);
await page.pdf({ path: out.deck, width: '1920px', height: '1080px', printBackground: true });
await browser.close();
