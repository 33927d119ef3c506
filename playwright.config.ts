import { defineConfig } from '@playwright/test';
import { fileURLToPath } from 'node:url';

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));
const port = 8125;
const state = at('./storage/framework/browser-test');

/** The voice that the fake microphone hears; made by tests/browser/setup.ts. */
export const voice = `${state}-voice.wav`;

export default defineConfig({
    testDir: 'tests/browser',
    outputDir: 'test-results',
    globalSetup: './tests/browser/setup.ts',
    // One at a time: recording happens in real time, and the machine has two cores.
    workers: 1,
    // Each step has a limit of its own.
    timeout: 600_000,
    expect: { timeout: 15_000 },
    reporter: [['list']],
    use: {
        baseURL: `http://127.0.0.1:${port}`,
        viewport: { width: 1280, height: 800 },
        acceptDownloads: true,
        // As the interface itself sends it; calls of the tests come from no page.
        extraHTTPHeaders: { 'X-Open-Reel': '1' },
        // A trace takes pictures all the while, which costs as much as a camera: `npx playwright test --trace on`, when one is wanted.
        trace: 'off',
        launchOptions: {
            executablePath: '/usr/bin/chromium',
            args: [
                '--no-sandbox',
                '--disable-gpu',
                '--disable-quic',
                '--no-first-run',
                '--disable-background-networking',
                '--disable-component-update',
                '--disable-sync',
                '--autoplay-policy=no-user-gesture-required',
                '--use-fake-ui-for-media-stream',
                '--use-fake-device-for-media-stream',
                `--use-file-for-fake-audio-capture=${voice}`,
            ],
        },
    },
    webServer: {
        command: `bin/demo --fresh --port ${port}`,
        url: `http://127.0.0.1:${port}/api/lessons`,
        timeout: 300_000,
        gracefulShutdown: { signal: 'SIGTERM', timeout: 5000 },
        // Films of takes that nobody has kept would be made beside the recordings of the tests that follow.
        env: { DB_DATABASE: `${state}.sqlite`, REEL_MEDIA_ROOT: `${state}-media`, REEL_AHEAD: 'false' },
    },
});
