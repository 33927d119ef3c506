import { expect, test } from '@playwright/test';
import { execFileSync, spawn } from 'node:child_process';
import { rmSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { isAccessible } from './helpers';

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
    const server = spawn('bin/serve', ['--port', `${port}`, '--workers', '0'], { cwd: root, env, stdio: 'ignore' });
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
    await expect(page.getByRole('alert')).toHaveText('That address and password do not go together.');
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
    await other.getByRole('button', { name: 'Sign out' }).click();
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
