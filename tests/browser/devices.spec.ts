import { type Browser, type BrowserContext, expect, type Page, test } from '@playwright/test';
import { isAccessible, makeLesson, openRecord, roll } from './helpers';
import { networkTo } from './network';

/** Lets a device of its own in, and shows what it sees. */
async function letIn(page: Page, browser: Browser, address: string): Promise<[BrowserContext, Page]> {
    await page.getByRole('button', { name: 'Other devices' }).click();
    const room = page.getByRole('dialog', { name: 'Other devices' });
    await room.getByRole('button', { name: /Show (a|another) code/ }).click();
    await expect(room.getByRole('img', { name: 'Address of the page for other devices' })).toBeVisible();
    const code = ((await room.locator('.pairing-code').textContent()) ?? '').trim();
    expect(code).toMatch(/^\d{3} \d{3}$/);
    await isAccessible(page);

    const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
    const phone = await context.newPage();
    await phone.goto(`${address}/device`);
    await isAccessible(phone);
    await phone.getByLabel('Code').fill(code);
    await phone.getByLabel('Name of this device').fill('Phone on the easel');
    await phone.getByRole('button', { name: 'Ask to be let in' }).click();
    await expect(phone.getByRole('heading', { name: 'Waiting to be let in' })).toBeVisible();

    await expect(room.getByText('Phone on the easel')).toBeVisible();
    await room.getByRole('button', { name: 'Let it in' }).click();
    await expect(room.getByRole('button', { name: 'Remove Phone on the easel' })).toBeVisible();
    await room.getByRole('button', { name: 'Close' }).click();
    await expect(room).toHaveCount(0);
    return [context, phone];
}

test('a phone is let in, shows line and state as they change, is right again after it was away, and is removed', async ({
    page,
    request,
    browser,
}) => {
    const lesson = await makeLesson(request, 'Followed', ['The creek is full. At one it is a ribbon. It comes back.']);
    await openRecord(page, lesson);
    const network = await networkTo(new URL(page.url()).origin);
    const [context, phone] = await letIn(page, browser, network.address);
    await expect(phone.getByText('Ready, not recording')).toBeVisible();
    await expect(phone.locator('.device-now')).toHaveText('The creek is full.');
    await expect(phone.locator('.device-next')).toHaveText('At one it is a ribbon.');
    await isAccessible(phone);

    await roll(page);
    await expect(phone.getByText('Recording', { exact: true })).toBeVisible();
    await page.keyboard.press('PageDown');
    await expect(phone.locator('.device-now')).toHaveText('At one it is a ribbon.');
    await expect(phone.getByText('Line 2 of 3')).toBeVisible();

    // Away, while the room goes on.
    network.fail();
    await expect(phone.getByText('No connection. Trying again...')).toBeVisible();
    await page.keyboard.press('PageDown');
    await page.keyboard.press('p');
    network.mend();
    await expect(phone.getByText('Paused', { exact: true })).toBeVisible();
    await expect(phone.locator('.device-now')).toHaveText('It comes back.');

    await page.keyboard.press('f');
    await page.waitForURL(/\/review\//);
    await expect(phone.getByText('The room is not open')).toBeVisible();

    await openRecord(page, lesson);
    await expect(phone.getByText('Ready, not recording')).toBeVisible();
    await page.getByRole('button', { name: 'Other devices' }).click();
    await page.getByRole('button', { name: 'Remove Phone on the easel' }).click();
    await expect(phone.getByText('did not let this device in, or has ended it')).toBeVisible();
    await context.close();
    network.close();
});

test('a device is refused by keyboard alone, and nobody else gets in with a code that was used', async ({
    page,
    request,
    browser,
}) => {
    const lesson = await makeLesson(request, 'Refused', ['One line.']);
    await openRecord(page, lesson);
    await page.getByRole('button', { name: 'Other devices' }).press('Enter');
    const room = page.getByRole('dialog', { name: 'Other devices' });
    await room.getByRole('button', { name: /Show (a|another) code/ }).press('Enter');
    const code = ((await room.locator('.pairing-code').textContent()) ?? '').replace(/\s/g, '');

    const context = await browser.newContext();
    const stranger = await context.newPage();
    await stranger.goto(`/device?code=${code}`);
    await stranger.getByLabel('Name of this device').fill('the stranger');
    await stranger.getByRole('button', { name: 'Ask to be let in' }).press('Enter');
    await expect(stranger.getByRole('heading', { name: 'Waiting to be let in' })).toBeVisible();
    await room.getByRole('button', { name: 'Refuse' }).press('Enter');
    await expect(stranger.getByText('The room did not let this device in')).toBeVisible();
    await stranger.getByLabel('Code').fill(code);
    await stranger.getByLabel('Code').press('Enter');
    await expect(stranger.getByText('That is not the code that is shown in the room')).toBeVisible();
    await expect(room.getByRole('button', { name: /^Remove .*the stranger/ })).toHaveCount(0);
    await context.close();
});
