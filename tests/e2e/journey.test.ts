/**
 * The first hour of a new user: account, candidate by link, an audition with two rounds, six items of which one has two
 * tempos, the week, the plan, a week of logs with a missed day, the plan laid again, the calendar file out.
 * The numbers are worked out by hand in the comments.
 */
import { readFileSync } from 'node:fs';
import { type Page, expect, test } from '@playwright/test';
import ICAL from 'ical.js';
import { Studio, alive, step, signIn } from './studio';

const studio = new Studio(3382);
test.afterAll(() => studio.close());

type NewItem = {
  name: string;
  bars: number;
  target: number;
  metre?: string;
  second?: { from: number; target: number };
};

const ITEMS: NewItem[] = [
  { name: 'Study in reeds', bars: 16, target: 96 },
  { name: 'Two weathers', bars: 16, target: 60, second: { from: 9, target: 120 } },
  { name: 'Gate song', bars: 12, target: 72 },
  { name: 'Ferry excerpt', bars: 8, target: 104 },
  { name: 'Scales in D', bars: 6, target: 80 },
  { name: 'Winter aria', bars: 20, target: 54 }
];

async function addItem(page: Page, item: NewItem) {
  await page.getByRole('link', { name: /Add an item|Add the first item/ }).click();
  await page.waitForURL('**/list/new');
  await alive(page);
  await page.getByLabel('Name', { exact: true }).fill(item.name);
  await page.getByLabel('Composer, or what it is').fill('Quill');
  await page.getByLabel('Last bar').fill(String(item.bars));
  if (item.second) {
    await page.getByLabel('To bar').fill(String(item.second.from - 1));
    await page.getByRole('button', { name: 'Add a section' }).click();
    await page.locator('#section-1-fromBar').fill(String(item.second.from));
    await page.locator('#section-1-toBar').fill(String(item.bars));
    await page.locator('#section-1-targetBpm').fill(String(item.second.target));
  }
  await page.locator('#section-0-targetBpm').fill(String(item.target));
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.waitForURL('**/list');
  await expect(page.getByRole('link', { name: item.name })).toBeVisible();
}

async function logLine(page: Page, line: string) {
  await page.locator('#line').fill(line);
  await page.getByRole('button', { name: 'Log', exact: true }).click();
  await expect(page.getByText('Logged.')).toBeVisible();
  await expect(page.locator('#line')).toHaveValue('');
  await page.reload();
  await alive(page);
}

test('a new teacher gets from an empty studio to a dated plan, and a candidate’s log lays it again', async ({
  browser
}) => {
  await studio.at('2026-11-24T08:00:00Z');
  const teacher = await (await browser.newContext({ baseURL: studio.origin })).newPage();
  let link = '';
  let audition = '';

  await step('the first screen makes the teacher’s account', async () => {
    await teacher.goto('/');
    await expect(teacher).toHaveURL(/new-studio/);
    await alive(teacher);
    await teacher.getByLabel('Your name').fill('Marthe Oldenkott');
    await teacher.getByLabel('Sign-in name').fill('marthe');
    await teacher.getByLabel('Password').fill('short');
    await teacher.getByRole('button', { name: 'Open the studio' }).click();
    await expect(teacher.locator('#password-fault')).toContainText('At least 12 characters');
    await expect(teacher.getByLabel('Your name')).toHaveValue('Marthe Oldenkott');
    await teacher.getByLabel('Password').fill('three quiet herons');
    await teacher.getByRole('button', { name: 'Open the studio' }).click();
    await expect(teacher).toHaveURL(/\/studio$/);
  });

  await step('a candidate is added and gets a one-time link', async () => {
    await alive(teacher);
    await teacher.getByLabel('Name', { exact: true }).fill('Ada Quillon');
    await teacher.getByLabel('Instruments').fill('oboe');
    await teacher.getByLabel('Time zone at home').fill('Europe/Brussels');
    await teacher.getByRole('button', { name: 'Add', exact: true }).click();
    await teacher.waitForURL('**/candidates/*');
    await alive(teacher);
    await teacher.getByRole('button', { name: 'Make a link' }).click();
    link = await teacher.getByLabel('Link for Ada Quillon').inputValue();
    expect(link).toContain('/join/');
  });

  await step(
    'the audition has two rounds; a round in the past and a time the clock skips are said at their fields',
    async () => {
      await teacher.getByRole('link', { name: 'Add an audition' }).click();
      await teacher.waitForURL('**/auditions/new');
      await alive(teacher);
      await teacher.getByLabel('Audition', { exact: true }).fill('Saltmarsh Youth Winds');
      await teacher.locator('#round-0-date').fill('2026-11-01');
      await teacher.getByRole('button', { name: 'Save', exact: true }).click();
      await expect(teacher.locator('#round-0-date-fault')).toContainText('before today');
      await teacher.locator('#round-0-date').fill('2027-03-28');
      await teacher.locator('#round-0-time').fill('02:30');
      await teacher.getByRole('button', { name: 'Save', exact: true }).click();
      await expect(teacher.locator('#round-0-time-fault')).toContainText('the clocks go forward');
      await teacher.locator('#round-0-date').fill('2027-01-09');
      await teacher.locator('#round-0-time').fill('10:40');
      await teacher.getByRole('button', { name: 'Add a round' }).click();
      await teacher.locator('#round-1-date').fill('2027-01-23');
      await teacher.getByRole('button', { name: 'Save', exact: true }).click();
      await teacher.waitForURL(/:\d+\/auditions\/[0-9a-f-]{36}$/);
      audition = new URL(teacher.url()).pathname;
      await expect(teacher.getByText('The list is empty')).toBeVisible();
    }
  );

  await step('six items, one with two tempos; an item whose range is upside down is not taken', async () => {
    await addItem(teacher, ITEMS[0]!);
    await teacher.getByRole('link', { name: 'Add an item' }).click();
    await teacher.waitForURL('**/list/new');
    await alive(teacher);
    await teacher.getByLabel('Name', { exact: true }).fill('Wrong way round');
    await teacher.getByLabel('Last bar').fill('8');
    await teacher.locator('#section-0-tempoKind').selectOption('range');
    await teacher.locator('#section-0-lowBpm').fill('90');
    await teacher.locator('#section-0-highBpm').fill('80');
    await teacher.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(teacher.locator('#section-0-highBpm-fault')).toContainText('upside down: 90 to 80');
    await expect(teacher.getByLabel('Name', { exact: true })).toHaveValue('Wrong way round');
    await teacher.reload();
    await alive(teacher);
    await expect(teacher.getByLabel('Name', { exact: true }), 'a draft survives a reload').toHaveValue(
      'Wrong way round'
    );
    await teacher.getByRole('button', { name: 'Use what is saved instead' }).click();
    await teacher.getByRole('link', { name: 'Back to the list' }).click();
    for (const item of ITEMS.slice(1)) await addItem(teacher, item);
  });

  await step('the week is entered and the plan is dated', async () => {
    await teacher.getByRole('link', { name: 'Time', exact: true }).click();
    await teacher.waitForURL('**/time?from=*');
    await alive(teacher);
    for (const day of ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday']) {
      await teacher.getByRole('button', { name: `Practise on ${day}` }).click();
      await teacher.getByLabel(`minutes, ${day}`).fill('75');
      await teacher.getByLabel(`start, ${day}`).fill('17:00');
    }
    await teacher.getByLabel('Warm-up, minutes').fill('10');
    await teacher.getByLabel('Fundamentals, minutes').fill('5');
    // 75 - 10 - 5 - 5 min of break in the one full hour = 55 a day, five days
    await expect(teacher.getByText('275 min a week for the list')).toBeVisible();
    await teacher.getByRole('button', { name: 'Save and lay the plan again' }).click();
    await teacher.waitForURL((url) => url.pathname === audition);
    await alive(teacher);
    // 24 November to 9 January: 6 + 31 + 9 = 46 days
    await expect(teacher.locator('.days strong').first()).toHaveText('46');
    await expect(teacher.getByText('final 23 Jan')).toBeVisible();
    // half of 96 is 48; from 48 to 96 is one octave of tempo: 16 clicks, 17 rungs
    const row = teacher.locator('article', { hasText: 'Study in reeds' });
    await expect(row.locator('.goal')).toContainText('16 clicks to go');
    await row.getByRole('button', { name: /Study in reeds/ }).click();
    await expect(row.locator('tbody tr')).toHaveCount(17);
    // 16 bars of 4 beats at 48: 64 x 60 / 48 = 80 s; p 0.7, N 3: 6.3848 x (80 + 10) / 60 = 9.58, up to 10, and 2
    await expect(row.locator('tbody tr').first()).toContainText(
      '6.4 attempts × (80 s + 10 s to breathe) ÷ 60, and 2 to begin: 12 min'
    );
    // the item with two tempos shows the section that is farthest; both start at half, so 17 + 17 rungs
    const two = teacher.locator('article', { hasText: 'Two weathers' });
    await two.getByRole('button', { name: /Two weathers/ }).click();
    await expect(two.locator('tbody tr')).toHaveCount(34);
  });

  const candidate = await (await browser.newContext({ baseURL: studio.origin })).newPage();
  await step('the candidate joins by the link and logs the first day', async () => {
    await candidate.goto(link);
    await alive(candidate);
    await candidate.getByLabel('Sign-in name').fill('ada');
    await candidate.getByLabel('Password').fill('seven green boats');
    await candidate.getByRole('button', { name: 'Set password and sign in' }).click();
    await candidate.waitForURL('**/today');
    await candidate.getByRole('link', { name: 'Log', exact: true }).click();
    await candidate.waitForURL('**/log');
    await alive(candidate);
    await candidate.locator('#line').fill('sonata 12m');
    await candidate.getByRole('button', { name: 'Log', exact: true }).click();
    await expect(candidate.locator('#line-fault')).toContainText('no item of the list');
    await logLine(candidate, 'reeds 1-16 20m @60 nccc first day');
    await candidate.goto(audition);
    // 60 to 96: 63 66 69 72 76 80 84 88 92 96, ten clicks
    await expect(candidate.locator('article', { hasText: 'Study in reeds' }).locator('.goal')).toContainText(
      '10 clicks to go'
    );
    await expect(candidate.getByText('log: Study in reeds').first()).toBeVisible();
  });

  await step('the candidate sees nothing of the teacher’s pages', async () => {
    expect((await candidate.goto('/studio'))!.status()).toBe(403);
    expect((await candidate.goto(`${audition}/list/new`))!.status()).toBe(403);
    await candidate.goto(`${audition}/list`);
    await expect(candidate.getByRole('list').getByText('Winter aria')).toBeVisible();
    await expect(candidate.getByRole('link', { name: 'Add an item' })).toHaveCount(0);
  });

  await step('what is typed outlives a session that ends meanwhile', async () => {
    const line = '2026-11-25 reeds 1-16 15m @63 ccc';
    await candidate.goto(`${audition}/log`);
    await alive(candidate);
    await candidate.locator('#line').fill(line);
    await studio.at('2026-12-01T08:00:00Z');
    await candidate.getByRole('button', { name: 'Log', exact: true }).click();
    await signIn(candidate, 'ada', 'seven green boats');
    await expect(candidate).toHaveURL(/\/log$/);
    await expect(candidate.locator('#line')).toHaveValue(line);
    await candidate.getByRole('button', { name: 'Log', exact: true }).click();
    await expect(candidate.getByText('Logged.')).toBeVisible();
  });

  await step('a week later the log has four days, one is missed, and the plan says what moved', async () => {
    await logLine(candidate, '2026-11-26 gate 1-12 15m @40 nccc');
    await logLine(candidate, '2026-11-30 reeds 1-16 15m @66 ncnccc');
    await candidate.goto(audition);
    await alive(candidate);
    // 66 to 96: 69 72 76 80 84 88 92 96
    await expect(candidate.locator('article', { hasText: 'Study in reeds' }).locator('.goal')).toContainText(
      '8 clicks to go'
    );
    await expect(candidate.locator('.days strong').first()).toHaveText('39');
    await candidate.getByRole('link', { name: 'Earlier plans' }).click();
    await candidate.waitForURL('**/layings');
    await alive(candidate);
    const newDay = candidate.locator('li', { hasText: 'a new day' }).first();
    await newDay.locator('summary').click();
    await expect(newDay.getByText('not reached by its date').first()).toBeVisible();
    await candidate.getByRole('link', { name: 'Plan 1', exact: true }).click();
    await expect(candidate.getByText('as it was on 24 November 2026')).toBeVisible();
  });

  await step('the calendar file has the rounds in their zone and an alarm before a day', async () => {
    await candidate.goto(audition);
    const [download] = await Promise.all([
      candidate.waitForEvent('download'),
      candidate.getByRole('link', { name: 'Calendar file', exact: true }).click()
    ]);
    // read by a general-purpose parser (ical.js)
    const calendar = new ICAL.Component(ICAL.parse(readFileSync((await download.path())!, 'utf8')));
    const events = calendar.getAllSubcomponents('vevent');
    const round = events.find(
      (e) => e.getFirstPropertyValue('summary') === 'Saltmarsh Youth Winds: first round'
    )!;
    const start = round.getFirstProperty('dtstart')!;
    expect(start.getParameter('tzid')).toBe('Europe/Brussels');
    expect(String(start.getFirstValue())).toBe('2027-01-09T10:40:00');
    const final = events.find((e) => e.getFirstPropertyValue('summary') === 'Saltmarsh Youth Winds: final')!;
    expect(String(final.getFirstPropertyValue('dtstart'))).toBe('2027-01-23');
    const day = events.find((e) => String(e.getFirstPropertyValue('summary')).startsWith('Practice, '))!;
    // 17:00, after 15 minutes of warm-up and fundamentals
    const firstOfDay = events
      .filter((e) => String(e.getFirstPropertyValue('dtstart')).startsWith('2026-12-02T'))
      .map((e) => String(e.getFirstPropertyValue('dtstart')))
      .sort()[0];
    expect(firstOfDay).toBe('2026-12-02T17:15:00');
    expect(String(day.getFirstSubcomponent('valarm')!.getFirstPropertyValue('trigger'))).toBe('-PT5M');
    expect(new Set(events.map((e) => e.getFirstPropertyValue('uid'))).size).toBe(events.length);
  });
});
