/** The day of a round on a phone, at three times of that day, and how it is set. */
import { expect, test } from '@playwright/test';
import { Studio, alive, step } from './studio';

const studio = new Studio(3407, true);
test.afterAll(() => studio.close());
test.use({ viewport: { width: 390, height: 844 } });

test('the day hangs from the slot, and says where it is by now', async ({ page }) => {
  await studio.at('2026-11-24T08:00:00Z');
  const enter = async () => {
    await page.goto(`${studio.origin}/sign-in`);
    await page.getByRole('button', { name: /Noor/ }).click();
    await page.waitForURL('**/today');
  };
  await enter();
  const day = new URL(page.url()).pathname.replace('/today', '/day');
  const going = page.locator('[aria-current="time"]');

  await step(
    'reached from the round in the head, on every page; nothing of it goes on before its day',
    async () => {
      await page.getByRole('link', { name: /^entrance Sun 6 Dec/ }).click();
      await page.waitForURL(`**${day}`);
      await alive(page);
      await expect(page.getByRole('heading', { name: 'Sun 6 Dec' })).toBeVisible();
      await expect(page.getByText('leave train 9:02; 12 min spare')).toBeVisible();
      await expect(going).toHaveCount(0);
    }
  );

  await step(
    'a length that is no number is said at its place, and nothing that was typed is gone',
    async () => {
      await page.getByLabel(/^Minutes from door to door/).fill('an hour');
      await page.getByLabel('To think of: eat').fill('porridge');
      await page.getByRole('button', { name: 'Save', exact: true }).click();
      await expect(page.getByRole('alert')).toHaveText('Minutes are a number.');
      await expect(page.getByLabel('To think of: eat')).toHaveValue('porridge');
      await page.getByLabel(/^Minutes from door to door/).fill('60');
      await page.getByRole('button', { name: 'Save', exact: true }).click();
      await expect(page.getByText('The day is set.')).toBeVisible();
      // by hand: 11:20 less 18, 40, 20 and 15 min, an hour and its quarter
      await expect(page.locator('li', { hasText: 'leave' })).toContainText('08:32');
      await expect(page.getByText('eat porridge')).toBeVisible();
    }
  );

  await step('a tempo is tapped, and its beats are seen', async () => {
    const tempo = page.getByRole('button', { name: /^One bar of Concertino/ });
    const before = await tempo.innerText();
    await tempo.click();
    await expect(tempo).toHaveText('1');
    await expect(tempo).toHaveText(before);
  });

  for (const [now, name] of [
    ['05:30', null],
    ['07:45', 'leave'],
    ['10:10', 'silent'],
    ['10:25', null]
  ] as const)
    await step(`at ${now} UTC`, async () => {
      await studio.at(`2026-12-06T${now}:00Z`);
      // who was in the demo twelve days before enters it anew
      if (now === '05:30') await enter();
      await page.goto(studio.origin + day);
      await expect(page.getByText('0 days to go')).toBeVisible();
      if (name === null) await expect(going).toHaveCount(0);
      else await expect(going).toContainText(name);
      await expect(page.getByText('now, ')).toHaveCount(name === null ? 0 : 1);
      await expect(page.getByRole('heading', { name: 'How it went' })).toHaveCount(now === '10:25' ? 1 : 0);
    });

  await step(
    'afterwards it is told what was asked and how it went, and found again when the round is behind',
    async () => {
      await alive(page);
      await page.getByRole('combobox', { name: 'Concertino, exposition' }).selectOption('uneven');
      await page.getByLabel(/^The result/).fill('Heard again in May.');
      await page.getByRole('button', { name: 'Save how it went' }).click();
      await expect(page.getByText('It is kept.')).toBeVisible();
      await studio.at('2026-12-08T08:00:00Z');
      await page.goto(studio.origin + day);
      await expect(page.getByLabel(/^The result/)).toHaveValue('Heard again in May.');
      await expect(page.getByRole('combobox', { name: 'Concertino, exposition' })).toHaveValue('uneven');
    }
  );
});
