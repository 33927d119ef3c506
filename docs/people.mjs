// Takes the pictures of a course and a lesson in which several people take part, from a running demo where people sign in (REEL_MODE=people):
//   node docs/people.mjs http://127.0.0.1:8020 PASSWORD PASSWORD PASSWORD
// of wenna, piran and jory @saltmarsh.example, whom bin/reel user add has named in this order.
import { chromium } from '@playwright/test';
import { fileURLToPath } from 'node:url';

const [base, ...passwords] = process.argv.slice(2);
const out = fileURLToPath(new URL('screenshots/', import.meta.url));
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const people = [];
for (const [n, name] of ['wenna', 'piran', 'jory'].entries()) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, extraHTTPHeaders: { 'X-Open-Reel': '1' } });
    const page = await context.newPage();
    await page.goto(`${base}/sign-in`);
    await page.getByLabel('E-mail').fill(`${name}@saltmarsh.example`);
    await page.getByLabel('Password').fill(passwords[n]);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.waitForURL(`${base}/`);
    people.push(page);
}
const [wenna, piran, jory] = people;
const ask = async (page, method, path, data) => (await page.request[method](`${base}/api/${path}`, { data })).json();
const shot = async (page, name) => {
    await page.waitForTimeout(1500);
    await page.screenshot({ path: `${out}${name}.png` });
};
const { id, course_id: course } = (await ask(wenna, 'get', 'lessons')).find((one) => one.title === 'How to read a tide table');
for (const [place, name, role] of [[`courses/${course}`, 'piran', 'presenter'], [`lessons/${id}`, 'jory', 'reviewer']]) {
    await ask(wenna, 'post', `${place}/members`, { email: `${name}@saltmarsh.example`, role });
}
await ask(wenna, 'post', `courses/${course}/invitations`, { role: 'editor' });
const takes = (await ask(piran, 'get', `lessons/${id}`)).sections.flatMap((one) => one.takes);
for (const verdict of ['discarded', 'kept']) {
    await ask(piran, 'patch', `takes/${takes.find((take) => take.verdict === 'kept').id}`, { verdict });
}
const film = await ask(wenna, 'post', `lessons/${id}/exports`, {});
while ((await ask(wenna, 'get', `exports/${film.id}`)).state !== 'done') {
    await wenna.waitForTimeout(1000);
}
const { draft } = await ask(wenna, 'post', `lessons/${id}/draft`, {});
await jory.request.post(`${base}${draft.path}/comments`, { data: { name: 'Jory Rowse', text: 'You say 4.8 here, the slide says 4.6.', at_ms: 70_000 } });
await ask(jory, 'post', `lessons/${id}/approvals`, { version: 1 });
await piran.goto(`${base}/lessons/${id}/script`);
await wenna.goto(`${base}/lessons/${id}/people`);
await wenna.getByText('is in Script').waitFor();
await shot(wenna, 'history');
await wenna.goto(`${base}/courses/${course}/people`);
await wenna.getByRole('heading', { name: 'Who takes part' }).waitFor();
await shot(wenna, 'people');
await jory.goto(`${base}${draft.path}#t=70`);
await jory.locator('.line[aria-current]').waitFor();
await shot(jory, 'draft');
await browser.close();
console.log(`${takes.length} takes`);
