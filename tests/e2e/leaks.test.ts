import { readFileSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { strFromU8, unzipSync } from 'fflate';
import { Studio } from './studio';
import { type Answer, Visitor, enter, pathOf, routesOf } from './visitor';

const studio = new Studio(4391, true);
test.afterAll(() => studio.close());

type Person = {
  name: string;
  candidateId: string;
  auditions: string[];
  items: string[];
  takes: string[];
  mocks: string[];
  visitor: Visitor;
};

/** Everybody of the demo: who they are, what is theirs, and their own way in. */
async function everybody(origin: string): Promise<{ teacher: Visitor; people: Person[] }> {
  const teacher = await enter(origin, 'teacher');
  const { text } = await teacher.ask('/studio/__data.json');
  const ids = [...new Set(text.match(/[0-9a-f]{8}-[0-9a-f-]{27}/g))];
  const people: Person[] = [];
  for (const candidateId of ids) {
    const page = await teacher.ask(`/candidates/${candidateId}`);
    if (page.status !== 200) continue;
    const name = /<h1[^>]*>(?:<!--[^>]*-->)*<bdi>([^<]+)<\/bdi>/.exec(page.text)![1]!;
    const auditions = [
      ...new Set([...page.text.matchAll(/href="\/auditions\/([0-9a-f-]{36})"/g)].map((m) => m[1]!))
    ];
    const items: string[] = [];
    const takes: string[] = [];
    const mocks: string[] = [];
    for (const audition of auditions) {
      const list = await teacher.ask(`/auditions/${audition}/list`);
      const listen = await teacher.ask(`/auditions/${audition}/takes`);
      takes.push(...[...listen.text.matchAll(/\/takes\/([0-9a-f-]{36})"/g)].map((m) => m[1]!));
      const heard = await teacher.ask(`/auditions/${audition}/mocks`);
      mocks.push(...[...heard.text.matchAll(/\/mocks\/([0-9a-f-]{36})\//g)].map((m) => m[1]!));
      items.push(...[...list.text.matchAll(/\/list\/([0-9a-f-]{36})/g)].map((m) => m[1]!));
    }
    const visitor = await enter(origin, name, candidateId);
    people.push({ name, candidateId, auditions, items: [...new Set(items)], takes, mocks, visitor });
  }
  return { teacher, people };
}

/** What an answer says: where it is a zip, the names and texts of its files. */
function readable({ text, headers }: Answer): string {
  if (headers.get('content-type') !== 'application/zip') return text;
  const files = Object.entries(unzipSync(Buffer.from(text, 'latin1')));
  return files.map(([name, bytes]) => name + strFromU8(bytes, true)).join(' ');
}

/** What stands around it, for finding where it came from. */
function around(text: string, part = ''): string {
  const at = text.indexOf(part);
  return part === '' ? '' : text.slice(Math.max(0, at - 200), at + 100);
}

test('nobody reads another person’s name or ids, in any byte of any answer', async () => {
  // longer than it takes, however busy the machine
  test.setTimeout(1_200_000);
  const origin = await studio.at('2026-11-24T08:00:00Z');
  const { people } = await everybody(origin);
  expect(people.length).toBeGreaterThan(4);
  expect(people.flatMap((p) => p.items).length).toBeGreaterThan(20);
  expect(people.flatMap((p) => p.takes).length).toBeGreaterThan(1);
  expect(people.flatMap((p) => p.mocks).length).toBeGreaterThan(0);
  // in a real studio nobody is entered by a click, and the door names nobody
  await studio.at('2026-11-24T08:00:01Z', false);
  const reads = routesOf().filter((route) => route.isRead);
  expect(reads.length).toBeGreaterThan(25);
  const nobody = new Visitor('nobody', origin);
  let answers = 0;
  for (const visitor of [nobody, ...people.map((p) => p.visitor)]) {
    const others = people.filter((p) => p.visitor !== visitor);
    // an expectation for each of thousands of answers would cost as much as the answers
    const faults: string[] = [];
    // what names nobody in its address is the same whoever is asked for
    const before = new Set<string>();
    const secrets = others.flatMap((p) => [
      p.name,
      p.candidateId,
      ...p.auditions,
      ...p.items,
      ...p.takes,
      ...p.mocks
    ]);
    for (const person of people)
      for (const route of reads) {
        const path = pathOf(route, {
          candidate: person.candidateId,
          audition: person.auditions[0] ?? 'none',
          item: person.items[0] ?? 'none',
          take: person.takes[0] ?? 'none',
          mock: person.mocks[0] ?? 'none',
          number: '1'
        });
        const asks = [path, `${path === '/' ? '' : path}/__data.json`];
        // what no route reads of a query changes no answer
        if (route.readsQuery) asks.push(`${path}?a=1&b=1`);
        const fresh = asks.filter((one) => !before.has(one));
        fresh.forEach((one) => before.add(one));
        const look = async (asked: string) => {
          const answer = await visitor.ask(asked);
          const { status, headers } = answer;
          answers += 1;
          if (status === 500) faults.push(`${asked}: 500`);
          const seen = [readable(answer), headers.get('location'), headers.get('content-disposition')].join(
            ' '
          );
          // what was asked for is in the address of the answer itself
          const leaked = secrets.filter((secret) => !asked.includes(secret) && seen.includes(secret));
          if (leaked.length > 0) faults.push(`${asked}: ${around(seen, leaked[0])}`);
        };
        await Promise.all(fresh.map(look));
      }
    expect(faults, visitor.name).toEqual([]);
  }
  expect(answers).toBeGreaterThan(2000);
});

test('a juror’s, a listener’s and a guessed link open that ballot, that take, and nothing else of anybody', async () => {
  const origin = await studio.at('2026-11-24T08:00:02Z', true);
  const { teacher, people } = await everybody(origin);
  const tokenIn = (text: string, kind: string) => new RegExp(`/${kind}/([A-Za-z0-9_-]{20,})`).exec(text)![1]!;
  const share = (one: string) => teacher.send(`/takes/${one}?/share`, new URLSearchParams({ name: 'Wout' }));
  const [take, shared] = await (async () => {
    for (const one of people.flatMap((p) => p.takes)) {
      const { text } = await share(one);
      if (text.includes('/listen/')) return [one, text] as const;
    }
    throw new Error('no take of the demo can be sent');
  })();
  const evening = /\/studio\/evening\/([0-9a-f-]{36})/.exec((await teacher.ask('/studio')).text)![1]!;
  const linked = await teacher.send(`/studio/evening/${evening}?/links`, new URLSearchParams());
  const tokens = {
    ballot: tokenIn(linked.text, 'ballot'),
    listen: tokenIn(shared, 'listen'),
    nowhere: 'b'.repeat(43)
  };
  const nobody = new Visitor('nobody', origin);
  const seats = (await teacher.ask(`/studio/evening/${evening}`)).text;
  const others = ['Jan', 'Lise', 'Marit'].filter((name) => seats.includes(name)).slice(1);
  const names = people.flatMap(({ name, candidateId, auditions }) => [name, candidateId, ...auditions]);
  const opened: string[] = [];
  for (const [kind, token] of Object.entries(tokens))
    for (const route of routesOf().filter((one) => one.isRead && !one.path.startsWith('/demo'))) {
      const filled = {
        ...{ token, candidate: people[0]!.candidateId, audition: people[0]!.auditions[0]! },
        ...{
          item: people[0]!.items[0]!,
          take,
          mock: people.flatMap((p) => p.mocks)[0]!,
          evening,
          number: '1'
        }
      };
      const path = pathOf(route, filled);
      const { status, text } = await nobody.ask(path);
      expect(status, path).not.toBe(500);
      if (!route.path.includes('[token]')) continue;
      if (status === 200) opened.push(`${kind} ${route.path}`);
      const secrets = kind === 'ballot' ? [...names, ...others] : names;
      expect(
        secrets.filter((secret) => text.includes(secret)),
        `${kind} ${path}`
      ).toEqual([]);
    }
  expect(opened.sort()).toEqual([
    ...['ballot /ballot/[token]', 'ballot /ballot/[token]/now'],
    ...['listen /listen/[token]', 'listen /listen/[token]/sound']
  ]);
  // what is not over sounds for nobody, and another juror's ballot is written by nobody else
  const ballots = (await nobody.ask(`/ballot/${tokens.ballot}/now`)).text;
  const own = /"id":"([0-9a-f-]{36})"/.exec(ballots)![1]!;
  expect((await nobody.ask(`/ballot/${tokens.ballot}/sound?of=${own}&item=0`)).status).toBe(404);
  const write = (juror: string) =>
    nobody.ask(`/ballot/${tokens.ballot}/write`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ juror, ballot: { item: 0, words: {}, notes: [] }, device: 'd' })
    });
  expect((await write(own)).status).toBe(204);
  expect((await write(own)).status).toBe(204);
  const hears = [...seats.matchAll(/name="seat" value="([0-9a-f-]{36})"/g)].map((m) => m[1]!);
  expect(hears.length).toBeGreaterThan(1);
  for (const juror of [...hears, 'none']) expect((await write(juror)).status).toBe(404);
});

test('every answer says what it is, is kept by nobody, and is guessed at by no browser', async () => {
  const origin = await studio.at('2026-11-24T08:00:00Z');
  const teacher = await enter(origin, 'teacher');
  const nobody = new Visitor('nobody', origin);
  for (const path of ['/studio', '/lists', '/join/none', '/feed/none.ics', '/sign-in', '/nowhere']) {
    for (const visitor of [nobody, teacher]) {
      const { headers } = await visitor.ask(path);
      expect(headers.get('cache-control'), path).toBe('private, no-store');
      expect(headers.get('x-content-type-options'), path).toBe('nosniff');
      if (headers.get('content-type')) expect(headers.get('content-type'), path).toContain('charset=utf-8');
    }
  }
  const [, script] = /"\.?([^"]*_app\/immutable\/[^"]+\.js)"/.exec((await nobody.ask('/sign-in')).text)!;
  const asset = await nobody.ask(script!);
  expect(asset.status).toBe(200);
  expect(asset.headers.get('x-content-type-options')).toBe('nosniff');
});

test('signing in leads to a page of the studio, whatever it was told', async () => {
  const fresh = new Studio(4392);
  const origin = await fresh.at('2026-11-24T08:00:00Z');
  try {
    const nobody = new Visitor('nobody', origin);
    const login = { login: 'marthe', password: 'three quiet herons' };
    await nobody.send('/new-studio', new URLSearchParams({ name: 'Marthe', ...login }));
    for (const to of [
      '//evil.example',
      '/\\evil.example',
      '/\t/evil.example',
      '/.//evil.example',
      'https://evil.example/x',
      'javascript:alert(1)'
    ]) {
      const path = `/sign-in?to=${encodeURIComponent(to)}`;
      const { text } = await nobody.send(path, new URLSearchParams(login));
      const { type, location } = JSON.parse(text) as { type: string; location: string };
      expect([type, location], to).toEqual(['redirect', '/']);
    }
    const { text } = await nobody.send('/sign-in?to=%2Flists', new URLSearchParams(login));
    expect(JSON.parse(text)).toMatchObject({ location: '/lists' });
  } finally {
    await fresh.close();
  }
});

test('what is kept is readable by its owner alone, and the log names nobody', async () => {
  const origin = await studio.at('2026-11-24T08:00:00Z');
  const { people } = await everybody(origin);
  const [first, second] = people;
  expect((await first!.visitor.ask(`/candidates/${second!.candidateId}`)).status).toBe(403);
  const modes = (at: string): string[] =>
    readdirSync(at, { withFileTypes: true }).flatMap((entry) => {
      const path = join(at, entry.name);
      const mode = (statSync(path).mode & 0o777).toString(8);
      return [
        `${entry.isDirectory() ? 'folder' : 'file'} ${mode}`,
        ...(entry.isDirectory() ? modes(path) : [])
      ];
    });
  expect(modes(studio.data)).toContain('file 600');
  expect(modes(studio.data).filter((mode) => mode !== 'file 600' && mode !== 'folder 700')).toEqual([]);
  const log = readFileSync(join(studio.data, 'irvot.log'), 'utf8');
  expect(log).toContain('"refused"');
  expect(log).toContain('"signed in"');
  for (const { name, visitor } of people) {
    expect(log).not.toContain(name);
    expect(log).not.toContain(visitor.cookie.split('=')[1]!);
  }
});

test('who is erased is in no file of the studio any more', async () => {
  const origin = await studio.at('2026-11-24T08:00:00Z');
  const { teacher, people } = await everybody(origin);
  const [gone] = people;
  const everything = () =>
    // a backup of before, where one was due, keeps what there was until its days are over
    readdirSync(studio.data, { withFileTypes: true })
      .filter((entry) => entry.isFile())
      .map(({ name }) => readFileSync(join(studio.data, name)).toString('utf8'))
      .join('\n');
  expect(everything()).toContain(gone!.name);
  const erase = await teacher.send(
    `/candidates/${gone!.candidateId}?/erase`,
    new URLSearchParams({ typed: gone!.name })
  );
  expect(JSON.parse(erase.text)).toMatchObject({ type: 'redirect', location: '/studio' });
  expect(everything()).not.toContain(gone!.name);
});
