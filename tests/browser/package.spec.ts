import { type APIRequestContext, expect, test } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import type { Export } from '../../resources/js/api/types';
import { taken } from './film';
import { filmOf, isAccessible, makeLesson } from './helpers';

/** An archive as a folder. */
async function unpacked(request: APIRequestContext, path: string): Promise<string> {
    const folder = test.info().outputPath('package');
    mkdirSync(folder);
    writeFileSync(`${folder}.zip`, await (await request.get(path)).body());
    const unpack = '$zip = new ZipArchive; exit($zip->open($argv[1]) === true && $zip->extractTo($argv[2]) ? 0 : 1);';
    execFileSync('php', ['-r', unpack, `${folder}.zip`, folder]);
    return folder;
}

test('a film in a folder plays without a server, and tells a course site when it was watched', async ({
    browser,
    request,
}) => {
    const lesson = await makeLesson(request, 'A "tide" & more', ['The creek is <full> at seven.']);
    await taken(request, lesson, []);
    await filmOf(request, lesson.id, test.info().outputPath('film.mp4'));
    const [made] = (await (await request.get(`/api/lessons/${lesson.id}/exports`)).json()) as Export[];
    const folder = await unpacked(request, `/api/exports/${made?.id}/scorm.zip`);

    const own = await browser.newContext();
    const page = await own.newPage();
    // A course site as the standard describes it: an object that remembers.
    await page.addInitScript(() => {
        const values: Record<string, string> = { 'cmi.core.lesson_status': 'not attempted' };
        const calls: string[] = [];
        Object.assign(window, {
            told: { values, calls },
            API: {
                LMSInitialize: () => (calls.push('initialize'), 'true'),
                LMSGetValue: (name: string) => values[name] ?? '',
                LMSSetValue: (name: string, value: string) => ((values[name] = value), 'true'),
                LMSCommit: () => 'true',
                LMSFinish: () => (calls.push('finish'), 'true'),
            },
        });
    });
    await page.goto(pathToFileURL(`${folder}/index.html`).href);
    await isAccessible(page);
    const told = () =>
        page.evaluate(() => (window as unknown as { told: { values: Record<string, string>; calls: string[] } }).told);
    expect((await told()).values['cmi.core.lesson_status']).toBe('incomplete');
    const cues = await page
        .locator('#film')
        .evaluate((film: HTMLVideoElement) =>
            [...(film.textTracks[0]?.cues ?? [])].map((cue) => (cue as VTTCue).getCueAsHTML().textContent),
        );
    expect(cues).toEqual(['The creek is <full> at seven.']);
    await page.getByRole('button', { name: 'The creek is <full> at seven.' }).click();
    await page.locator('#film').evaluate((film: HTMLVideoElement) => void (film.currentTime = 0));
    await expect
        .poll(async () => (await told()).values['cmi.core.lesson_status'], { timeout: 20_000 })
        .toBe('completed');
    await page.evaluate(() => window.dispatchEvent(new PageTransitionEvent('pagehide')));
    const { values, calls } = await told();
    expect(calls).toEqual(['initialize', 'finish']);
    expect(values['cmi.core.session_time']).toMatch(/^\d{4}:\d{2}:\d{2}$/);
    expect(values['cmi.suspend_data']).toMatch(/^0-\d+/);
    await own.close();
});

test('where learning records are kept they say that it was begun, watched and left', async ({ browser, request }) => {
    const lesson = await makeLesson(request, 'Records', ['The creek is full at seven.']);
    await taken(request, lesson, []);
    await filmOf(request, lesson.id, test.info().outputPath('film.mp4'));
    const [made] = (await (await request.get(`/api/lessons/${lesson.id}/exports`)).json()) as Export[];
    const folder = await unpacked(request, `/api/exports/${made?.id}/cmi5.zip`);

    const own = await browser.newContext();
    const page = await own.newPage();
    // A course site and its store of records, as the profile describes them.
    const told: { verb: { id: string }; result?: Record<string, unknown>; context: Record<string, unknown> }[] = [];
    const asked: string[] = [];
    await page.route('http://site.test/**', async (route) => {
        const { pathname, searchParams } = new URL(route.request().url());
        const json = (body: unknown) => route.fulfill({ json: body });
        if (pathname === '/fetch') {
            return json({ 'auth-token': 'c2VjcmV0' });
        }
        if (pathname === '/xapi/statements') {
            expect(route.request().headers().authorization).toBe('Basic c2VjcmV0');
            told.push(route.request().postDataJSON());
            return route.fulfill({ status: 204 });
        }
        if (pathname.startsWith('/xapi/')) {
            asked.push(searchParams.get('stateId') ?? searchParams.get('profileId') ?? '');
            const template = {
                contextActivities: { grouping: [{ id: 'urn:publisher' }] },
                extensions: { session: '7' },
            };
            return json(asked.length === 1 ? { launchMode: 'Normal', contextTemplate: template } : {});
        }
        const file = `${folder}${decodeURIComponent(pathname)}`;
        const type = pathname.endsWith('.html') ? 'text/html; charset=utf-8' : 'video/mp4';
        return existsSync(file)
            ? route.fulfill({ body: readFileSync(file), contentType: type })
            : route.fulfill({ status: 404 });
    });
    const launch = new URLSearchParams({
        endpoint: 'http://site.test/xapi/',
        fetch: 'http://site.test/fetch',
        actor: JSON.stringify({ account: { homePage: 'http://site.test', name: 'a learner' } }),
        registration: '4c0c5b1e-6f0a-4a57-9a0c-2f9f4a3b7c11',
        activityId: 'urn:open-reel:film',
    });
    await page.goto(`http://site.test/index.html?${launch}`);
    const verbs = () => told.map(({ verb }) => verb.id.split('/').at(-1));
    await expect.poll(verbs).toEqual(['initialized']);
    expect(asked).toEqual(['LMS.LaunchData', 'cmi5LearnerPreferences']);
    await page.locator('#film').evaluate((film: HTMLVideoElement) => {
        film.muted = true;
        return film.play();
    });
    await expect.poll(verbs, { timeout: 20_000 }).toEqual(['initialized', 'completed']);
    await page.evaluate(() => window.dispatchEvent(new PageTransitionEvent('pagehide')));
    await expect.poll(verbs).toEqual(['initialized', 'completed', 'terminated']);
    expect(told[1]?.result).toMatchObject({ completion: true, duration: expect.stringMatching(/^PT[\d.]+S$/) });
    expect(told[1]?.context).toMatchObject({
        registration: '4c0c5b1e-6f0a-4a57-9a0c-2f9f4a3b7c11',
        extensions: { session: '7' },
        contextActivities: {
            grouping: [{ id: 'urn:publisher' }],
            category: [
                { id: 'https://w3id.org/xapi/cmi5/context/categories/cmi5' },
                { id: 'https://w3id.org/xapi/cmi5/context/categories/moveon' },
            ],
        },
    });
    await own.close();
});
