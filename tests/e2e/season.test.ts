/**
 * A season of a studio: one list taken by three candidates, an erratum that reaches all, an audition that moves a week, a
 * fortnight away, a lesson with its decisions and their way back, and the whole studio taken to another one.
 */
import { type Page, expect, test } from '@playwright/test';
import { Studio, addCandidate, alive, openStudio, signIn, step } from './studio';

const studio = new Studio(3387);
const other = new Studio(3388);
test.afterAll(() => Promise.all([studio.close(), other.close()]));

const days = (page: Page) => page.locator('.days strong').first();

test('one list serves three candidates through a season, and goes along to another studio', async ({
  browser
}) => {
  test.setTimeout(240_000);
  await studio.at('2026-11-24T08:00:00Z');
  const page = await (await browser.newContext({ baseURL: studio.origin, acceptDownloads: true })).newPage();
  const names = ['Ada Quillon', 'Bo Marrens', 'Cy Okkerse'];
  const auditions: string[] = [];

  await step('the first candidate’s audition has a list pasted as text and looked over', async () => {
    await openStudio(page, 'Marthe Oldenkott');
    const address = await addCandidate(page, names[0]!);
    await page.goto(`${address}/auditions/new`);
    await alive(page);
    await page.getByLabel('Audition', { exact: true }).fill('Saltmarsh Youth Winds');
    await page.locator('#round-0-date').fill('2027-01-30');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await page.waitForURL(/\/auditions\/[0-9a-f-]{36}$/);
    auditions.push(new URL(page.url()).pathname);
    await page.goto(`${auditions[0]}/list/import`);
    await alive(page);
    await page
      .locator('#text')
      .fill('Study in reeds, Quill, bars 1-16, quarter 96\nGate song, Varnholt, quarter 72');
    await page.getByRole('button', { name: 'Read it' }).click();
    await expect(page.getByText('One row still lacks something.')).toBeVisible();
    await page.getByRole('button', { name: 'Add these 2 items' }).click();
    await expect(page.getByRole('alert').filter({ hasText: 'Row 2: Which bars?' })).toBeVisible();
    await page.getByLabel('From bar, row 2').fill('1');
    await page.getByLabel('To bar, row 2').fill('12');
    await page.getByRole('button', { name: 'Add these 2 items' }).click();
    await page.waitForURL('**/list/holds');
    await page.getByRole('link', { name: 'Back to the list' }).click();
    await expect(page.getByRole('link', { name: 'Gate song' })).toBeVisible();
  });

  await step('two more take the same list', async () => {
    for (const name of names.slice(1)) {
      const address = await addCandidate(page, name);
      await page.goto(`${address}/auditions/new`);
      await alive(page);
      await page.getByRole('button', { name: 'Take Saltmarsh Youth Winds' }).click();
      await page.waitForURL(/\/auditions\/[0-9a-f-]{36}$/);
      auditions.push(new URL(page.url()).pathname);
      // 24 November to 30 January: 6 + 31 + 30
      await expect(days(page)).toHaveText('67');
    }
    await page.goto('/lists');
    for (const name of names) await expect(page.getByRole('link', { name })).toBeVisible();
  });

  await step(
    'an erratum entered for one is seen by all three, and is asked for in the groundwork',
    async () => {
      await page.goto(`${auditions[1]}/list`);
      await page.getByRole('link', { name: 'Study in reeds' }).click();
      await page.waitForURL('**/list/*');
      await alive(page);
      await expect(page.getByText(/are shared with/)).toContainText('Ada Quillon, Cy Okkerse');
      await page.getByText(/^What is printed/).click();
      await page.getByLabel('Errata, one a line').fill('99: x');
      await page.getByRole('button', { name: 'Save', exact: true }).click();
      await expect(page.locator('#errata-fault')).toContainText('Bar 99 lies outside the item');
      await page.getByLabel('Errata, one a line').fill('7: B flat');
      await page.getByRole('button', { name: 'Save', exact: true }).click();
      await page.waitForURL(/\/list\?undo=/);
      for (const audition of auditions) {
        await page.goto(`${audition}/list`);
        await expect(page.getByText('bar 7: B flat')).toBeVisible();
        await expect(page.getByText('1 to enter')).toBeVisible();
      }
    }
  );

  await step(
    'a section is made by keyboard on the bar strip, for one candidate alone, and taken back',
    async () => {
      await page.goto(`${auditions[2]}/list`);
      await page.getByRole('link', { name: 'Study in reeds' }).click();
      await page.waitForURL('**/list/*');
      await alive(page);
      await page.getByLabel('Cy Okkerse’s own').check();
      const strip = page.getByRole('slider');
      await strip.focus();
      await page.keyboard.press('End');
      for (let i = 0; i < 3; i += 1) await page.keyboard.press('Shift+ArrowLeft');
      await page.getByRole('button', { name: 'Make bars 13–16 a section' }).click();
      await page.locator('#section-1-targetBpm').fill('80');
      await page.getByRole('button', { name: 'Save', exact: true }).click();
      await page.waitForURL(/\/list\?undo=/);
      await expect(page.getByText('own tempos')).toBeVisible();
      await page.getByRole('button', { name: 'Take it back' }).click();
      await page.waitForURL('**/list');
      await expect(page.getByText('own tempos')).toHaveCount(0);
    }
  );

  await step('the audition moves a week: what it would change is shown, then saved for all', async () => {
    await page.goto(`${auditions[0]}/call`);
    await alive(page);
    await page.locator('#round-0-date').fill('2027-02-06');
    await page.getByRole('button', { name: 'Show first what it would change' }).click();
    const preview = page.getByRole('status').filter({ hasText: 'What it would change' });
    await expect(preview.locator('tbody tr')).toHaveCount(3);
    await expect(preview.locator('tbody tr').first()).toContainText('67 → 74');
    const again = await (await page.context().newPage()).goto(auditions[1]!);
    expect(await again!.text()).toContain('67');
    await page.getByRole('button', { name: 'Save and lay the plan again' }).click();
    await page.waitForURL((url) => url.pathname === auditions[0]);
    for (const audition of auditions) {
      await page.goto(audition);
      await expect(days(page)).toHaveText('74');
    }
  });

  await step(
    'the cuts are out: picked on the bar strip, shown for all, then saved and taken back',
    async () => {
      await page.goto(`${auditions[0]}/list`);
      await page.getByRole('link', { name: 'Study in reeds' }).click();
      await page.waitForURL('**/list/*');
      await alive(page);
      await page.getByPlaceholder('37-41').fill('5-8');
      await page.getByPlaceholder('37-41').press('Enter');
      await page.getByRole('button', { name: 'Bars 5–8 will be heard' }).click();
      await page.getByRole('button', { name: 'Show first what it would change' }).click();
      const preview = page.getByRole('status').filter({ hasText: 'What it would change' });
      await expect(preview.locator('tbody tr')).toHaveCount(3);
      for (const row of await preview.locator('tbody tr').allTextContents()) {
        const [, before, after] = /(\d+) → (\d+).*? → /.exec(row.replace(/\d+ → \d+/, ''))!;
        expect(Number(after)).toBeLessThan(Number(before));
      }
      await page.getByRole('button', { name: 'Save', exact: true }).click();
      await page.waitForURL(/\/list\?undo=/);
      await page.goto(auditions[2]!);
      await alive(page);
      await page
        .getByRole('button', { name: /Study in reeds/ })
        .first()
        .click();
      await expect(page.getByText('bars 5–8: no evidence for bars 5–8')).toBeVisible();
      await page.goBack();
      await page.getByRole('button', { name: 'Take it back' }).click();
      await page.waitForURL('**/list');
      await page.goto(auditions[2]!);
      await alive(page);
      await page
        .getByRole('button', { name: /Study in reeds/ })
        .first()
        .click();
      await expect(page.getByText('bars 1–16: no evidence for bars 1–16')).toBeVisible();
    }
  );

  await step(
    'a candidate’s own slot and own mock are saved with the call, and taken back as one',
    async () => {
      const call = `${auditions[2]}/call`;
      await page.goto(call);
      await alive(page);
      await page.getByLabel('Day', { exact: true }).fill('2027-02-04');
      await page.getByRole('button', { name: 'Add a mock' }).click();
      await page.locator('#own-0-date').fill('2027-01-31');
      await page.getByRole('button', { name: 'Save and lay the plan again' }).click();
      await expect(days(page)).toHaveText('72');
      await page.getByRole('button', { name: 'Take it back' }).click();
      await expect(days(page)).not.toHaveText('72');
      await page.goto(call);
      await alive(page);
      await expect(page.getByLabel('Day', { exact: true })).toHaveValue('');
      await expect(page.locator('#own-0-date')).toHaveCount(0);
    }
  );

  await step('a fortnight away is one entry, with a light week after it, and can be taken back', async () => {
    await page.goto(auditions[1]!);
    await alive(page);
    const dated = () =>
      page.locator('article', { hasText: 'Study in reeds' }).getByRole('button', { name: /Study in reeds/ });
    await page.getByText('Away for some days').click();
    await page.locator('input[name=from]').fill('2026-12-14');
    await page.locator('input[name=to]').fill('2026-12-01');
    await page.getByRole('button', { name: 'Lay the plan around it' }).click();
    await expect(page.getByText('The dates are upside down')).toBeVisible();
    await page.locator('input[name=from]').fill('2026-12-01');
    await page.locator('input[name=to]').fill('2026-12-14');
    await page.getByRole('button', { name: 'Lay the plan around it' }).click();
    await expect(page.getByText('Away Tue 1 Dec to Mon 14 Dec.', { exact: true })).toBeVisible();
    await expect(page.getByText('the first week has 60 % of its minutes')).toBeVisible();
    await page.getByRole('button', { name: 'Take it back' }).click();
    await expect(page.getByText('Away Tue 1 Dec to Mon 14 Dec.', { exact: true })).toHaveCount(0);
    await expect(dated()).toBeVisible();
  });

  await step(
    'a week later the lesson shows what was played, and decisions are made and taken back',
    async () => {
      await page.goto(`${auditions[0]}/log`);
      await alive(page);
      await page.locator('#line').fill('reeds 1-16 20m @60 nccc');
      await page.getByRole('button', { name: 'Log', exact: true }).click();
      await expect(page.getByText('Logged.')).toBeVisible();
      await studio.at('2026-12-01T08:00:00Z');
      await page.goto(`${auditions[0]}/lesson`);
      await signIn(page, 'teacher', 'three quiet herons');
      await alive(page);
      await expect(page.getByText('Since Tue 24 Nov')).toContainText('played on 1 of 7 days, 20 minutes');
      const target = page.getByLabel('Target of Study in reeds, bars 1 to 16');
      await target.fill('900');
      await target.blur();
      await expect(page.getByRole('alert')).toContainText('No click says quarter 900');
      await page.reload();
      await alive(page);
      await target.fill('88');
      await target.blur();
      await expect(page.getByText('The target is now 88.')).toBeVisible();
      await page.getByRole('button', { name: 'Take it back' }).click();
      await expect(target).toHaveValue('96');
      await page.getByRole('button', { name: 'Gate song up' }).click();
      await expect(page.locator('tbody tr').first()).toContainText('Gate song');
      await page.getByLabel('Minutes on Thu 3 Dec').fill('20');
      await page.getByRole('button', { name: 'Agree on these' }).click();
      await expect(page.getByText('The minutes of next week are changed.')).toBeVisible();
      await page.getByLabel('Note to take home').fill('Slow, with the page.');
      await page.getByRole('button', { name: 'Save the note' }).click();
      await expect(page.getByText('The note is saved')).toBeVisible();
      await page.goto(`${auditions[0]}/paper/note`);
      await expect(page.getByText('Slow, with the page.')).toBeVisible();
    }
  );

  await step('the calendar address answers whoever has it, until it is ended', async () => {
    await page.goto(auditions[0]!);
    await alive(page);
    await page.getByText('Calendar address that keeps itself up to date').click();
    await page.getByRole('button', { name: 'Make an address' }).click();
    const address = await page.locator('#feed').inputValue();
    const anyone = await browser.newContext();
    expect(await (await anyone.request.get(address, { maxRetries: 2 })).text()).toContain(
      'Saltmarsh Youth Winds: first round'
    );
    await page.getByRole('button', { name: 'End the address' }).click();
    await expect(page.getByText('There is none yet.')).toBeVisible();
    expect((await anyone.request.get(address, { maxRetries: 2 })).status()).toBe(410);
  });

  await step(
    'the studio goes out as an archive and into another one, where the plans are the same',
    async () => {
      await page.goto('/studio/archive');
      await alive(page);
      const [download] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('link', { name: 'The whole studio, as a file' }).click()
      ]);
      const file = await download.path();
      await other.at('2026-12-01T08:00:00Z');
      const there = await (await browser.newContext({ baseURL: other.origin })).newPage();
      await openStudio(there, 'Joos Hallewijn');
      await there.goto('/studio/archive');
      await alive(there);
      await there
        .getByLabel('File')
        .setInputFiles({ name: 'x.zip', mimeType: 'application/zip', buffer: Buffer.from('no zip') });
      await there.getByRole('button', { name: 'Take it in' }).click();
      await expect(there.getByRole('alert')).toContainText('It is no zip file');
      await there.getByLabel('File').setInputFiles(file);
      await there.getByRole('button', { name: 'Take it in' }).click();
      await expect(there.getByRole('status')).toContainText('Taken in: Ada Quillon, Bo Marrens, Cy Okkerse');
      const stairs = async (on: Page, audition: string) => {
        await on.goto(audition);
        await alive(on);
        await on
          .getByRole('button', { name: /Study in reeds/ })
          .first()
          .click();
        return on.locator('article', { hasText: 'Study in reeds' }).locator('tbody').innerText();
      };
      for (const audition of auditions)
        expect(await stairs(there, audition)).toBe(await stairs(page, audition));
    }
  );

  await step('who leaves is erased only with the name typed', async () => {
    await page.goto('/studio');
    await page.getByRole('link', { name: 'Cy Okkerse' }).first().click();
    await page.waitForURL('**/candidates/*');
    await alive(page);
    await page.getByText('Erase for good').click();
    await page.locator('#typed').fill('Cy');
    await page.getByRole('button', { name: 'Erase', exact: true }).click();
    await expect(page.getByRole('alert')).toContainText('nothing was erased');
    await page.locator('#typed').fill('Cy Okkerse');
    await page.getByRole('button', { name: 'Erase', exact: true }).click();
    await page.waitForURL('**/studio');
    await expect(page.getByRole('link', { name: 'Cy Okkerse' })).toHaveCount(0);
    expect((await page.goto(auditions[2]!))!.status()).toBe(404);
  });
});
