/** What the server sends is valid HTML, as html-validate's standard rules have it, and every screen has a title and one h1. */
import { type APIRequestContext, expect, test } from '@playwright/test';
import { HtmlValidate } from 'html-validate';
import { Studio } from './studio';

const studio = new Studio(3386, true);
test.beforeAll(() => studio.at('2026-11-24T08:30:00Z').then(() => undefined));
test.afterAll(() => studio.close());

const validator = new HtmlValidate({
  extends: ['html-validate:standard'],
  rules: {
    // how the server writes its pages: comments, attribute styles and self-closing as Svelte prints them
    'no-inline-style': 'off',
    'no-trailing-whitespace': 'off',
    'void-style': 'off',
    'attribute-boolean-style': 'off',
    'attribute-empty-style': 'off',
    'doctype-style': 'off',
    'long-title': 'off',
    'no-implicit-button-type': 'off',
    'prefer-native-element': 'off',
    'require-sri': 'off',
    'no-raw-characters': 'off'
  }
});

async function faultsOf(request: APIRequestContext, path: string): Promise<string[]> {
  const response = await request.get(studio.origin + path);
  expect(response.status(), path).toBe(200);
  const html = await response.text();
  const { results } = await validator.validateString(html);
  const faults = results.flatMap((r) =>
    r.messages.map((m) => `${path}: ${m.ruleId} ${m.message} (${m.selector ?? ''})`)
  );
  const title = /<title>([^<]+)<\/title>/.exec(html)?.[1] ?? '';
  const heads = html.match(/<h1[ >]/g) ?? [];
  if (title === '') faults.push(`${path}: no title`);
  if (heads.length !== 1) faults.push(`${path}: ${heads.length} h1`);
  return faults;
}

test('every screen is sent as valid HTML', async ({ page }) => {
  await page.goto(`${studio.origin}/sign-in`);
  const faults = await faultsOf(page.request, '/sign-in');
  await page.getByRole('button', { name: /teacher, the whole studio/ }).click();
  await page.waitForURL('**/studio');
  const row = page.locator('tbody', { hasText: 'Ilka' });
  const audition = (await row.locator('a[href^="/auditions/"]').first().getAttribute('href'))!;
  const candidate = (await row.locator('a[href^="/candidates/"]').first().getAttribute('href'))!;
  await page.goto(`${studio.origin}${audition}/list`);
  const item = (await page.getByRole('link', { name: /Lanterns/ }).getAttribute('href'))!;
  const takes = await (await page.request.get(`${studio.origin}${audition}/takes`)).text();
  const take = /"(\/takes\/[0-9a-f-]{36})"/.exec(takes)![1]!;
  const studioPage = await (await page.request.get(`${studio.origin}/studio`)).text();
  const evening = /"(\/studio\/evening\/[0-9a-f-]{36})"/.exec(studioPage)![1]!;
  const mock = /"(\/mocks\/[0-9a-f-]{36})\/panel"/.exec(studioPage)![1]!;
  const jurors = await (await page.request.get(`${studio.origin}${mock}/now`)).text();
  const juror = /"jurors":\[\{"id":"([0-9a-f-]{36})"/.exec(jurors)![1]!;
  const paths = [
    take,
    '/studio/evening',
    evening,
    `${evening}/paper`,
    ...['/panel', '/stand', '/paper', `/write/${juror}`].map((p) => mock + p),
    '/studio',
    '/studio/notes',
    '/studio/piano',
    '/studio/archive',
    '/lists',
    candidate,
    `${candidate}/time`,
    `${candidate}/auditions/new`,
    item,
    ...[
      '',
      '/lesson',
      '/what-if',
      '/list',
      '/list/new',
      '/list/import',
      '/list/holds',
      '/today',
      '/spots',
      '/takes',
      '/mocks',
      '/mocks/write-in',
      '/desk',
      '/log',
      '/readiness',
      '/day',
      '/around',
      '/pre-screening',
      '/call',
      '/layings'
    ].map((p) => audition + p),
    ...[
      '/layings/1',
      '/layings/compare?a=1&b=2',
      '/paper/week',
      '/paper/wall',
      '/paper/note',
      '/paper/piano'
    ].map((p) => audition + p)
  ];
  for (const path of paths) faults.push(...(await faultsOf(page.request, path)));
  expect(faults).toEqual([]);
});
