import { expect, test } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import type { Export } from '../../resources/js/api/types';
import { taken } from './film';
import { filmOf, isAccessible, makeLesson } from './helpers';

test('a film in a folder plays without a server, and tells a course site when it was watched', async ({
    browser,
    request,
}) => {
    const lesson = await makeLesson(request, 'A "tide" & more', ['The creek is <full> at seven.']);
    await taken(request, lesson, []);
    await filmOf(request, lesson.id, test.info().outputPath('film.mp4'));
    const [made] = (await (await request.get(`/api/lessons/${lesson.id}/exports`)).json()) as Export[];
    const folder = test.info().outputPath('package');
    mkdirSync(folder);
    writeFileSync(`${folder}.zip`, await (await request.get(`/api/exports/${made?.id}/scorm.zip`)).body());
    const unpack = '$zip = new ZipArchive; exit($zip->open($argv[1]) === true && $zip->extractTo($argv[2]) ? 0 : 1);';
    execFileSync('php', ['-r', unpack, `${folder}.zip`, folder]);

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
