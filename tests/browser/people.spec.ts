import { type Browser, expect, type Page, test } from '@playwright/test';
import jsQR from 'jsqr';
import { execFileSync, spawn } from 'node:child_process';
import { createHmac } from 'node:crypto';
import { rmSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { Lesson } from '../../resources/js/api/types';
import { WORK_MS, isAccessible, saved, textOf, typeAtEnd, words } from './helpers';

const root = fileURLToPath(new URL('../..', import.meta.url));
const port = 8126;
const address = `http://127.0.0.1:${port}`;
const state = `${root}/storage/framework/people-test`;
const env = {
    ...process.env,
    DB_DATABASE: `${state}.sqlite`,
    REEL_MEDIA_ROOT: `${state}-media`,
    REEL_MODE: 'people',
};
const artisan = (...words: string[]) =>
    execFileSync('php', ['artisan', '--no-ansi', ...words], { cwd: root, env, encoding: 'utf8' });

/** A server of its own on which people sign in. */
test.beforeAll(async () => {
    for (const path of ['.sqlite', '.sqlite-wal', '.sqlite-shm', '-media']) {
        rmSync(`${state}${path}`, { recursive: true, force: true });
    }
    writeFileSync(env.DB_DATABASE, '');
    artisan('migrate', '--force');
    const server = spawn('bin/serve', ['--port', `${port}`, '--workers', '1'], { cwd: root, env, stdio: 'ignore' });
    stop = () => server.kill('SIGTERM');
    await expect
        .poll(
            () =>
                fetch(`${address}/sign-in`).then(
                    (answer) => answer.status,
                    () => 0,
                ),
            { timeout: 30_000 },
        )
        .toBe(200);
});
test.afterAll(() => stop());
let stop = () => {};

test('one signs in by keyboard, loses nothing when signed out, and goes on behind it', async ({ browser }) => {
    const password = /password (\S+)/.exec(
        artisan('reel:user', 'add', 'wenna@saltmarsh.example', '--name', 'Wenna'),
    )?.[1];
    const context = await browser.newContext();
    const page = await context.newPage();
    await page.goto(`${address}/storage`);
    await expect(page).toHaveURL(`${address}/sign-in?to=%2Fstorage`);
    await isAccessible(page);
    await page.keyboard.type('wenna@saltmarsh.example');
    await page.keyboard.press('Tab');
    await page.keyboard.type('low water');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert')).toHaveText('That e-mail address and password do not match.');
    await isAccessible(page);
    await page.keyboard.type(`${password}`);
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(`${address}/storage`);
    await expect(page.getByRole('heading', { name: 'What takes up room' })).toBeVisible();

    // A lesson is written in one tab; in another one signs out.
    await page.goto(address);
    await page.getByRole('button', { name: 'Create your first lesson' }).click();
    await page.getByLabel('Title').fill('Slack water');
    await page.getByRole('button', { name: 'Create lesson' }).click();
    const text = page.getByRole('textbox', { name: 'Script' });
    await text.click();
    await page.keyboard.type('The water stands.');
    await expect(page.getByText('All saved')).toBeVisible();
    const other = await context.newPage();
    await other.goto(`${address}/account`);
    await isAccessible(other);
    await other.getByRole('button', { name: 'Sign out here' }).click();
    await expect(other).toHaveURL(/sign-in/);

    await page.bringToFront();
    await text.click();
    await page.keyboard.press('Control+End');
    await page.keyboard.type(' Then it turns.');
    await expect(page.getByText('You are signed out.')).toBeVisible();
    await isAccessible(page);
    const [again] = await Promise.all([
        context.waitForEvent('page'),
        page.getByRole('link', { name: 'Sign in again' }).click(),
    ]);
    await again.getByLabel('E-mail').fill('wenna@saltmarsh.example');
    await again.getByLabel('Password').fill(`${password}`);
    await again.getByRole('button', { name: 'Sign in' }).click();
    await expect(again.getByRole('link', { name: 'Wenna' })).toBeVisible();
    await isAccessible(again);
    await page.bringToFront();
    await expect(page.getByText('You are signed out.')).toBeHidden();
    await expect(page.getByText('All saved')).toBeVisible();
    await page.reload();
    await expect(text).toContainText('The water stands. Then it turns.');
    await context.close();
});

test('what one person typed is not sent as another who signs in behind them', async ({ browser }) => {
    const [loveday, tegen] = ['Loveday', 'Tegen'].map((name) => ({
        email: `${name.toLowerCase()}@saltmarsh.example`,
        password: artisan('reel:user', 'add', `${name.toLowerCase()}@saltmarsh.example`, '--name', name).match(
            /(?<=password )\S+/,
        )?.[0],
    })) as [Person, Person];
    const page = await browserOf(browser);
    await signIn(page, loveday, '/sign-in');
    const lesson = (await (await page.request.post('/api/lessons', { data: { title: 'Neaps' } })).json()) as Lesson;
    const member = { email: tegen.email, role: 'presenter' };
    expect((await page.request.post(`/api/lessons/${lesson.id}/members`, { data: member })).ok()).toBe(true);
    await page.goto(`/lessons/${lesson.id}/script`);
    await words(page).click();
    await page.keyboard.type('The moon is half.');
    await saved(page);

    const other = await page.context().newPage();
    await signIn(other, tegen, '/sign-in?as=another');
    await expect(other.getByRole('link', { name: 'Tegen' })).toBeVisible();
    await typeAtEnd(page, ' The tides are small.');
    await expect(page.getByText('Tegen has signed in here since.')).toBeVisible();
    await isAccessible(page);
    await page.close();
    // She takes part in the lesson too, and has nothing of what is waiting.
    await other.goto(`/lessons/${lesson.id}/script`);
    await saved(other);
    await expect(words(other)).toHaveText(/The moon is half\.$/);
    await other.goto('/account');
    await other.getByRole('button', { name: 'Sign out here' }).click();

    await signIn(other, loveday, '/sign-in');
    await other.goto(`/lessons/${lesson.id}/script`);
    await expect(words(other)).toContainText('The moon is half. The tides are small.');
    await saved(other);
    expect(await textOf(other.request, lesson.id)).toContain('The tides are small.');
    await other.context().close();
});

test('a telephone scans its key from the screen, and its codes are asked for from then on', async ({ browser }) => {
    const [password] = artisan('reel:user', 'add', 'demelza@saltmarsh.example', '--name', 'Demelza').match(
        /(?<=password )\S+/,
    ) as [string];
    const page = await browserOf(browser);
    await page.goto('/account');
    const signIn = async () => {
        await page.getByLabel('E-mail').fill('demelza@saltmarsh.example');
        await page.getByLabel('Password').fill(password);
        await page.getByRole('button', { name: 'Sign in' }).click();
    };
    await signIn();
    await page.getByLabel('Current password').last().fill(password);
    await page.getByRole('button', { name: 'Set up one-time codes' }).click();
    const picture = page.getByRole('img', { name: 'The key as a code to scan' });
    await expect(picture).toBeVisible();
    await isAccessible(page);
    const scanned = scan(await picture.screenshot());
    expect(scanned).toBe(await page.getByRole('link', { name: 'open it on this device' }).getAttribute('href'));
    const secret = new URL(`${scanned}`).searchParams.get('secret');
    expect((await page.locator('.key').innerText()).replaceAll(' ', '')).toBe(secret);

    await page.getByLabel('The code it shows now').fill(codeOf(`${secret}`));
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'One-time codes are on' })).toBeVisible();
    await isAccessible(page);
    const spare = await page.getByRole('listitem').first().innerText();
    await page.getByRole('link', { name: 'I have written them down' }).click();
    await page.getByRole('button', { name: 'Sign out here' }).click();
    await signIn();
    // Each code holds once; that of the next half minute would do as well.
    await page.getByLabel('The code your phone shows').fill(spare);
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(`${address}/`);
    await page.context().close();
});

/** What a camera reads in a picture. */
function scan(png: Buffer): string | undefined {
    const [width, height] = [png.readUInt32BE(16), png.readUInt32BE(20)];
    const pixels = execFileSync('ffmpeg', ['-v', 'error', '-i', '-', '-f', 'rawvideo', '-pix_fmt', 'rgba', '-'], {
        input: png,
        maxBuffer: 1e8,
    });
    return jsQR(new Uint8ClampedArray(pixels), width, height)?.data;
}

/** The code that an authenticator shows now: RFC 6238 with SHA-1, six digits and 30 s, of a key in base 32. */
function codeOf(key: string): string {
    const bits = [...key].map((one) => 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567'.indexOf(one).toString(2).padStart(5, '0'));
    const bytes = Buffer.from((bits.join('').match(/.{8}/g) ?? []).map((byte) => parseInt(byte, 2)));
    const step = Buffer.alloc(8);
    step.writeBigUInt64BE(BigInt(Math.floor(Date.now() / 30_000)));
    const hash = createHmac('sha1', bytes).update(step).digest();
    const four = hash.readUInt32BE(hash[19]! & 15) & 0x7fffffff;
    return `${four % 1_000_000}`.padStart(6, '0');
}

interface Person {
    email: string;
    password: string;
}

async function signIn(page: Page, { email, password }: Person, at: string): Promise<void> {
    await page.goto(at);
    await page.getByLabel('E-mail').fill(email);
    await page.getByLabel('Password').fill(password);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page).toHaveURL(`${address}/`);
}

/** A browser of its own, on this server. */
async function browserOf(browser: Browser): Promise<Page> {
    const context = await browser.newContext({ baseURL: address, extraHTTPHeaders: { 'X-Open-Reel': '1' } });
    return context.newPage();
}

/** A link that lets one person in, made in the room People. */
async function invitation(page: Page, role: string): Promise<string> {
    await page.getByLabel('Their role').selectOption({ label: role });
    const link = page.getByLabel('Invitation link');
    const before = (await link.count()) > 0 ? await link.inputValue() : '';
    await page.getByRole('button', { name: 'Create an invitation link' }).click();
    await expect(link).not.toHaveValue(before);
    return link.inputValue();
}

test('a lesson is written by two, recorded, looked at by a third, approved and published', async ({ browser }) => {
    const password = /password (\S+)/.exec(
        artisan('reel:user', 'add', 'kerensa@saltmarsh.example', '--name', 'Kerensa'),
    )?.[1];
    const kerensa = await browserOf(browser);
    await kerensa.goto('/');
    await kerensa.getByLabel('E-mail').fill('kerensa@saltmarsh.example');
    await kerensa.getByLabel('Password').fill(`${password}`);
    await kerensa.getByRole('button', { name: 'Sign in' }).click();
    await kerensa.waitForURL(`${address}/`);
    const ask = kerensa.request;
    const { id } = (await (
        await ask.post('/api/lessons', { data: { title: 'Spring and neap', width: 1280, height: 720, fps: 25 } })
    ).json()) as Lesson;
    const text =
        '# Spring and neap\n\n## Spring and neap\n\n[card: opening, 2 s]\n\n## The moon\n\nTwice a month it pulls hardest.\n';
    const { revision } = (await (await ask.get(`/api/lessons/${id}/script`)).json()) as { revision: number };
    expect((await ask.put(`/api/lessons/${id}/script`, { data: { text, revision } })).ok()).toBe(true);

    // A presenter is let in, who has no account yet, and makes one by keyboard.
    await kerensa.goto(`/lessons/${id}/people`);
    await expect(kerensa.getByRole('heading', { name: 'Who takes part' })).toBeVisible();
    await isAccessible(kerensa);
    const link = await invitation(kerensa, 'Presenter: writes and records');
    const piran = await browserOf(browser);
    await piran.goto(link);
    await expect(piran.getByText('Kerensa has invited you to join this lesson as presenter')).toBeVisible();
    await isAccessible(piran);
    await piran.getByRole('link', { name: 'Sign in' }).focus();
    for (const typed of ['Piran', 'piran@saltmarsh.example', 'high water at six']) {
        await piran.keyboard.press('Tab');
        await piran.keyboard.type(typed);
    }
    await piran.keyboard.press('Enter');
    await piran.waitForURL(/\/script/);
    await saved(piran);
    await expect(piran.getByText('Kerensa is in People')).toBeVisible();

    // Both on the page: what one writes stands on the other's at once, and nobody's words are lost.
    await kerensa.getByRole('link', { name: 'Script', exact: true }).click();
    await expect(kerensa.getByText('Piran is in Script')).toBeVisible();
    await typeAtEnd(piran, 'Twice it hardly does.');
    await expect(words(kerensa)).toContainText('Twice it hardly does.');
    await typeAtEnd(kerensa, ' That is the neap.');
    await expect(words(piran)).toContainText('That is the neap.');
    await saved(piran);
    await saved(kerensa);
    expect(await textOf(ask, id)).toContain('Twice it hardly does. That is the neap.');

    // One records a section; it is claimed until the take is over.
    const section = ((await (await ask.get(`/api/lessons/${id}`)).json()) as Lesson).sections[1]?.id;
    await piran.goto(`/lessons/${id}/record/${section}`);
    await expect(piran.getByText('Ready', { exact: true })).toBeVisible();
    await kerensa.goto(`/lessons/${id}/record/${section}`);
    await expect(kerensa.getByText('Ready', { exact: true })).toBeVisible();
    await piran.bringToFront();
    await piran.keyboard.press('r');
    await expect(piran.getByText('Recording', { exact: true })).toBeVisible({ timeout: 10_000 });
    await expect(kerensa.getByText('Piran is recording this section now.')).toBeVisible();
    await isAccessible(kerensa);
    await kerensa.bringToFront();
    await kerensa.keyboard.press('r');
    await expect(kerensa.getByText('Piran is recording this section. Record another one meanwhile')).toBeVisible({
        timeout: 10_000,
    });
    await piran.bringToFront();
    await piran.waitForTimeout(2000);
    await piran.keyboard.press('f');
    await piran.waitForURL(/\/review\//);
    await expect(kerensa.getByText('Piran is recording this section now.')).toBeHidden();
    await expect(piran.getByText(/used of/)).toBeVisible();
    await piran.getByRole('button', { name: /^Keep/ }).click();

    // The owner hears of it, shows a draft and asks for an approval before it is published.
    await kerensa.goto(`/lessons/${id}/people`);
    await expect(kerensa.getByText('kept take 1 of “The moon”')).toBeVisible();
    await kerensa.getByLabel('Publish only after somebody has approved it').check();
    await kerensa.getByRole('link', { name: 'Export the lesson first' }).click();
    await kerensa
        .getByRole('button', { name: /^Export/ })
        .first()
        .click();
    await expect(kerensa.getByRole('button', { name: 'Publish', exact: true })).toBeVisible({ timeout: WORK_MS });
    await kerensa.getByRole('button', { name: 'Publish', exact: true }).click();
    await expect(kerensa.getByText('This lesson is published once somebody has approved its draft.')).toBeVisible();
    await kerensa.getByRole('link', { name: 'People', exact: true }).click();
    await kerensa.getByRole('button', { name: 'Show the newest film as a draft' }).click();
    await expect(kerensa.getByText('Nobody has approved it yet.')).toBeVisible();

    // A reviewer reads, watches, says what is not right, and approves.
    const jory = await browserOf(browser);
    await jory.goto(await invitation(kerensa, 'Reviewer: looks, comments and approves'));
    await jory.getByLabel('Your name').fill('Jory');
    await jory.getByLabel('E-mail').fill('jory@saltmarsh.example');
    await jory.getByLabel('Password').fill('half past');
    await expect(jory.getByText('Too short so far')).toBeVisible();
    await jory.getByLabel('Password').fill('half past four');
    await expect(jory.getByText('Fair')).toBeVisible();
    await jory.getByRole('button', { name: 'Show what is typed' }).click();
    await expect(jory.getByLabel('Password')).toHaveAttribute('type', 'text');
    await isAccessible(jory);
    await jory.getByRole('button', { name: 'Join' }).click();
    await jory.waitForURL(/\/script/);
    await expect(jory.getByText('You can read this, and comment on its draft.')).toBeVisible();
    await expect(jory.getByRole('link', { name: 'Record', exact: true })).toHaveCount(0);
    await jory.getByLabel('Script').focus();
    await jory.keyboard.type('I was here.');
    await isAccessible(jory);
    expect(await textOf(ask, id)).not.toContain('I was here.');
    await jory.goto(`/lessons/${id}/finish`);
    await jory.getByRole('link', { name: 'Look at the draft' }).click();
    const [draft] = await Promise.all([
        jory.context().waitForEvent('page'),
        jory.getByRole('link', { name: 'Watch version 1 of the draft' }).click(),
    ]);
    await expect(draft.getByText('Draft for review')).toBeVisible();
    await isAccessible(draft);
    await draft.getByLabel('Your name').fill('Jory');
    await draft.getByLabel('Comment', { exact: true }).fill('Say when the neap is.');
    await draft.getByRole('button', { name: 'Send comment' }).click();
    await expect(kerensa.getByText('Say when the neap is.')).toBeVisible();
    await jory.bringToFront();
    // By telephone.
    await jory.setViewportSize({ width: 390, height: 800 });
    const fits = async () => expect(await jory.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
    await jory.getByRole('button', { name: 'Approve version 1' }).click();
    await expect(jory.getByText('You approved it')).toBeVisible();
    await fits();
    await isAccessible(jory);
    await jory.getByRole('link', { name: 'Shelf' }).click();
    await expect(jory.getByRole('heading', { name: 'Lessons' })).toBeVisible();
    await fits();
    await isAccessible(jory);
    await jory.setViewportSize({ width: 1280, height: 800 });
    await expect(kerensa.getByText('Jory approved it')).toBeVisible();
    await kerensa.getByRole('button', { name: /new$/ }).click();
    await expect(kerensa.getByRole('button', { name: /Jory approved version 1/ })).toBeVisible();
    await kerensa.keyboard.press('Escape');
    await expect(kerensa.getByRole('button', { name: 'Notices' })).toBeVisible();
    await isAccessible(kerensa);

    // Now it can be published, and everybody can see who did what.
    await kerensa.getByRole('link', { name: 'Hand over', exact: true }).click();
    await kerensa.getByRole('button', { name: 'Publish', exact: true }).click();
    await expect(kerensa.getByRole('heading', { name: 'Course site' })).toBeVisible();
    await expect(kerensa.getByRole('button', { name: 'Publish', exact: true })).toHaveCount(0);
    await jory.goto('/');
    await expect(jory.getByRole('button', { name: /new$/ })).toBeVisible();
    await jory.getByRole('button', { name: /new$/ }).click();
    await jory.getByRole('button', { name: 'Spring and neap is published' }).click();
    await expect(jory.getByText('Kerensa published version 1')).toBeVisible();
    for (const page of [kerensa, piran, jory]) {
        await page.context().close();
    }
});
