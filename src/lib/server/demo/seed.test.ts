import { beforeAll, describe, expect, it } from 'vitest';
import { type App, todayIn } from '../app';
import { readSeason } from '../laying/facts';
import { spotsOfSeason } from '../usecase/spots';
import { DEMO_ZONE } from './studio';
import { listCandidates } from '../store/candidate';
import { auditionsOf } from '../store/audition';
import { latestVersion, versionHeads } from '../store/plan-version';
import { touchesOfAudition } from '../store/touch';
import { seedDemo } from './seed';
import { openDemo, openDemoAgain } from '../../../../tests/fixtures/demo-studio';

let app: App;

const planOf = (name: string) => {
  const candidate = listCandidates(app.db).find((c) => c.name.startsWith(name))!;
  const [audition] = auditionsOf(app.db, candidate.id);
  return {
    plan: latestVersion(app.db, audition!.id)!.plan,
    auditionId: audition!.id,
    callId: audition!.callId
  };
};

describe('the demo studio', () => {
  beforeAll(() => {
    app = openDemo();
  });

  it('has six candidates at different distances from their auditions, two with the same list, one behind it', () => {
    expect(listCandidates(app.db)).toHaveLength(6);
    expect(planOf('Jorre').callId).toBe(planOf('Ilka').callId);
    expect(['Ilka', 'Noor', 'Sanne', 'Teo', 'Jorre'].map((n) => planOf(n).plan.daysToGo)).toEqual([
      46, 12, 55, 150, 46
    ]);
  });

  it('has one plan that does not fit, one nearly done and one new', () => {
    expect(planOf('Ilka').plan.short).not.toBeNull();
    expect(planOf('Ilka').plan.items.filter((i) => i.state === 'climbing').length).toBeGreaterThan(3);
    const nearly = planOf('Noor').plan.items.filter((i) => !i.broughtBy && i.clicksToGo !== null);
    expect(nearly.every((i) => i.clicksToGo! <= 4)).toBe(true);
    expect(nearly.some((i) => i.state === 'holds')).toBe(true);
    expect(touchesOfAudition(app.db, planOf('Teo').auditionId)).toEqual([]);
  });

  it('has one candidate with two auditions that share a work', () => {
    const { items } = planOf('Noor').plan;
    expect(items.filter((i) => i.broughtBy).map((i) => i.name)).toEqual([
      'Étude 3, “Swifts”',
      'Breakwater March'
    ]);
    expect(items.filter((i) => i.name === 'Night Ferry, solo')).toHaveLength(1);
  });

  it('has weeks of history with missed days, and layings that tell of them', () => {
    const { auditionId } = planOf('Sanne');
    const dates = new Set(touchesOfAudition(app.db, auditionId).map((t) => t.date));
    expect(dates.size).toBeGreaterThan(15);
    expect(dates.size).toBeLessThan(58);
    const heads = versionHeads(app.db, auditionId);
    expect(heads.length).toBeGreaterThan(20);
    expect(heads.some((v) => v.moves.some((m) => m.why === 'not-reached'))).toBe(true);
  });

  it('was played at the desk of late, with spots in every state, one heard by the teacher', () => {
    const { auditionId } = planOf('Ilka');
    const series = touchesOfAudition(app.db, auditionId).flatMap((touch) => touch.series ?? []);
    expect(series.filter((one) => one.spot && one.method).length).toBeGreaterThan(20);
    const spots = spotsOfSeason(app, readSeason(app, auditionId), todayIn(app, DEMO_ZONE));
    expect(new Set(spots.map(({ state }) => state))).toEqual(new Set(['open', 'resting', 'at-rest']));
    expect(spots[0]).toMatchObject({ foundBy: 'teacher', fromBar: 31 });
  });

  it('is the same whenever it is made', () => {
    const stairs = (of: App) =>
      listCandidates(of.db).map((c) => {
        const [audition] = auditionsOf(of.db, c.id);
        const { plan } = latestVersion(of.db, audition!.id)!;
        return plan.items.map((item) => [item.name, item.rungs.map((r) => `${r.bpm} ${r.date}`)]);
      });
    expect(stairs(openDemoAgain())).toEqual(stairs(app));
  });

  it('is seeded once', () => {
    seedDemo(app);
    expect(listCandidates(app.db)).toHaveLength(6);
  });
});
