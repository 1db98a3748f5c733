/** A running studio for a browser test: its own data directory, a clock that stands where the test puts it. */
import { cpSync, existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Locator, type Page, expect, test } from '@playwright/test';
import { serve } from '../../scripts/parts/serve.mjs';

/** The demo as it is on the day of the tests, played once for all of them; where it stands goes to every worker by the environment. */
const DEMO_TEMPLATE = process.env.IRVOT_DEMO_TEMPLATE;

export class Studio {
  #data: string | null = null;
  #app: Awaited<ReturnType<typeof serve>> | null = null;

  constructor(
    readonly port: number,
    readonly isDemo = false
  ) {}

  /** Starts, or starts again at a later time with the same data; a demo may go on as a studio that is none. */
  async at(now: string, isDemo = this.isDemo, env: Record<string, string> = {}): Promise<string> {
    await this.stop();
    const isFirst = !existsSync(join(this.data, 'studio.sqlite'));
    if (isDemo && isFirst && DEMO_TEMPLATE) cpSync(DEMO_TEMPLATE, this.data, { recursive: true });
    this.#app = await serve({
      port: this.port,
      data: this.data,
      env: { IRVOT_NOW: now, IRVOT_DEMO: isDemo ? '1' : '', ...env }
    });
    return this.#app.origin;
  }

  /** Made when it is first needed: whoever only reads what tests there are leaves nothing behind. */
  get data(): string {
    return (this.#data ??= mkdtempSync(join(tmpdir(), 'irvot-e2e-')));
  }

  get origin(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async stop(): Promise<void> {
    const app = this.#app;
    this.#app = null;
    // one that has ended by itself says so no second time
    if (!app || app.child.exitCode !== null || app.child.signalCode !== null) return;
    const ended = new Promise((resolve) => app.child.once('exit', resolve));
    app.stop();
    await ended;
  }

  /** Ends it as a machine does that loses its power: nothing is said to it before. */
  kill(): void {
    this.#app?.child.kill('SIGKILL');
    this.#app = null;
  }

  async close(): Promise<void> {
    await this.stop();
    if (this.#data) rmSync(this.#data, { recursive: true, force: true });
    this.#data = null;
  }
}

/** Forms answer once the page is alive, which it says of itself. */
export async function alive(page: Page): Promise<void> {
  await page.locator('html[data-alive]').waitFor({ state: 'attached' });
}

/** Alive, and all that comes later by itself has come. */
export async function settled(page: Page): Promise<void> {
  await alive(page);
  await page.waitForLoadState('networkidle');
}

/** Signs in where a page has led to do so. */
export async function signIn(page: Page, login: string, password: string): Promise<void> {
  await page.waitForURL('**/sign-in*');
  await alive(page);
  await page.getByLabel('Sign-in name').fill(login);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL((url) => url.pathname !== '/sign-in');
  await alive(page);
}

export const step = test.step;

/** Enters the demo as its teacher; returns the path of Ilka's first audition. */
export async function enterDemo(studio: Studio, page: Page): Promise<string> {
  await page.goto(`${studio.origin}/sign-in`);
  await page.getByRole('button', { name: /teacher, the whole studio/ }).click();
  await page.waitForURL('**/studio');
  const row = page.locator('tbody', { hasText: 'Ilka' });
  return (await row.locator('a[href^="/auditions/"]').first().getAttribute('href'))!;
}

/** Enters the demo as its teacher and opens a candidate's first audition; returns its path. */
export async function openAudition(studio: Studio, page: Page, who: string): Promise<string> {
  await page.goto(`${studio.origin}/sign-in`);
  await page.getByRole('button', { name: /teacher, the whole studio/ }).click();
  await page.waitForURL('**/studio');
  const row = page.locator('tbody', { hasText: who });
  const audition = (await row.locator('a[href^="/auditions/"]').first().getAttribute('href'))!;
  await page.goto(studio.origin + audition);
  await alive(page);
  return audition;
}

/** The first screen of an empty studio, filled in. */
export async function openStudio(page: Page, name: string) {
  await page.goto('/');
  await alive(page);
  await page.getByLabel('Your name').fill(name);
  await page.getByLabel('Sign-in name').fill('teacher');
  await page.getByLabel('Password').fill('three quiet herons');
  await page.getByRole('button', { name: 'Open the studio' }).click();
  await page.waitForURL('**/studio');
}

/** A candidate with so many minutes on these weekdays; where their page is. */
export async function addCandidate(
  page: Page,
  name: string,
  weekdays: readonly string[] = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Saturday'],
  minutes = 75
): Promise<string> {
  await page.goto('/studio');
  await alive(page);
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByLabel('Instruments').fill('oboe');
  await page.getByLabel('Time zone at home').fill('Europe/Brussels');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.waitForURL('**/candidates/*');
  const address = new URL(page.url()).pathname;
  await page.goto(`${address}/time`);
  await alive(page);
  for (const day of weekdays) {
    await page.getByRole('button', { name: `Practise on ${day}` }).click();
    await page.getByLabel(`minutes, ${day}`).fill(String(minutes));
  }
  await page.getByRole('button', { name: 'Save and lay the plan again' }).click();
  await page.waitForURL((url) => url.pathname === address);
  return address;
}

/** Puts starts from any bar of the first item of the page of readiness on the next day, whatever is next there. */
export async function askStarts(page: Page, season: string): Promise<void> {
  await page.goto(`${season}/readiness`);
  const href = (await page.locator('tbody th a').first().getAttribute('href'))!;
  const itemId = new URL(href, page.url()).searchParams.get('item')!;
  const sent = await page.request.post(`${season}/readiness?/ask`, {
    form: { itemId, as: 'any-bar', isWanted: '1' },
    headers: { origin: new URL(season).origin }
  });
  expect(sent.ok()).toBe(true);
}

/** On Today, adds a block of an item, or of what is of none. */
export async function addBlock(page: Page, name: RegExp): Promise<void> {
  const choice = page.getByLabel('Item to add');
  const option = choice.locator('option').filter({ hasText: name }).first();
  await choice.selectOption(await option.getAttribute('value'));
  await page.getByRole('button', { name: /^Add \d+ minutes/ }).click();
}

/** At the desk, leaves blocks until what is looked for is there; one that is just giving way is waited for. */
export async function leaveBlocksUntil(page: Page, there: Locator): Promise<void> {
  const isSeen = (what: Locator, timeout: number) =>
    what.waitFor({ timeout }).then(
      () => true,
      () => false
    );
  const onward = page.locator('.ways').getByRole('button', { name: /^(next|done)/ });
  const leave = page.locator('footer').getByRole('button', { name: 'next', exact: true });
  for (let n = 0; n < 30; n += 1) {
    // what was asked for just before may come first; a block ends once, however often it is asked
    await expect(async () => {
      if (await onward.isVisible()) await onward.click({ timeout: 5000 });
      await expect(onward).toBeHidden({ timeout: 2000 });
    }).toPass();
    if (await isSeen(there, 1500)) return;
    await page.keyboard.press('e');
    // a run has no key for it
    if (!(await isSeen(onward, 1500)) && (await leave.isVisible())) await leave.click();
  }
  await expect(there).toBeVisible();
}
