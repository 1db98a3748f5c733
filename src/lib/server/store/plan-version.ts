/** The layings of a plan, each with what moved. Plans are kept deflated: a season has many and they are alike. */
import { deflateSync, inflateSync } from 'node:zlib';
import type { Move, PlannedItem, SeasonPlan } from '../../core/season';
import { type Db, preparedOnce } from '../db/open';

export type PlanVersion = {
  readonly number: number;
  readonly laidOn: string;
  readonly laidAtMs: number;
  /** What the plan was laid again for: "log", "list", "time", "call", "new day". */
  readonly cause: string;
  readonly factsDigest: string;
  readonly plan: SeasonPlan;
  readonly moves: readonly Move[];
};

/** What a front page says of a plan without unpacking it. */
export type PlanSummary = {
  /** The day it was laid for. */
  readonly today: string;
  readonly shortMin: number;
  /** Since when it does not fit; null where it fits. */
  readonly shortSince: string | null;
  readonly holding: number;
  readonly farthest: { readonly name: string; readonly clicks: number } | null;
  /** Minutes planned on that day. */
  readonly todayMin: number;
};

export type VersionHead = Omit<PlanVersion, 'plan' | 'factsDigest'>;

type HeadRow = { number: number; laid_on: string; laid_at_ms: number; cause: string; moves_json: string };
type Row = HeadRow & { facts_digest: string; plan_deflated: Buffer };

const HEAD = 'number, laid_on, laid_at_ms, cause, moves_json';

const statements = preparedOnce((db) => ({
  latest: db.prepare<[string], Pick<Row, 'number' | 'facts_digest'>>(
    'SELECT number, facts_digest FROM plan_version WHERE audition_id = ? ORDER BY number DESC LIMIT 1'
  ),
  byNumber: db.prepare<[string, number], Row>(
    `SELECT ${HEAD}, facts_digest, plan_deflated FROM plan_version WHERE audition_id = ? AND number = ?`
  ),
  days: db.prepare<[string], Pick<HeadRow, 'number' | 'laid_on'>>(
    'SELECT number, laid_on FROM plan_version WHERE audition_id = ? ORDER BY number DESC'
  ),
  heads: db.prepare<{ auditionId: string; before: number | null; most: number }, HeadRow>(
    `SELECT ${HEAD} FROM plan_version WHERE audition_id = @auditionId AND (@before IS NULL OR number < @before)
     ORDER BY number DESC LIMIT @most`
  ),
  summary: db.prepare<[string], { summary_json: string | null }>(
    'SELECT summary_json FROM plan_version WHERE audition_id = ? ORDER BY number DESC LIMIT 1'
  ),
  put: db.prepare(
    `INSERT INTO plan_version (audition_id, number, laid_on, laid_at_ms, cause, facts_digest, plan_deflated, moves_json, summary_json)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)
     ON CONFLICT (audition_id, number) DO UPDATE SET facts_digest = excluded.facts_digest, plan_deflated = excluded.plan_deflated,
       summary_json = excluded.summary_json`
  )
}));

function decodeHead(row: HeadRow): VersionHead {
  return {
    number: row.number,
    laidOn: row.laid_on,
    laidAtMs: row.laid_at_ms,
    cause: row.cause,
    moves: JSON.parse(row.moves_json) as Move[]
  };
}

function decode(row: Row | undefined): PlanVersion | undefined {
  if (!row) return undefined;
  const plan = asToday(JSON.parse(inflateSync(row.plan_deflated).toString('utf8')) as KeptPlan);
  return { ...decodeHead(row), factsDigest: row.facts_digest, plan };
}

/** Plans of before: a touch lent by another audition had a number behind its id, and what another brings said so under `of`. */
function asToday(kept: KeptPlan): SeasonPlan {
  const plan = withReasons(kept);
  const carried = plan.agreed.carried.map((c) => ({ ...c, touchId: c.touchId.split('~')[0]! }));
  const items = plan.items.map(({ of, ...item }: KeptItem) => (of ? { ...item, broughtBy: of } : item));
  return { ...plan, items, agreed: { ...plan.agreed, carried } };
}

type KeptItem = PlannedItem & { readonly of?: PlannedItem['broughtBy'] };

/** Plans kept by the first version had one sentence where there are reasons now. */
type KeptPlan = Omit<SeasonPlan, 'short'> & {
  readonly short: (SeasonPlan['short'] & { readonly says?: string }) | null;
};

function withReasons(plan: KeptPlan): SeasonPlan {
  const { short } = plan;
  if (!short?.says) return plan;
  const { minutes, items, says } = short;
  const reason = {
    limit: 'days' as const,
    itemIds: items.map((item) => item.itemId),
    spans: [],
    neededMin: minutes,
    thereMin: 0,
    elsewhereMin: 0,
    shortMin: minutes,
    says
  };
  return { ...plan, short: { minutes, items, reasons: [reason] } };
}

/** Latest plans lately asked for: one is asked for many times, and unpacking it costs more than the rest of most pages. */
const MOST_UNPACKED = 24;
const unpacked = preparedOnce(() => new Map<string, PlanVersion>());

export function latestVersion(db: Db, auditionId: string): PlanVersion | undefined {
  const row = statements(db).latest.get(auditionId);
  if (!row) return undefined;
  const plans = unpacked(db);
  const known = plans.get(auditionId);
  if (known?.number === row.number && known.factsDigest === row.facts_digest) return known;
  const version = versionByNumber(db, auditionId, row.number)!;
  plans.delete(auditionId);
  plans.set(auditionId, version);
  if (plans.size > MOST_UNPACKED) plans.delete(plans.keys().next().value!);
  return version;
}
export const versionByNumber = (db: Db, auditionId: string, number: number) =>
  decode(statements(db).byNumber.get(auditionId, number));
/** Number and day of every laying, newest first. */
export const versionDays = (db: Db, auditionId: string): Pick<PlanVersion, 'number' | 'laidOn'>[] =>
  statements(db)
    .days.all(auditionId)
    .map(({ number, laid_on }) => ({ number, laidOn: laid_on }));

/** Newest first: at most so many, with lower numbers than `before`. */
export const versionHeads = (
  db: Db,
  auditionId: string,
  page: { readonly before: number | null; readonly most: number } = { before: null, most: -1 }
): VersionHead[] =>
  statements(db)
    .heads.all({ auditionId, ...page })
    .map(decodeHead);

/** Null while nothing was laid, or it was by a program that wrote none. */
export function summaryOf(db: Db, auditionId: string): PlanSummary | null {
  const text = statements(db).summary.get(auditionId)?.summary_json;
  return text ? (JSON.parse(text) as PlanSummary) : null;
}

/** Adds a version, or replaces the plan of the one with that number where nothing dated moved. */
export function putVersion(db: Db, auditionId: string, version: PlanVersion): void {
  const { number, laidOn, laidAtMs, cause, factsDigest, plan, moves } = version;
  const deflated = deflateSync(JSON.stringify(plan));
  statements(db).put.run(
    auditionId,
    number,
    laidOn,
    laidAtMs,
    cause,
    factsDigest,
    deflated,
    JSON.stringify(moves),
    JSON.stringify(summarise(plan, summaryOf(db, auditionId)))
  );
}

function summarise(plan: SeasonPlan, before: PlanSummary | null): PlanSummary {
  const shortMin = plan.short?.minutes ?? 0;
  const own = plan.items.filter((item) => !item.broughtBy || item.broughtBy.isShared);
  const [farthest] = own
    .filter((item) => item.state === 'climbing')
    .sort((a, b) => (b.clicksToGo ?? 0) - (a.clicksToGo ?? 0));
  return {
    today: plan.today,
    shortMin,
    shortSince: shortMin === 0 ? null : (before?.shortSince ?? plan.today),
    holding: own.filter((item) => item.state === 'holds').length,
    farthest: farthest ? { name: farthest.name, clicks: farthest.clicksToGo ?? 0 } : null,
    todayMin: plan.days.find((day) => day.date === plan.today)?.plannedMin ?? 0
  };
}
