import { expect, test } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import type { Export } from '../../resources/js/api/types';
import { taken } from './film';
import { WORK_MS, isAccessible, makeLesson } from './helpers';

test('three kinds of film at once: each is what was chosen, and one is told in another room when they are done', async ({
    page,
    request,
}) => {
    const lesson = await makeLesson(request, 'Three kinds', ['The creek is full at seven.']);
    await taken(request, lesson, []);
    await page.goto(`/lessons/${lesson.id}/handover`);
    await page.getByRole('button', { name: 'Size, format and quality' }).click();
    await page.getByRole('button', { name: 'Another file' }).click();
    await page.getByRole('button', { name: 'Another file' }).click();
    const file = (number: number) => page.getByRole('group', { name: `File ${number}`, exact: true });
    await file(2).getByLabel('Size').selectOption('854x480');
    await expect(file(2).getByText('Three kinds, 480p.webm')).toBeVisible();
    await file(3).getByLabel('Size').selectOption('480x480');
    await file(3).getByLabel('Quality').selectOption('Small file');
    await file(3).getByLabel('Captions in the picture').check();
    // The look before: put together anew for this shape.
    const look = file(3).getByRole('group', { name: 'How it will look' });
    const picture = look.getByRole('group').first();
    await expect(picture).toBeVisible();
    const box = await picture.boundingBox();
    expect((box?.width ?? 0) / (box?.height ?? 1)).toBeCloseTo(1, 1);
    await isAccessible(page);

    // What was chosen is still there after another room.
    await page.getByRole('link', { name: 'Script', exact: true }).click();
    await page.goBack();
    await expect(page.getByRole('button', { name: 'Export 3 files' })).toBeVisible();
    await page.getByRole('button', { name: 'Export 3 files' }).click();
    await expect(page.getByRole('button', { name: 'Cancel Three kinds, 480p.webm' })).toBeVisible();
    await page.getByRole('link', { name: 'Review', exact: true }).click();
    await expect(page.getByText('Three kinds, 480 x 480, with captions.mp4 is finished.')).toBeVisible({
        timeout: WORK_MS,
    });

    const exports = async () => (await (await request.get(`/api/lessons/${lesson.id}/exports`)).json()) as Export[];
    await expect
        .poll(async () => (await exports()).map((one) => one.state), { timeout: WORK_MS })
        .toEqual(['done', 'done', 'done']);
    const found: string[] = [];
    for (const one of await exports()) {
        const path = test.info().outputPath(one.file_name.replace(/[^a-z0-9.]/gi, '-'));
        writeFileSync(path, await (await request.get(`/api/exports/${one.id}/file`)).body());
        const show = 'stream=codec_name,width,height:format=duration';
        const said = execFileSync('ffprobe', ['-v', 'error', '-show_entries', show, '-of', 'csv=p=0', path]);
        found.push(said.toString().split('\n').filter(Boolean).slice(0, 2).join(' '));
        expect(one.findings.filter((finding) => !finding.ok)).toEqual([]);
    }
    expect(found.sort()).toEqual(['h264,1280,720 aac', 'h264,480,480 aac', 'vp9,854,480 opus']);
    await page.getByRole('link', { name: 'Hand over', exact: true }).click();
    await expect(page.getByRole('region', { name: 'Finished film' }).getByRole('heading', { level: 2 })).toHaveText(
        'Three kinds.mp4',
    );
    await expect(page.getByRole('link', { name: 'Three kinds, 480p.webm' })).toBeVisible();

    // A changed line: what it touches is said, with the way there.
    await request.patch(`/api/sections/${lesson.sections[0]?.id}`, { data: { script: 'The creek is full at eight.' } });
    await page.reload();
    await expect(page.getByText('one line says something else')).toBeVisible();
    await expect(page.getByText('Everything for it is rendered already.')).toBeVisible();
    await request.delete(`/api/lessons/${lesson.id}`);
});

test('captions are seen in Watch as they will be in the film', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Seen words', ['The creek is full at seven.']);
    await taken(request, lesson, []);
    await page.goto(`/lessons/${lesson.id}/finish`);
    const caption = page.locator('.caption-over p');
    await expect(page.getByRole('button', { name: 'Watch', exact: true })).toBeVisible();
    await expect(caption).toHaveCount(0);
    await page.getByRole('button', { name: 'Captions', exact: true }).click();
    await expect(caption).toHaveText('The creek is full at seven.');
    await page.reload();
    await expect(caption).toHaveText('The creek is full at seven.');
    await page.getByRole('button', { name: 'Captions', exact: true }).click();
    await expect(caption).toHaveCount(0);
    await request.delete(`/api/lessons/${lesson.id}`);
});
