// A phone follows a recording room: node device.mjs ADDRESS LESSON
// Prints JSON: milliseconds (95th percentile of a hundred) from the room's report to the page that shows it, and the longest of
// five times from a network that is back, after it was silent for a while, to the page that shows what the room shows then.
import { createServer, connect } from 'node:net';
import { chromium } from '@playwright/test';

const [address, lesson] = process.argv.slice(2);
const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

const open = new Set();
let fails = false;
const network = createServer((near) => {
    open.add(near);
    if (fails) {
        return;
    }
    const far = connect(Number(new URL(address).port), '127.0.0.1');
    open.add(far);
    for (const [from, to] of [[near, far], [far, near]]) {
        from.on('data', (data) => fails || to.write(data));
        from.on('close', () => fails || to.destroy());
        from.on('error', () => from.destroy());
    }
});
await new Promise((listening) => network.listen(0, '127.0.0.1', listening));
const outside = `http://127.0.0.1:${network.address().port}`;

const call = async (method, path, value) => {
    const answer = await fetch(`${address}/api/${path}`, {
        method,
        headers: { 'X-Open-Reel': '1', 'Content-Type': 'application/json', Accept: 'application/json' },
        body: value === undefined ? undefined : JSON.stringify(value),
    });
    return answer.status === 204 ? null : answer.json();
};
let line = 0;
const report = () =>
    call('PUT', `lessons/${lesson}/room`, {
        section: '1. High water', state: 'rolling', line, lines: 10_000, now: `Line ${line}`, next: '', elapsed_ms: 0, count_left: 0,
    });

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
const { code } = await call('POST', 'paired-devices/code');
await phone.goto(`${outside}/device?code=${code}`);
await phone.getByRole('button').click();
const { asks } = await call('GET', 'paired-devices');
await call('POST', `pairings/${asks.id}/accept`);
await phone.waitForSelector('[data-device=paired]');
await phone.evaluate(() => {
    window.shown = new Map();
    new MutationObserver(() => {
        const says = document.querySelector('[data-now]').textContent;
        if (!window.shown.has(says)) {
            window.shown.set(says, Date.now());
        }
    }).observe(document.querySelector('[data-now]'), { childList: true, characterData: true, subtree: true });
});
const shownAt = async () => {
    for (;;) {
        const at = await phone.evaluate((says) => window.shown.get(says), `Line ${line}`);
        if (at) {
            return at;
        }
        await pause(20);
    }
};
await report();
await shownAt();

const spent = [];
for (line = 1; line <= 100; line++) {
    const from = Date.now();
    await report();
    spent.push((await shownAt()) - from);
    await pause(150 + Math.random() * 100);
}
const back = [];
// As the room does.
const repeat = setInterval(() => void report().catch(() => undefined), 1500);
for (const silent of [1000, 2000, 4000, 8000, 16_000]) {
    fails = true;
    line++;
    await report();
    await pause(silent);
    open.forEach((one) => one.destroy());
    open.clear();
    const from = Date.now();
    fails = false;
    back.push((await shownAt()) - from);
    await pause(1000);
}
clearInterval(repeat);
await browser.close();
network.close();
open.forEach((one) => one.destroy());
spent.sort((a, b) => a - b);
console.log(JSON.stringify({ shows: spent[94], back: Math.max(...back) }));
process.exit(0);
