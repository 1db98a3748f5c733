import { deflateSync } from 'node:zlib';
import { expect, it } from 'vitest';
import { openStudio } from '../../../../tests/fixtures/small-studio';
import { latestVersion } from './plan-version';

const NOW = Date.parse('2026-11-24T10:00:00Z');

it('a plan kept by an earlier program is read as plans are today', () => {
  const { app, auditionId } = openStudio(() => NOW);
  const { plan, number } = latestVersion(app.db, auditionId)!;
  const other = { auditionId: 'b', name: 'Fenland', isShared: false };
  const kept = {
    ...plan,
    items: plan.items.map((item) => ({ ...item, of: other })),
    short: { minutes: 12, items: [{ itemId: 'a', minutes: 12 }], says: '12 min short' },
    agreed: { ...plan.agreed, carried: [{ itemId: 'a', touchId: 't~2', minutes: 3 }] }
  };
  app.db
    .prepare("UPDATE plan_version SET plan_deflated = ?, facts_digest = 'before' WHERE number = ?")
    .run(deflateSync(JSON.stringify(kept)), number);
  const read = latestVersion(app.db, auditionId)!.plan;
  expect(read.items).toEqual(plan.items.map((item) => ({ ...item, broughtBy: other })));
  expect(read.agreed.carried).toEqual([{ itemId: 'a', touchId: 't', minutes: 3 }]);
  expect(read.short?.reasons).toMatchObject([{ says: '12 min short', shortMin: 12, itemIds: ['a'] }]);
});
