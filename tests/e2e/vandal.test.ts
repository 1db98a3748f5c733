import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { stringify } from 'devalue';
import { expect, test } from '@playwright/test';
import fc from 'fast-check';
import { dice } from '../fixtures/dice';
import { ODD, badInputs } from './bad-inputs';
import { SOUND, NEARLY, nearlySound } from './nearly';
import { Studio } from './studio';
import { ADDRESS_HEADER, type Visitor, enter, pathOf, routesOf } from './visitor';
import { Visitor as Stranger } from './visitor';

const studio = new Studio(4393, true);
test.afterAll(() => studio.close());

/** Some hundred at each form and door; `npm run bench -- vandal` asks for 60,000. */
const TIMES = Number(process.env.IRVOT_VANDAL ?? 8_000);

/** What the studio's log says of errors, so that one that comes but once is known. */
const errorsIn = (data: string) =>
  readFileSync(join(data, 'irvot.log'), 'utf8')
    .split('\n')
    .filter((line) => line.includes('"level":50'))
    .slice(-3)
    .join('\n');

type Ids = { readonly [parameter: string]: readonly string[] };

/** Ids of the studio itself: somebody else's, another kind's, and none at all. */
async function readIds(teacher: Visitor): Promise<Ids> {
  const all = (text: string) => [...new Set(text.match(/[0-9a-f]{8}-[0-9a-f-]{27}/g))];
  const { text } = await teacher.ask('/studio');
  const linked = (kind: string) => [
    ...new Set([...text.matchAll(new RegExp(`/${kind}/([0-9a-f-]{36})`, 'g'))].map((m) => m[1]!))
  ];
  const [candidates, auditions] = [linked('candidates'), linked('auditions')];
  const items = all((await teacher.ask(`/auditions/${auditions[0]}/list`)).text);
  const calls = [...(await teacher.ask('/lists')).text.matchAll(/\/lists\/([0-9a-f-]{36})"/g)].map(
    (m) => m[1]!
  );
  const printed = all((await teacher.ask(`/lists/${calls[0]}`)).text);
  const listens = await Promise.all(auditions.map((id) => teacher.ask(`/auditions/${id}/takes`)));
  const takes = [
    ...new Set(
      listens.flatMap(({ text: page }) => [...page.matchAll(/\/takes\/([0-9a-f-]{36})"/g)].map((m) => m[1]!))
    )
  ];
  expect(takes.length).toBeGreaterThan(1);
  const heard = await Promise.all(auditions.map((id) => teacher.ask(`/auditions/${id}/mocks`)));
  const mocks = heard.flatMap(({ text: page }) =>
    [...page.matchAll(/name="mock" value="([0-9a-f-]{36})"/g)].map((m) => m[1]!)
  );
  expect(mocks.length).toBeGreaterThan(0);
  const evenings = [...text.matchAll(/\/studio\/evening\/([0-9a-f-]{36})/g)].map((m) => m[1]!);
  const { text: seats } = await teacher.ask(`/studio/evening/${evenings[0]}`);
  const jurors = heard.flatMap(({ text: page }) =>
    [...page.matchAll(/name="juror" value="([0-9a-f-]{36})"/g)].map((m) => m[1]!)
  );
  expect(jurors.length).toBeGreaterThan(0);
  const wrong = ['none', '%00', '%0a', '..', 'a'.repeat(300), candidates[0]!];
  return {
    candidate: [...candidates, ...wrong],
    audition: [...auditions, ...wrong],
    item: [...items.slice(0, 8), ...printed, ...wrong],
    call: [...calls, ...wrong],
    take: [...takes, ...wrong],
    mock: [...new Set(mocks), ...wrong],
    juror: [...new Set(jurors), ...wrong],
    evening: [...new Set(evenings), ...all(seats)!.slice(0, 6), ...wrong],
    number: ['1', '0', '-1', '99999999', 'x'],
    token: ['none', 'x.ics', 'a'.repeat(300)]
  };
}

/** Each body that was thought of is sent to ten places. */
const PLACES = 10;
/** So many are on their way at once. */
const LANES = 3;

/** What once stopped the studio or kept it busy for minutes. */
const STOPPERS: [string, (ids: Ids) => { path: string; body: BodyInit; kind?: string }][] = [
  ...[400, 1000, 5000].map((count): [string, (ids: Ids) => { path: string; body: BodyInit }] => [
    `${count} references to one row`,
    ({ audition }) => {
      const flat = [{ rows: 1 }, Array<number>(count).fill(2), { name: 3, composer: 3, metre: 3 }, 'x'];
      return {
        path: `/auditions/${audition![0]}/list/import?/save`,
        body: new URLSearchParams({ __superform_json: JSON.stringify(flat) })
      };
    }
  ]),
  [
    'parts that hold each other twice',
    ({ audition }) => {
      const flat = [{ rows: 1 }, ...Array.from({ length: 60 }, (_, i) => [i + 2, i + 2]), 'x'];
      return {
        path: `/auditions/${audition![0]}/list/import?/save`,
        body: new URLSearchParams({ __superform_json: JSON.stringify(flat) })
      };
    }
  ],
  [
    'a call of 4,000 rounds',
    ({ audition }) => {
      const rounds = Array.from({ length: 4000 }, () => ({ name: 'x', date: 'x', zone: 'x' }));
      const body = new URLSearchParams({ __superform_json: stringify({ name: 'x', rounds }) });
      return { path: `/auditions/${audition![0]}/call?/save`, body };
    }
  ],
  [
    '45,000 file fields at the door',
    () => {
      const part = (i: number) =>
        `--b\r\ncontent-disposition: form-data; name="f${i}"; filename="x"\r\n\r\n\r\n`;
      const body = `${Array.from({ length: 45_000 }, (_, i) => part(i)).join('')}--b--\r\n`;
      return { path: '/sign-in', body, kind: 'multipart/form-data; boundary=b' };
    }
  ],
  [
    'a list of one word and 100 kB of spaces',
    ({ audition }) => ({
      path: `/auditions/${audition![0]}/list/import?/read`,
      body: new URLSearchParams({ text: `half${' '.repeat(100_000)}` })
    })
  ],
  [
    'an erratum of spaces',
    ({ audition }) => {
      const errata = `31${' '.repeat(3900)}a\u2028b`;
      const body = new URLSearchParams({
        __superform_json: stringify({ name: 'x', errata, fromBar: 1, toBar: 40 })
      });
      return { path: `/auditions/${audition![0]}/list/new?/save`, body };
    }
  ],
  [
    'an item saved under a path that is no address',
    ({ item }) => {
      const sound = SOUND['/auditions/[audition]/list/[item]?/save'];
      const body = new URLSearchParams({ __superform_json: stringify(sound) });
      return { path: `/auditions/%0a/list/${item![3]}?/save`, body };
    }
  ]
];

test('what once stopped the studio is refused, whoever sends it, and the next page is answered', async () => {
  test.setTimeout(600_000);
  const origin = await studio.at('2026-11-24T08:00:00Z');
  const teacher = await enter(origin, 'teacher');
  const ids = await readIds(teacher);
  const people = [
    new Stranger('nobody', origin),
    await enter(origin, 'candidate', ids.candidate![0]),
    teacher
  ];
  for (const [name, make] of STOPPERS)
    for (const who of people) {
      const { path, body, kind } = make(ids);
      const { status, text } = await who.send(path, body, kind ? { 'content-type': kind } : {});
      const isRefused = status >= 400 || /"type":"(?:failure|error|redirect)"/.test(text);
      expect([name, who.name, isRefused, status === 500]).toEqual([name, who.name, true, false]);
      expect((await teacher.ask('/lists')).status).toBe(200);
    }
});

test('a form action that every object answers to is no form, whoever asks', async () => {
  const origin = await studio.at('2026-11-24T08:00:00Z');
  const people = [new Stranger('nobody', origin), await enter(origin, 'teacher')];
  const names = [...Object.getOwnPropertyNames(Object.prototype), 'default', 'nowhere'];
  for (const who of people)
    for (const page of ['/sign-in', '/lists', '/account'])
      for (const name of names) {
        const { status } = await who.send(`${page}?/${name}`, new URLSearchParams({ a: 'b' }));
        expect([404, 405], `${who.name} ${page}?/${name}`).toContain(status);
      }
});

test('what is refused before all of it has come is heard by whoever sends it, on a connection that ends with the answer too', async () => {
  const origin = await studio.at('2026-11-24T08:00:00Z');
  const stranger = new Stranger('a stranger', origin);
  const body = 'a'.repeat(20_000_000);
  for (let n = 0; n < 12; n += 1) {
    const { status } = await stranger.ask('/lists/none/import?/save', { method: 'POST', body });
    expect(status).toBeGreaterThanOrEqual(300);
    expect(status).toBeLessThan(500);
  }
});

test('the door keeps its pace, however its address is spelt', async () => {
  const nobody = new Stranger('nobody', await studio.at('2026-11-24T08:00:00Z'));
  const spelt = ['/sign-in', '/%73ign-in', '/sign%2din', '/%73%69gn-in?a=/sign-in'];
  const body = new URLSearchParams({ login: 'nobody' });
  const began = performance.now();
  const all = Array.from({ length: 200 }, (_, i) => nobody.send(spelt[i % spelt.length]!, body));
  const statuses = (await Promise.all(all)).map(({ status }) => status);
  const seconds = (performance.now() - began) / 1000;
  // four at once and four a second for as long as they came, however slow the machine; who would wait longer is told so
  const taken = statuses.filter((status) => status === 200).length;
  expect(taken).toBeGreaterThanOrEqual(4 + 32);
  expect(taken).toBeLessThanOrEqual(4 + 4 * seconds);
  expect(new Set(statuses)).toEqual(new Set([200, 503]));
});

test(`of ${TIMES} bad inputs to every form and every door, none is an error of the studio and none keeps it waiting`, async () => {
  test.setTimeout(3_600_000);
  // from everywhere: what comes from one address is kept waiting at the doors
  const origin = await studio.at('2026-11-24T08:00:00Z', true, { ADDRESS_HEADER });
  const teacher = await enter(origin, 'teacher');
  const ids = await readIds(teacher);
  const candidate = await enter(origin, 'candidate', ids.candidate![0]);
  const asked = routesOf().flatMap((route) =>
    // erasing, putting away and signing out leave nobody to be asked about
    route.actions
      .filter((name) => !['erase', 'archive'].includes(name) && route.path !== '/sign-out')
      .map((name) => ({ route, name }))
  );
  expect(asked.length).toBeGreaterThan(30);
  const isDoor = ({ route }: (typeof asked)[number]) =>
    ['/sign-in', '/new-studio', '/account', '/join/[token]'].includes(route.path);
  const [doors, inside] = [asked.filter(isDoor), asked.filter((one) => !isDoor(one))];
  const large = asked.filter(({ route, name }) => NEARLY.includes(`${route.path}?/${name}`));
  expect(large).toHaveLength(NEARLY.length);
  const everyId = Object.values(ids).flat();
  const people = [teacher, teacher, candidate, new Stranger('nobody', origin)];
  const place = fc.record({
    who: fc.constantFrom(...people),
    // forms that hold much are asked more often, the doors, which let nobody in at once, less
    to: fc.constantFrom(...inside, ...inside, ...large, ...large, ...large, ...large, ...doors),
    at: fc.record({
      candidate: fc.nat(),
      call: fc.nat(),
      take: fc.nat(),
      mock: fc.nat(),
      juror: fc.nat(),
      evening: fc.nat(),
      audition: fc.nat(),
      item: fc.nat(),
      number: fc.nat(),
      token: fc.nat()
    })
  });
  const [seed, numRuns] = [20_261_127, TIMES / PLACES];
  const bodies = fc.sample(badInputs(everyId), { seed, numRuns });
  const roll = dice(seed);
  const odd = [...ODD, ...everyId, null, undefined, -1, 0, 1e9, 2.5, true, [], {}];
  const places = fc.sample(place, { seed, numRuns: TIMES });
  let [taken, refused] = [0, 0];
  const slow: string[] = [];
  /** By the form or door, the last input that was an error of the studio. */
  const faults = new Map<string, string>();
  const send = async (n: number) => {
    const { who, to, at } = places[n]!;
    const form = `${to.route.path}?/${to.name}`;
    // every other time a form of that very place, sound but for a slip
    const sent =
      n % 2 && NEARLY.includes(form)
        ? { body: nearlySound(form, roll, odd), kind: '' }
        : bodies[n % bodies.length]!;
    const parameters = Object.fromEntries(
      Object.entries(ids).map(([name, some]) => [name, some[at[name as keyof typeof at] % some.length]!])
    );
    const path = pathOf(to.route, parameters, to.name);
    const { status, text, ms } = await who.send(
      path,
      sent.body,
      sent.kind ? { 'content-type': sent.kind } : {}
    );
    if (status === 500 || text.includes('Something went wrong'))
      faults.set(form, `${who.name} ${path} ${String(sent.body).slice(0, 400)}`);
    if (ms > 1000) slow.push(`${form} ${Math.round(ms)} ms`);
    if (text.includes('"type":"success"') || /"location":"(?!\/sign-in)/.test(text)) taken += 1;
    else refused += 1;
  };
  const lane = async (from: number) => {
    for (let n = from; n < TIMES; n += LANES) await send(n);
  };
  await Promise.all(Array.from({ length: LANES }, (_, from) => lane(from)));
  console.log(
    `${TIMES} bad inputs: ${taken} taken or led on, ${refused} refused, ${slow.length} took over a second ${slow.join(', ')}`
  );
  expect(Object.fromEntries(faults), errorsIn(studio.data)).toEqual({});
  expect(refused).toBeGreaterThan(TIMES / 2);
  // the studio still stands, page by page
  for (const route of routesOf().filter((r) => r.isRead && !r.path.includes('[token]'))) {
    const path = pathOf(route, {
      candidate: ids.candidate![0]!,
      audition: ids.audition![0]!,
      item: ids.item![0]!,
      take: ids.take![0]!,
      number: '1'
    });
    expect((await teacher.ask(path)).status, path).toBeLessThan(500);
  }
});
