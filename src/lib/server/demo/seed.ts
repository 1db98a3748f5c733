/**
 * Fills an empty database with the demo studio and the weeks behind it. Its players practise what each day's plan
 * asks, miss days and get on with some items better than with others; all by a fixed seed and counted from today.
 */
import { TICKED_CHECKS } from '../../core/readiness';
import type { PlannedBlock, SeasonPlan } from '../../core/season';
import { dayOf, formatDate } from '../../core/units';
import { instantOf } from '../../core/units/zone';
import { type App, type Who, todayIn } from '../app';
import { addAccount, findTeacher } from '../store/account';
import { saveCall } from '../store/audition';
import { setCandidateAccount } from '../store/candidate';
import { setTick } from '../store/item';
import { addTouch } from '../store/touch';
import { layAgain } from '../usecase/current-plan';
import { addAudition, addItem } from '../usecase/list';
import { addCandidate, saveTime } from '../usecase/studio';
import type { DemoCandidate, DemoItem } from './shape';
import { DEMO_CANDIDATES, DEMO_TEACHER, DEMO_ZONE } from './studio';

/** No password fits: the demo is entered by one click. */
const NO_PASSWORD = 'demo';

/** Small seeded generator (mulberry32): the same demo every day. */
function randomFrom(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

export function seedDemo(app: App): void {
  if (findTeacher(app.db)) return;
  app.db.transaction(() => {
    const accountId = app.newId();
    addAccount(
      app.db,
      { id: accountId, role: 'teacher', ...DEMO_TEACHER, password_hash: NO_PASSWORD },
      app.now()
    );
    const teacher: Who = { kind: 'teacher', accountId, name: DEMO_TEACHER.name };
    DEMO_CANDIDATES.forEach((candidate, i) => seedCandidate(app, teacher, candidate, randomFrom(100 + i)));
  })();
}

function seedCandidate(app: App, teacher: Who, demo: DemoCandidate, random: () => number): void {
  const today = dayOf(todayIn(app, DEMO_ZONE));
  const began = today - demo.beganDaysAgo;
  const on = (day: number): App => ({ ...app, now: () => instantOf(formatDate(day), '20:00', DEMO_ZONE)! });
  const start = demo.beganDaysAgo === 0 ? app : on(began);

  const candidateId = addCandidate(start, teacher, {
    name: demo.name,
    instruments: demo.instruments,
    zone: DEMO_ZONE
  });
  const accountId = app.newId();
  addAccount(
    app.db,
    { id: accountId, role: 'candidate', name: demo.name, login: demo.login, password_hash: NO_PASSWORD },
    app.now()
  );
  setCandidateAccount(app.db, candidateId, accountId);
  saveTime(start, teacher, { candidateId, version: 1, time: timeOf(demo, today) });

  const auditionId = addAudition(start, teacher, { candidateId, name: demo.audition, rounds: [], dates: [] });
  const easeOf = new Map<string, DemoItem>();
  const ids: string[] = [];
  const addOn = (day: number) => {
    for (const one of demo.items.filter((i) =>
      began === day ? i.addedDaysAgo === undefined : i.addedDaysAgo === today - day
    )) {
      const { ease: _ease, addedDaysAgo: _added, ...item } = one;
      const id = addItem(day === today ? app : on(day), teacher, { auditionId, item });
      ids.push(id);
      easeOf.set(id, one);
    }
  };
  addOn(began);
  putCall(app, auditionId, demo, ids, today);
  for (let day = began; day < today; day += 1) {
    if (day > began) addOn(day);
    practise(on(day), auditionId, easeOf, demo.diligence, random, day);
  }
  ids.forEach((id, i) =>
    TICKED_CHECKS.slice(0, Math.max(0, demo.ticks - (i % 3))).forEach((kind, k) =>
      setTick(app.db, id, kind, formatDate(today - 3 * k - 2))
    )
  );
  layAgain(app, auditionId, 'a new day');
}

function timeOf(demo: DemoCandidate, today: number) {
  const [weekday, start, minutes] = demo.lesson;
  return {
    week: demo.week.map(([day, at, length]) => ({
      weekday: day,
      ...(at ? { start: at } : {}),
      minutes: length
    })),
    exceptions: demo.exceptions.map((e) => ({
      date: formatDate(today + e.inDays),
      minutes: e.minutes,
      why: e.why
    })),
    lessons: [{ weekday, start, minutes, isInside: true }],
    warmUpMin: 8,
    fundamentalsMin: 6
  };
}

/** Rounds and dates go in after the items, whose ids they name. */
function putCall(
  app: App,
  auditionId: string,
  demo: DemoCandidate,
  ids: readonly string[],
  today: number
): void {
  const rounds = demo.rounds.map((r, i) => ({
    id: `${auditionId}-${i}`,
    name: r.name,
    date: formatDate(today + r.inDays),
    time: r.time,
    zone: DEMO_ZONE,
    isHistory: false,
    itemIds: r.hears?.map((n) => ids[n]!)
  }));
  const dates = demo.dates.map(({ inDays, ...date }) => ({ ...date, date: formatDate(today + inDays) }));
  saveCall(app.db, { id: auditionId, name: demo.audition, rounds, dates, callVersion: 1 });
}

function practise(
  app: App,
  auditionId: string,
  items: ReadonlyMap<string, DemoItem>,
  diligence: number,
  random: () => number,
  day: number
): void {
  const before = layAgain(app, auditionId, 'a new day');
  if (!before || random() > diligence) return;
  const plan = before.plan;
  const date = formatDate(day);
  const blocks = plan.days.find((d) => d.date === date)?.blocks ?? [];
  for (const block of blocks) playBlock(app, plan, block, items.get(block.itemId)!, random, date);
  if (blocks.length > 0) layAgain(app, auditionId, 'log of the day');
}

const TROUBLES = [
  'breath too late',
  'low after the leap',
  'left hand ahead of the tongue',
  'rushes into the downbeat'
];

function playBlock(
  app: App,
  plan: SeasonPlan,
  block: PlannedBlock,
  demo: DemoItem,
  random: () => number,
  date: string
): void {
  const item = plan.items.find((i) => i.id === block.itemId)!;
  const section = item.sections.find((s) => s.id === block.sectionId) ?? item.sections[0];
  const rung = item.rungs.find((r) => r.sectionId === block.sectionId && r.bpm === block.bpm);
  const isClimb = block.kind === 'ladder' && rung !== undefined;
  const isReached = random() < demo.ease;
  const marks = Array.from({ length: 3 + Math.floor(random() * 3) }, () =>
    random() < 0.75 ? 'c' : 'n'
  ).join('');
  const attempts =
    !isClimb && item.state !== 'holds'
      ? ''
      : isReached
        ? `${marks}nccc`
        : `${marks.replace(/ccc+/g, 'ccn')}n`;
  addTouch(
    app.db,
    {
      id: app.newId(),
      itemId: item.id,
      date,
      fromBar: isClimb ? section?.fromBar : undefined,
      toBar: isClimb ? section?.toBar : undefined,
      minutes: block.minutes,
      tempoBpm: isClimb ? rung.click.bpm : (section?.targetBpm ?? undefined),
      unit: isClimb ? rung.click.unit : (section?.unit ?? undefined),
      attempts,
      notHeld: isClimb && !isReached && random() < 0.3 ? ['articulation'] : [],
      evidence: 'self',
      note: isClimb && !isReached && random() < 0.4 ? TROUBLES[Math.floor(random() * TROUBLES.length)]! : ''
    },
    app.now()
  );
}
