import { expect, test } from '@playwright/test';
import { demoLesson, finish, makeLesson, openRecord, readLesson, roll, setUp, takesOf } from './helpers';

test('takes are kept, discarded, dropped and brought back, and nothing is ever lost', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Several takes', ['Say this once. Say that twice.']);
    const section = lesson.sections[0]?.id ?? '';
    const verdicts = async () => (await takesOf(request, section)).map((take) => take.verdict);

    await openRecord(page, lesson);
    await roll(page);
    await page.waitForTimeout(1500);
    // Once is not enough to drop a take.
    await page.keyboard.press('d');
    await expect(page.getByRole('button', { name: /Press again to drop/ })).toBeVisible();
    await page.keyboard.press('d');
    await expect(page.getByText('Take 1 is set aside.')).toBeVisible();
    await expect(page.getByText('Recording', { exact: true })).toBeVisible({ timeout: 10_000 });
    await page.waitForTimeout(2500);
    await finish(page);
    expect(await verdicts()).toEqual(['discarded', 'undecided']);

    await page.getByRole('button', { name: /Keep/ }).click();
    await expect(page.getByText('Take 2 is kept.')).toBeVisible();
    await page.getByRole('button', { name: /Go again/ }).click();
    await expect(page.getByText('Ready', { exact: true })).toBeVisible();
    await roll(page);
    await page.waitForTimeout(2500);
    await finish(page);
    await page.keyboard.press('k');
    await expect.poll(verdicts).toEqual(['discarded', 'undecided', 'kept']);
    // The server knows before the page says it, where the notice of the take before may still stand.
    await expect(page.getByText('Take 3 is kept.')).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(verdicts).toEqual(['discarded', 'kept', 'undecided']);

    await page.getByRole('button', { name: /^Take 1,/ }).click();
    await page.getByRole('button', { name: /Put back/ }).click();
    await expect.poll(verdicts).toEqual(['undecided', 'kept', 'undecided']);
    await page.keyboard.press('d');
    await expect.poll(verdicts).toEqual(['discarded', 'kept', 'undecided']);
});

test('a take plays at once, from the start of the speech to its end, and both can be nudged', async ({
    page,
    request,
}) => {
    const lesson = await demoLesson(request);
    const section = lesson.sections[2];
    await page.goto(`/lessons/${lesson.id}/review/${section?.id}`);
    const [take] = await takesOf(request, section?.id);
    await expect(page.getByText(/used of/)).toBeVisible();
    await expect(page.locator('.wave [part~="region"]'), 'the used part is seen on the wave').toBeVisible();
    const video = page.locator('.take-picture video');
    const at = () => video.evaluate((element: HTMLVideoElement) => element.currentTime * 1000);
    await page.keyboard.press('p');
    await expect.poll(at).toBeGreaterThan(take?.used_from_ms ?? 0);
    await page.keyboard.press('p');
    expect(await video.evaluate((element: HTMLVideoElement) => element.paused)).toBe(true);

    await page.getByRole('button', { name: 'Start a tenth of a second later' }).click();
    await expect
        .poll(async () => (await takesOf(request, section?.id))[0]?.used_from_ms)
        .toBe((take?.used_from_ms ?? 0) + 100);
    await page.getByRole('button', { name: 'As found' }).click();
    await expect.poll(async () => (await takesOf(request, section?.id))[0]?.trimmed_by_hand).toBe(false);
});

test('a take is read again from what came from the recorder', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Read again', ['One line to say.']);
    await openRecord(page, lesson);
    await roll(page);
    await page.waitForTimeout(2500);
    await finish(page);
    const before = await takesOf(request, lesson.sections[0]?.id);
    await page.getByRole('button', { name: 'Read again' }).click();
    await expect(page.getByText(/used of/)).toBeVisible();
    await expect
        .poll(async () => (await takesOf(request, lesson.sections[0]?.id))[0])
        .toMatchObject({ state: 'ready', length_ms: before[0]?.length_ms, problem: null });
});

test('undoing a Keep brings every take back that was kept before', async ({ page, request }) => {
    // Two sections with a take each are joined; a third take of both lines then replaces the two.
    const lesson = await makeLesson(request, 'Joined', ['Line one.', 'Line two.']);
    for (const section of [0, 1]) {
        await openRecord(page, lesson, section);
        await roll(page);
        await page.waitForTimeout(2000);
        await finish(page);
        await page.keyboard.press('k');
        await expect(page.getByText('Take 1 is kept.')).toBeVisible();
    }
    const script = (await (await request.get(`/api/lessons/${lesson.id}/script`)).json()) as {
        text: string;
        revision: number;
    };
    await request.put(`/api/lessons/${lesson.id}/script`, {
        data: { text: script.text.replace(/\n## Part 2\n/, ''), revision: script.revision },
    });
    const joined = (await readLesson(request, lesson.id)).sections[0];
    const kept = async () => (await takesOf(request, joined?.id)).filter((take) => take.verdict === 'kept').length;
    expect(await kept()).toBe(2);
    await openRecord(page, lesson, 0);
    await roll(page);
    await page.waitForTimeout(2000);
    await finish(page);
    await page.keyboard.press('k');
    await expect(page.getByText(/is kept\./)).toBeVisible();
    await expect.poll(kept).toBe(1);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(kept).toBe(2);
});

test('a take in a loud room says so', async ({ page, request }) => {
    const lesson = await demoLesson(request);
    await page.goto(`/lessons/${lesson.id}/review/${lesson.sections[4]?.id}`);
    await page.getByRole('button', { name: /^Take 1,/ }).click();
    await expect(page.getByText(/The room is loud/)).toBeVisible();
});

test('a muted microphone is noticed while rolling and in the take', async ({ page, request }) => {
    const lesson = await makeLesson(request, 'Silent', ['Nobody hears this.']);
    await page.addInitScript(() => {
        navigator.mediaDevices.getUserMedia = async () => {
            const context = new AudioContext();
            const out = context.createMediaStreamDestination();
            const muted = new GainNode(context, { gain: 0 });
            const hum = new OscillatorNode(context);
            hum.connect(muted).connect(out);
            hum.start();
            return out.stream;
        };
    });
    await openRecord(page, lesson);
    await setUp(page, (panel) => panel.getByLabel('Camera', { exact: true }).selectOption({ label: 'No camera' }));
    await expect(page.locator('.meter strong')).toHaveText('silent');
    await roll(page);
    await expect(
        page.getByText(/The microphone went silent \d+ s ago. The take is still rolling. Check the plug./),
    ).toBeVisible();
    await finish(page);
    await expect(page.getByText('Silent: no speech was heard in this take.')).toBeVisible();
});
