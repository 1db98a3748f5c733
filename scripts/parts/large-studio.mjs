/**
 * A studio of 200 candidates with three years of logs, a million touches, by a fixed seed, written into a database that the
 * application has made; and how long its screens take, beside a bare page of the same server.
 */
import { createHash } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { serve } from './serve.mjs';

const Database = createRequire(import.meta.url)('better-sqlite3');
const CANDIDATES = 200;
const YEARS = 3;
const ITEMS = 8;
const TOUCHES = Number(process.env.TOUCHES ?? 1_000_000);
const DAY_MS = 86_400_000;
const NOW = '2026-11-24T08:00:00Z';
const TOKEN = 'bench';
const REQUESTS = Number(process.env.REQ ?? 500);
/** Asked without a session: it reads nothing. */
const BARE = '/sign-in';

const dateAt = (day) => new Date(Date.parse(NOW) + day * DAY_MS).toISOString().slice(0, 10);

function randomFrom(seed) {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 4_294_967_296;
  };
}

/** One call a year, taken by ten candidates each; an audition a year and candidate, with its touches. */
function fill(file) {
  const db = new Database(file);
  const random = randomFrom(7);
  const add = (table, row) =>
    db
      .prepare(
        `INSERT INTO ${table} (${Object.keys(row).join(', ')}) VALUES (${Object.keys(row)
          .map((k) => `@${k}`)
          .join(', ')})`
      )
      .run(row);
  db.transaction(() => {
    add('account', {
      id: 't',
      role: 'teacher',
      name: 'Bench',
      login: 'bench',
      password_hash: 'x',
      created_at_ms: 0
    });
    const token_hash = createHash('sha256').update(TOKEN).digest('base64url');
    const at = Date.parse(NOW);
    const times = { created_at_ms: at, used_at_ms: at, expires_at_ms: at + DAY_MS };
    add('session', { token_hash, account_id: 't', ...times });
    for (let group = 0; group < CANDIDATES / 10; group += 1)
      for (let year = 0; year < YEARS; year += 1) addCall(add, `${group}-${year}`, year, random);
    const touch = db.prepare(
      `INSERT INTO touch (id, item_id, date, from_bar, to_bar, length_min, tempo_bpm, unit, attempts, not_held_json, evidence, note, logged_at_ms, candidate_id)
       VALUES (?, ?, ?, 1, 32, ?, ?, 'quarter', ?, '[]', 'self', ?, ?, ?)`
    );
    for (let c = 0; c < CANDIDATES; c += 1) {
      addCandidate(add, c);
      for (let year = 0; year < YEARS; year += 1) addAudition(add, touch, c, year, random);
    }
  })();
  const { n } = db.prepare('SELECT count(*) AS n FROM touch').get();
  db.close();
  return n;
}

function addCall(add, id, year, random) {
  const round = 60 - 365 * (YEARS - 1 - year);
  add('call', { id, name: `Call ${id}`, dates_json: '[]', checked_on: dateAt(-3), created_at_ms: 0 });
  add('call_round', {
    id: `r${id}`,
    call_id: id,
    name: 'first round',
    date: dateAt(round),
    zone: 'Europe/Brussels'
  });
  for (let i = 0; i < ITEMS; i += 1) {
    const tempo = { kind: 'pulse', unit: 'quarter', targetBpm: 60 + Math.floor(random() * 80) };
    const sections = [{ id: `s${id}-${i}`, fromBar: 1, toBar: 32, tempo }];
    add('list_item', {
      id: `l${id}-${i}`,
      call_id: id,
      position: i,
      name: `Study ${i + 1}`,
      composer: 'Quill',
      kind: 'etude',
      edition: '',
      tested: '',
      bars_per_line: '',
      metre: '4/4',
      from_bar: 1,
      to_bar: 32,
      pickup_beats: 0,
      sections_json: JSON.stringify(sections)
    });
  }
}

function addCandidate(add, c) {
  const week = [1, 2, 3, 4, 5, 6].map((weekday) => ({ weekday, minutes: 90 }));
  const time = {
    week,
    exceptions: [],
    lessons: [{ weekday: 1 + (c % 6), start: '16:00', minutes: 45, isInside: true }]
  };
  const time_json = JSON.stringify({ ...time, warmUpMin: 10, fundamentalsMin: 10 });
  add('candidate', {
    id: `c${c}`,
    name: `Player ${String(c).padStart(3, '0')}`,
    instruments: 'oboe',
    zone: 'Europe/Brussels',
    time_json,
    created_at_ms: 0
  });
}

function addAudition(add, touch, c, year, random) {
  const callId = `${Math.floor(c / 10)}-${year}`;
  const id = `a${c}-${year}`;
  const began = -305 - 365 * (YEARS - 1 - year);
  const days = Math.min(365, -began);
  add('audition', {
    id,
    candidate_id: `c${c}`,
    call_id: callId,
    began_on: dateAt(began),
    created_at_ms: year
  });
  for (let i = 0; i < ITEMS; i += 1)
    add('item', {
      id: `${id}-${i}`,
      audition_id: id,
      position: i,
      schools_json: '{}',
      list_item_id: `l${callId}-${i}`
    });
  const mine = TOUCHES / CANDIDATES / YEARS;
  for (let n = 0; n < mine; n += 1) {
    const day = began + Math.floor((n / mine) * days);
    const bpm = 40 + Math.floor((n / mine) * 30 + random() * 4);
    const attempts = random() < 0.5 ? 'ncccc' : 'ncnc';
    const note = random() < 0.1 ? 'breath too late' : '';
    touch.run(
      `${id}-${n}`,
      `${id}-${n % ITEMS}`,
      dateAt(day),
      8 + Math.floor(random() * 15),
      bpm,
      attempts,
      note,
      n,
      `c${c}`
    );
  }
}

const share = (sorted, part) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * part))];

/** Prints the 50th and 99th percentile of each screen, asked one after the other, and how that stands to a bare page. */
export async function measureLargeStudio(port) {
  const data = mkdtempSync(join(tmpdir(), 'irvot-large-'));
  const env = { IRVOT_NOW: NOW, IRVOT_DEMO: '' };
  try {
    const first = await serve({ port, data, env });
    first.stop();
    await new Promise((resolve) => first.child.on('exit', resolve));
    const touches = fill(join(data, 'studio.sqlite'));
    const app = await serve({ port, data, env });
    const headers = { cookie: `irvot_session=${TOKEN}` };
    const ask = async (path) => {
      const start = performance.now();
      const response = await fetch(app.origin + path, path === BARE ? {} : { headers });
      await response.arrayBuffer();
      if (!response.ok) throw new Error(`${path}: ${response.status}`);
      return performance.now() - start;
    };
    console.log(
      `\nA studio of ${CANDIDATES} candidates and ${touches.toLocaleString('en')} touches, goal 100 ms at the 99th percentile:`
    );
    console.log(
      `  its plans laid for the first time              ${(await ask('/studio')).toFixed(0).padStart(9)} ms`
    );
    const screens = {
      'a bare page (sign-in)': () => BARE,
      studio: () => '/studio',
      lists: () => '/lists',
      candidate: (c) => `/candidates/c${c}`,
      countback: (c) => `/auditions/a${c}-2`,
      lesson: (c) => `/auditions/a${c}-2/lesson`,
      list: (c) => `/auditions/a${c}-2/list`,
      log: (c) => `/auditions/a${c}-2/log`,
      readiness: (c) => `/auditions/a${c}-2/readiness`,
      mocks: (c) => `/auditions/a${c}-2/mocks`,
      around: (c) => `/auditions/a${c}-2/around`,
      day: (c) => `/auditions/a${c}-2/day`,
      'an evening, prepared': () => '/studio/evening',
      'sheets for the accompanist': () => '/studio/piano',
      call: (c) => `/auditions/a${c}-2/call`,
      layings: (c) => `/auditions/a${c}-2/layings`,
      'what if': (c) => `/auditions/a${c}-2/what-if`,
      time: (c) => `/candidates/c${c}/time`,
      'week on paper': (c) => `/auditions/a${c}-2/paper/week`
    };
    let bare = 0;
    for (const [name, path] of Object.entries(screens)) {
      const times = [];
      for (let n = 0; n < REQUESTS; n += 1) times.push(await ask(path((n * 7) % CANDIDATES)));
      times.sort((a, b) => a - b);
      const [half, p99] = [share(times, 0.5), share(times, 0.99)];
      if (bare === 0) bare = half;
      console.log(
        `  ${name.padEnd(28)} median ${half.toFixed(1).padStart(7)} ms, ${(half / bare).toFixed(1).padStart(5)} bare pages; 99th ${p99.toFixed(1).padStart(7)} ms, ${(p99 / 100).toFixed(2)} of the goal`
      );
    }
    app.stop();
  } finally {
    rmSync(data, { recursive: true, force: true });
  }
}
