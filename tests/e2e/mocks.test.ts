/** A mock is booked, drawn, run before three jurors on their own devices, and what they wrote becomes spots and moves readiness. */
import { type Page, expect, test } from '@playwright/test';
import { Studio, alive, openAudition, step } from './studio';

const studio = new Studio(3405, true);
test.beforeAll(async () => void (await studio.at('2026-11-24T08:00:00Z')));
test.afterAll(() => studio.close());

const button = (page: Page, name: RegExp) => page.getByRole('button', { name });
const PHONE = { width: 390, height: 844 };

test('a mock is run before three jurors, one of them without a line in between, and what they heard comes back', async ({
  page,
  browser
}) => {
  const audition = await openAudition(studio, page, 'Ilka');
  const open = async (address: string, viewport = PHONE) => {
    const context = await browser.newContext({ viewport, locale: 'en-GB', baseURL: studio.origin });
    const other = await context.newPage();
    await other.goto(address);
    await alive(other);
    return other;
  };
  const links: string[] = [];

  await step('booked where it is proposed, with two items drawn by chance', async () => {
    await page.goto(`${studio.origin}${audition}/mocks`);
    await alive(page);
    await page.getByRole('combobox', { name: /^Stage/ }).selectOption('3');
    await page.getByLabel('Day', { exact: true }).fill('2026-11-24');
    await page.getByLabel('Place', { exact: true }).fill('room 2');
    await page.getByLabel('Items heard').fill('2');
    await button(page, /^Book it, and draw$/).click();
    await expect(page.getByRole('heading', { name: 'Next: teacher as panel' })).toBeVisible();
    await expect(page.getByRole('listitem')).toHaveCount(2);
  });

  await step('three jurors have a ballot each', async () => {
    for (const name of ['Marit', 'Jan', 'Lise']) {
      await page.getByLabel('Juror', { exact: true }).fill(name);
      await button(page, /^Make a ballot$/).click();
      const link = page.getByLabel(/^Link to this ballot/);
      await expect(link).not.toHaveValue(links.at(-1) ?? '');
      links.push(await link.inputValue());
    }
    await expect(page.getByText('has a ballot')).toHaveCount(3);
  });

  const jurors = await Promise.all(links.map((link) => open(link)));
  const [marit, jan, lise] = jurors as [Page, Page, Page];
  const stand = await (async () => {
    const context = await browser.newContext({ baseURL: studio.origin, locale: 'en-GB' });
    const other = await context.newPage();
    await other.goto('/sign-in');
    await button(other, /Ilka/).click();
    await other.waitForURL('**/today');
    await other.goto(`${audition}/mocks`);
    await expect(other.getByText('What is drawn is announced when it is played.')).toBeVisible();
    await other.getByRole('link', { name: 'The player’s screen' }).click();
    await expect(other.getByRole('heading', { name: 'Wait for the first item' })).toBeVisible();
    return other;
  })();
  let first = '';

  await step('what is played is announced to all, and of the player the ballots say a number', async () => {
    await page.getByRole('link', { name: 'To the run' }).click();
    await alive(page);
    await button(page, /^begin/).click();
    await expect(page.getByText(/^from bar/)).toBeVisible();
    first = await page.getByRole('heading', { level: 1 }).innerText();
    await expect(stand.getByRole('heading', { name: first })).toBeVisible();
    for (const juror of jurors) {
      await expect(juror.getByRole('heading', { name: first })).toBeVisible();
      expect(await juror.content()).not.toMatch(/Ilka|Verbeeck/);
    }
  });

  const word = (juror: Page, element: string, says: string) =>
    juror.getByRole('group', { name: element, exact: true }).getByRole('button', { name: says }).click();
  await step(
    'words by thumb, a remark by its bars; what is written without a line is sent when there is one',
    async () => {
      await word(marit, 'rhythm', 'not yet');
      await marit.getByRole('group', { name: 'Bars' }).getByRole('button').first().click();
      const note = marit.getByLabel(/^A remark/);
      await note.fill(`${await note.inputValue()}rushes into it`);
      await marit.keyboard.press('Enter');
      await expect(marit.getByText('rushes into it')).toBeVisible();
      await note.fill('rushes');
      await marit.keyboard.press('Enter');
      await expect(marit.getByText(/^Begin with its bars/)).toBeVisible();

      await jan.context().setOffline(true);
      await word(jan, 'rhythm', 'uneven');
      await expect(jan.getByText('kept on this device, not sent yet')).toBeVisible();
      // longer than the page asks how the run stands
      await jan.waitForTimeout(4000);
      await word(jan, 'sound', 'carries');
      await jan.context().setOffline(false);
      await expect(jan.getByText(/^kept on this device, sent/)).toBeVisible();
      await word(lise, 'sound', 'carries');
      await expect(page.getByText('has written')).toHaveCount(3);
    }
  );

  await step(
    'on a second phone a ballot says that it was open elsewhere, and goes on there; and back again',
    async () => {
      const second = await open(links[2]!);
      await expect(second.getByText('it was open on another phone, and goes on here')).toBeVisible();
      await expect(
        second.getByRole('group', { name: 'sound', exact: true }).getByRole('button', { name: 'carries' })
      ).toHaveAttribute('aria-pressed', 'true');
      await expect(lise.getByText(/goes on on another phone; what was written here is there/)).toBeVisible();
      await expect(lise.getByRole('button', { name: 'Keep it' })).toBeDisabled();
      await word(second, 'rhythm', 'uneven');
      await expect(second.getByText(/^kept on this device, sent/)).toBeVisible();
      await button(lise, /^go on here$/).click();
      await expect(
        lise.getByRole('group', { name: 'rhythm', exact: true }).getByRole('button', { name: 'uneven' })
      ).toHaveAttribute('aria-pressed', 'true');
      await expect(second.getByText(/goes on on another phone/)).toBeVisible();
      await second.context().close();
    }
  );

  await step('it goes on where it was after a reload on either side, to its end', async () => {
    await page.reload();
    await expect(page.getByRole('heading', { name: first })).toBeVisible();
    await stand.reload();
    await expect(stand.getByRole('heading', { name: first })).toBeVisible();
    await marit.reload();
    await expect(marit.getByText('rushes into it')).toBeVisible();
    await alive(page);
    await button(page, /^next/).click();
    await expect(page.getByRole('heading', { name: first })).toHaveCount(0);
    await button(page, /^the end/).click();
    await expect(page.getByRole('heading', { name: 'That was all' })).toBeVisible();
    await expect(stand.getByRole('heading', { name: 'Thank you' })).toBeVisible();
  });

  await step('opened, the words stand side by side, and a remark becomes a spot', async () => {
    await page.getByRole('link', { name: /^done/ }).click();
    await button(page, /^Open the ballots$/).click();
    await expect(page.getByRole('row', { name: /^rhythm not yet uneven/ })).toBeVisible();
    await button(page, /^make it a spot$/).click();
    await expect(page.getByText('settled')).toBeVisible();
    await expect(marit.getByText(/nothing more is written/)).toBeVisible();
    await page.goto(`${studio.origin}${audition}/spots`);
    await expect(page.getByText(/rushes into it.*a juror’s/)).toBeVisible();
  });

  await step('readiness knows what the panel heard', async () => {
    await page.goto(`${studio.origin}${audition}/readiness`);
    await expect(page.getByText(/rhythm was “not yet”|practice says too little/).first()).toBeVisible();
  });
  await Promise.all([...jurors, stand].map((one) => one.context().close()));
});
