// Many at once on one server: presenters who record camera and screen, viewers who watch, and somebody who works on a lesson.
// node load.mjs ADDRESS '{"sections": [...], "lesson": id, "token": of a watch page, "bytes": of its film, "seconds": n}'
// Prints JSON: milliseconds of the slowest chunk, the 95th percentiles of calls and of ranges, what was lost, how many were there, and
// the server's megabytes after the first fifth and at the end. A hundred more ask for the film and never read on.
import { createHash, randomBytes } from 'node:crypto';
import { Agent, request } from 'node:http';
import { connect } from 'node:net';
import { held, serverOf } from './served.mjs';

const [address, said] = process.argv.slice(2);
const { sections, lesson, token, bytes, seconds, viewers } = JSON.parse(said);
// One connection each, as browsers have.
const agent = new Agent({ keepAlive: true, maxSockets: 600 });

function ask(method, path, { body, headers = {} } = {}) {
    const start = performance.now();
    return new Promise((resolve, reject) => {
        const asked = request(`${address}${path}`, { method, agent, headers: { 'X-Open-Reel': '1', Accept: 'application/json', ...headers } }, (answer) => {
            const parts = [];
            answer.on('data', (part) => parts.push(part));
            answer.on('end', () => resolve({ status: answer.statusCode, spent: performance.now() - start, body: Buffer.concat(parts) }));
        });
        asked.on('error', reject);
        asked.end(body);
    });
}

const json = { 'Content-Type': 'application/json' };
const post = async (path, value) => {
    const answer = await ask('POST', path, { body: JSON.stringify(value), headers: json });
    if (answer.status >= 300) {
        throw new Error(`${path}: ${answer.status} ${answer.body}`);
    }
    return JSON.parse(answer.body);
};
const pause = (ms) => new Promise((resolve) => setTimeout(resolve, Math.max(0, ms)));

// What a second of each track is: 5 Mbit/s of a camera, a screen on which something moves.
const chunks = { camera: randomBytes(625_000), screen: randomBytes(200_000) };
const hashes = Object.fromEntries(Object.entries(chunks).map(([kind, one]) => [kind, createHash('sha256').update(one).digest('hex')]));
const spent = { chunk: [], call: [], range: [] };
let lost = 0;
let over = false;

/** Records for as long as the others do; chunks go one behind the other, as the outbox sends them. */
async function presenter(section, n) {
    await pause((1000 * n) / sections.length);
    const take = await post(`/api/sections/${section}/takes`, { tracks: Object.keys(chunks).map((kind) => ({ kind, mime: 'video/webm' })) });
    const begun = performance.now();
    const sent = await Promise.all(
        take.tracks.map(async (track) => {
            let number = 0;
            for (; !over; number++) {
                await pause(begun + 1000 * (number + 1) - performance.now());
                const due = begun + 1000 * (number + 1);
                const answer = await ask('PUT', `/api/tracks/${track.id}/chunks/${number}`, {
                    body: chunks[track.kind],
                    headers: { 'X-Chunk-SHA256': hashes[track.kind], 'Content-Type': 'application/octet-stream' },
                });
                // Since it was spoken: one that waits for the one before has waited too.
                spent.chunk.push(performance.now() - due);
                lost += answer.status === 200 ? 0 : 1;
            }
            return { id: track.id, chunks: number, bytes: number * chunks[track.kind].length };
        }),
    );
    const done = await ask('POST', `/api/takes/${take.id}/finish`, { body: JSON.stringify({ tracks: sent }), headers: json });
    lost += done.status === 200 ? 0 : 1;
}

/** Opens the page, and asks for a megabyte of the film every eight seconds: a film of 1 Mbit/s. */
async function viewer(n) {
    await pause((8000 * n) / viewers);
    await ask('GET', `/watch/${token}`);
    for (let at = 0; !over; at = (at + 1_000_000) % (bytes - 1_000_000)) {
        const answer = await ask('GET', `/watch/${token}/film`, { headers: { Range: `bytes=${at}-${at + 999_999}` } });
        spent.range.push(answer.spent);
        lost += answer.status === 206 ? 0 : 1;
        for (let waited = 0; waited < 8000 && !over; waited += 250) {
            await pause(250);
        }
    }
}

/** Goes through a lesson, a call every third of a second. */
async function editor() {
    while (!over) {
        for (const path of [`/api/lessons/${lesson}`, '/api/lessons', `/api/lessons/${lesson}/script`, `/api/lessons/${lesson}/exports`]) {
            const answer = await ask('GET', path);
            spent.call.push(answer.spent);
            lost += answer.status === 200 ? 0 : 1;
            await pause(333);
        }
    }
}

for (let tries = 0; tries < 50; tries++) {
    if (await ask('GET', '/api/lessons').then(({ status }) => status === 200, () => false)) {
        break;
    }
    await pause(200);
}
const { hostname, port } = new URL(address);
const stuck = Array.from({ length: 100 }, () => {
    const socket = connect(Number(port), hostname);
    socket.on('error', () => undefined);
    socket.pause();
    socket.write(`GET /watch/${token}/film HTTP/1.1\r\nHost: ${hostname}:${port}\r\n\r\n`);
    return socket;
});
const memory = [];
setTimeout(() => memory.push(held(serverOf(address))), seconds * 200);
const all = [...sections.map(presenter), ...Array.from({ length: viewers }, (_, n) => viewer(n)), editor()];
setTimeout(() => {
    over = true;
    memory.push(held(serverOf(address)));
}, seconds * 1000);
await Promise.all(all);
agent.destroy();
stuck.forEach((one) => one.destroy());
const at = (times, part) => times.sort((a, b) => a - b)[Math.floor(part * (times.length - 1))] ?? 0;
console.log(
    JSON.stringify({
        chunk_worst: Math.round(at(spent.chunk, 1)),
        chunk_p95: Math.round(at(spent.chunk, 0.95)),
        call_p95: Math.round(at(spent.call, 0.95)),
        range_p95: Math.round(at(spent.range, 0.95)),
        lost,
        chunks: spent.chunk.length,
        ranges: spent.range.length,
        calls: spent.call.length,
        memory: Math.round(memory[1]),
        grown: Math.round(memory[1] - memory[0]),
    }),
);
