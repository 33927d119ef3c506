import { expect, test } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import webvtt from 'webvtt-parser';
import type { Export } from '../../resources/js/api/types';
import { taken } from './film';
import { filmOf, isAccessible, makeLesson } from './helpers';

const first = 'The creek is full at seven.';
const second = 'At one it is a narrow ribbon.';

test('captions are read, put right and checked with the keyboard alone, and the film has them', async ({
    page,
    request,
}) => {
    const lesson = await makeLesson(request, 'Read captions', [`${first} ${second}`, 'And it comes back.']);
    await taken(request, lesson, [
        { at_ms: 0, kind: 'line', line: 1 },
        { at_ms: 2000, kind: 'line', line: 2 },
    ]);
    await taken(request, lesson, [], 1);

    await page.goto(`/lessons/${lesson.id}/handover`);
    await expect(page.getByText('Nobody has read the 3 captions yet.')).toBeVisible();
    await page.getByRole('link', { name: 'Check captions' }).press('Enter');
    const text = page.getByRole('textbox', { name: 'The caption' });
    await expect(text).toHaveValue(first);
    await expect(text).toBeFocused();
    await expect(page.locator('.shown-caption:visible')).toHaveText(first);
    await isAccessible(page);

    // Keys that come faster than the server answers count as well.
    await page.keyboard.press('Alt+ArrowLeft');
    await page.keyboard.press('Alt+ArrowLeft');
    await expect(text).toHaveValue('The creek is full');
    await page.keyboard.press('Alt+ArrowRight');
    await page.keyboard.press('Alt+ArrowRight');
    await expect(text).toHaveValue(first);

    await page.keyboard.press('Enter');
    await expect(text).toHaveValue(second);
    await expect(page.getByText('1 of 3 checked')).toBeVisible();
    // It is played from its first word, and stops behind its last.
    const picture = page.getByRole('group', { name: 'The lesson as it will be exported' });
    await expect.poll(async () => Number(await picture.getAttribute('data-frame'))).toBeGreaterThanOrEqual(50);

    await page.keyboard.press('Control+A');
    await page.keyboard.type('At 1 p.m. it is a ribbon.');
    await expect(page.getByText(`The script says: ${second}`)).toBeVisible();
    await page.keyboard.press('Enter');
    await expect(text).toHaveValue('And it comes back.');
    await expect(page.getByText('2 of 3 checked')).toBeVisible();
    await page.keyboard.press('Enter');
    await expect(page.getByText('All 3 are checked.')).toBeVisible();

    // Checked by mistake.
    await page.getByRole('button', { name: 'Not checked after all' }).click();
    await expect(page.getByText('2 of 3 checked')).toBeVisible();
    await text.press('Enter');
    await expect(page.getByText('All 3 are checked.')).toBeVisible();

    // A word less, and back again.
    await page.keyboard.press('PageUp');
    await page.keyboard.press('PageUp');
    await expect(text).toHaveValue(first);
    await page.keyboard.press('Alt+ArrowLeft');
    await expect(text).toHaveValue('The creek is full at');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(text).toHaveValue(first);
    await expect(page.getByText('All 3 are checked.')).toBeVisible();

    const film = await filmOf(request, lesson.id, test.info().outputPath('film.mp4'));
    const inside = execFileSync('ffmpeg', ['-v', 'error', '-i', film, '-map', '0:s:0', '-f', 'webvtt', '-'], {
        encoding: 'utf8',
    });
    expect(inside).toContain('At 1 p.m. it is a ribbon.');

    // Another program reads the files beside it without complaint.
    const [made] = (await (await request.get(`/api/lessons/${lesson.id}/exports`)).json()) as Export[];
    const beside = async (kind: 'captions' | 'chapters') =>
        new webvtt.WebVTTParser().parse(
            await (await request.get(`/api/exports/${made?.id}/beside/${kind}.vtt`)).text(),
            kind,
        );
    const captions = await beside('captions');
    expect(captions.errors).toEqual([]);
    expect(captions.cues.map((cue) => cue.text.replaceAll('\n', ' '))).toEqual([
        first,
        'At 1 p.m. it is a ribbon.',
        'And it comes back.',
    ]);
    const chapters = await beside('chapters');
    expect(chapters.errors).toEqual([]);
    expect(chapters.cues.map((cue) => cue.text)).toEqual(['Part 1', 'Part 2']);
    expect(chapters.cues[0]?.startTime).toBe(0);
    expect(chapters.cues[1]?.startTime).toBe(chapters.cues[0]?.endTime);
    await page.goto(`/lessons/${lesson.id}/handover`);
    await expect(page.getByText('All 3 captions are checked.')).toBeVisible();
    await expect(page.getByText('Captions are in it as text (3), to be switched on.')).toBeVisible();
});

test('what is typed while the server is away stays, and counts once it is back', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Captions away', [`${first} ${second}`]);
    await taken(request, lesson, [
        { at_ms: 0, kind: 'line', line: 1 },
        { at_ms: 2000, kind: 'line', line: 2 },
    ]);
    await page.goto(`/lessons/${lesson.id}/captions`);
    const text = page.getByRole('textbox', { name: 'The caption' });
    await expect(text).toHaveValue(first);

    await page.route('**/api/**', (route) => route.abort());
    await page.keyboard.press('Control+A');
    await page.keyboard.type('Full at 7.');
    await page.keyboard.press('Enter');
    await expect(page.locator('.away-notice')).toContainText('The server cannot be reached.');
    await page.unroute('**/api/**');
    await page.reload();
    await expect(text).toHaveValue('Full at 7.');
    await page.keyboard.press('Enter');
    await expect(page.getByText('1 of 2 checked')).toBeVisible();
    await page.reload();
    await expect(page.locator('.caption-list')).toContainText('Full at 7.');
});

test('another language is typed beside the captions, survives a server that is away, and a file is brought in', async ({
    page,
    request,
}) => {
    const lesson = await makeLesson(request, 'Two languages', [first]);
    await taken(request, lesson, []);
    await page.goto(`/lessons/${lesson.id}/captions`);
    await page.getByLabel('Beside it').selectOption('Deutsch');
    const other = page.getByRole('textbox', { name: 'Deutsch' });
    await expect(page.getByText('0 of 1', { exact: true })).toBeVisible();
    await isAccessible(page);
    await page.route('**/translations/**', (route) => route.abort());
    await other.fill('Der Priel ist um sieben voll.');
    await other.blur();
    await page.reload();
    await expect(other).toHaveValue('Der Priel ist um sieben voll.');
    await page.unroute('**/translations/**');
    await other.focus();
    await other.blur();
    await expect(page.getByText('1 of 1', { exact: true })).toBeVisible();

    const srt = '1\r\n00:00:00,500 --> 00:00:02,000\r\nVoll um sieben.\r\n';
    const file = { name: 'de.srt', mimeType: 'application/x-subrip', buffer: Buffer.from(srt) };
    await page.getByLabel('Captions in Deutsch: WebVTT or SubRip').setInputFiles(file);
    await expect(page.getByText('1 of 1 captions have a text from it.')).toBeVisible();
    await expect(other).toHaveValue('Voll um sieben.');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(other).toHaveValue('Der Priel ist um sieben voll.');
    await filmOf(request, lesson.id, test.info().outputPath('film.mp4'));
    await page.goto(`/lessons/${lesson.id}/handover`);
    await expect(page.getByRole('link', { name: 'Captions in German (WebVTT)' })).toBeVisible();
    await request.delete(`/api/lessons/${lesson.id}`);
});
