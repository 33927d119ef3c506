// A browser of which nothing is watched. Test tools watch a page's network, and a browser then keeps whatever the page sends for
// as long as the page lives: what it holds in memory by itself is seen only without them. Driven through the pipe of the
// DevTools protocol.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';

const LOOK_AGAIN_MS = 100;
const LONGEST_WAIT_MS = 30_000;

/** Starts it with one page, in which a script runs before every other; `args` are switches of Chromium. */
export async function unwatched(args, before) {
    const profile = mkdtempSync(`${tmpdir()}/reel-browser-`);
    const child = spawn(
        '/usr/bin/chromium',
        ['--headless=new', '--remote-debugging-pipe', '--no-first-run', `--user-data-dir=${profile}`, '--window-size=1280,800', ...args, 'about:blank'],
        { stdio: ['ignore', 'ignore', 'ignore', 'pipe', 'pipe'] },
    );
    const [, , , out, back] = child.stdio;
    const asked = new Map();
    let [id, rest] = [0, ''];
    back.on('data', (bytes) => {
        const messages = (rest + bytes).split('\0');
        rest = messages.pop();
        for (const message of messages.map((text) => JSON.parse(text))) {
            asked.get(message.id)?.(message);
            asked.delete(message.id);
        }
    });
    const send = (method, params = {}, sessionId = undefined) =>
        new Promise((resolve, reject) => {
            asked.set(++id, ({ result, error }) => (error ? reject(new Error(`${method}: ${error.message}`)) : resolve(result)));
            out.write(`${JSON.stringify({ id, method, params, sessionId })}\0`);
        });
    const { targetInfos } = await send('Target.getTargets');
    const { targetId } = targetInfos.find(({ type }) => type === 'page');
    const { sessionId } = await send('Target.attachToTarget', { targetId, flatten: true });
    const ask = (method, params) => send(method, params, sessionId);
    await ask('Page.enable');
    await ask('Page.addScriptToEvaluateOnNewDocument', { source: before });

    /** Runs an expression in the page, as if somebody had pressed something. */
    const run = async (expression) =>
        (await ask('Runtime.evaluate', { expression, userGesture: true, returnByValue: true, awaitPromise: true })).result.value;
    return {
        run,
        goto: (url) => ask('Page.navigate', { url }),
        /** Waits until an expression is true. */
        async until(expression) {
            for (let waited = 0; !(await run(expression).catch(() => false)); waited += LOOK_AGAIN_MS) {
                if (waited > LONGEST_WAIT_MS) {
                    throw new Error(`It does not become true: ${expression}`);
                }
                await new Promise((again) => setTimeout(again, LOOK_AGAIN_MS));
            }
        },
        async press(key) {
            const named = { key, code: `Key${key.toUpperCase()}`, windowsVirtualKeyCode: key.toUpperCase().charCodeAt(0) };
            await ask('Input.dispatchKeyEvent', { type: 'keyDown', text: key, ...named });
            await ask('Input.dispatchKeyEvent', { type: 'keyUp', ...named });
        },
        /** Ids of its processes, once nothing lies about that nobody holds. */
        async processes() {
            await ask('HeapProfiler.collectGarbage');
            return (await send('SystemInfo.getProcessInfo')).processInfo.map((one) => one.id);
        },
        async close() {
            await send('Browser.close').catch(() => undefined);
            await new Promise((gone) => (child.exitCode === null ? child.once('exit', gone) : gone()));
            rmSync(profile, { recursive: true, force: true });
        },
    };
}
