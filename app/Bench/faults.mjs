// A presenter who records take after take while the server is killed again and again, and keeps all of them; each is sent as the
// recorder sends it: what was not answered is sent again. Ends with the take in hand when its input closes.
// node faults.mjs ADDRESS SECTION,SECTION... LESSON CLIP
// Prints a row of JSON a take: its id, its track's, and the SHA-256 of what was recorded.
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';

const [address, named, lesson, clip] = process.argv.slice(2);
const sections = named.split(',');
const bytes = readFileSync(clip);
const hash = createHash('sha256').update(bytes).digest('hex');
const size = Math.ceil(bytes.length / 24);
const pieces = Array.from({ length: Math.ceil(bytes.length / size) }, (_, n) => bytes.subarray(n * size, (n + 1) * size));
const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
let over = false;
process.stdin.on('end', () => (over = true)).resume();

/** What is answered, once it is, whole; a server that is away is asked again. */
async function ask(method, path, body, headers = {}) {
    for (;;) {
        try {
            const answer = await fetch(`${address}/api/${path}`, {
                method,
                headers: { 'X-Open-Reel': '1', Accept: 'application/json', ...headers },
                body,
                signal: AbortSignal.timeout(10_000),
            });
            const said = await answer.text();
            if (answer.status < 500) {
                return { ok: answer.ok, said: said === '' ? null : JSON.parse(said) };
            }
        } catch {
            // Away, or killed while it answered.
        }
        await pause(100);
    }
}
const json = (method, path, value) => ask(method, path, JSON.stringify(value), { 'Content-Type': 'application/json' });

for (let number = 1; !over; number++) {
    const section = sections[number % sections.length];
    const made = await json('POST', `sections/${section}/takes`, { tracks: [{ kind: 'camera', mime: 'video/webm' }] });
    const take = made.said;
    const track = take.tracks[0].id;
    for (const [n, piece] of pieces.entries()) {
        await ask('PUT', `tracks/${track}/chunks/${n}`, piece, {
            'X-Chunk-SHA256': createHash('sha256').update(piece).digest('hex'),
            'Content-Type': 'application/octet-stream',
        });
        await pause(60);
    }
    await json('POST', `takes/${take.id}/finish`, { tracks: [{ id: track, chunks: pieces.length, bytes: bytes.length }] });
    await json('PATCH', `takes/${take.id}`, { verdict: 'kept' });
    const state = async () => (await ask('GET', `takes/${take.id}`)).said.state;
    while ((await state()) !== 'ready') {
        await pause(200);
    }
    // WebM takes its time.
    const asked = await json('POST', `lessons/${lesson}/exports`, number % 3 === 0 ? { format: 'webm' } : {});
    if (!asked.ok) {
        throw new Error(JSON.stringify(asked.said));
    }
    console.log(JSON.stringify({ take: take.id, track, hash }));
}
