import { fireEvent, render, screen, within } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import { type SeasonItem, type SeasonPlan, heldStairs, laySeason, plannedStairs } from '$lib/core/season';
import type { Touch } from '$lib/core/practice';
import type { CountbackItem } from '$lib/schema/view';
import Countback from './Countback.svelte';
import Moves from './Moves.svelte';

const ITEMS: SeasonItem[] = [
  ['a', 'Study in reeds', 96],
  ['b', 'Gate song', 72]
].map(([id, name, targetBpm]) => ({
  id: String(id),
  name: String(name),
  kind: 'etude',
  metre: '4/4',
  fromBar: 1,
  toBar: 16,
  sections: [
    {
      id: `${id}-1`,
      fromBar: 1,
      toBar: 16,
      tempo: { kind: 'pulse', unit: 'quarter', targetBpm: Number(targetBpm) }
    }
  ]
}));
const ROUND = { id: 'r', name: 'first round', date: '2027-01-09', zone: 'Europe/Brussels' };
const touch = (itemId: string, date: string, tempoBpm: number): Touch => ({
  id: itemId + date,
  itemId,
  date,
  minutes: 12,
  tempoBpm,
  attempts: 'ccc'
});

function draw(log: Touch[], minutes = 60) {
  const plan: SeasonPlan = laySeason({
    today: '2026-11-24',
    began: '2026-11-01',
    rounds: [ROUND],
    items: ITEMS,
    time: {
      week: [1, 2, 4, 6].map((weekday) => ({ weekday, start: '17:00', minutes })),
      exceptions: [{ date: '2026-12-01', minutes: 0, why: 'concert' }],
      lessons: [],
      mocks: [],
      warmUpMin: 10,
      fundamentalsMin: 5
    },
    log
  });
  const items: CountbackItem[] = plan.items.map((planned, i) => ({
    id: planned.id,
    forAudition: null,
    alsoFor: null,
    composer: 'Quill',
    fromBar: 1,
    toBar: 16,
    heldSteps: heldStairs(
      ITEMS[i]!,
      log.filter((t) => t.itemId === planned.id),
      undefined
    ).steps,
    heldSections: [],
    plannedSteps: plannedStairs(planned, plan.today),
    heldSince: planned.state === 'holds' ? '2026-11-20' : null
  }));
  const dates = [{ date: '2026-12-05', name: 'cuts announced', kind: 'cuts' }];
  const view = {
    audition: { id: 'x', rounds: [ROUND], dates },
    lessons: [{ weekday: 2 }],
    items,
    practised: {},
    equipment: []
  };
  return { plan, ...render(Countback, { view, plan }) };
}

describe('the countback', () => {
  it('has the days to go, the dates, and a sentence on whether it fits', () => {
    const { container } = draw([], 120);
    expect(container.querySelector('.days strong')!.textContent).toBe('46');
    expect(screen.getByText(/cuts announced 5 Dec/)).toBeTruthy();
    expect(screen.getByText(/The plan fits/)).toBeTruthy();
  });

  it('says what does not fit, and leaves its rungs open in words', () => {
    const { plan } = draw([], 24);
    expect(screen.getByText(plan.short!.reasons[0]!.says)).toBeTruthy();
    expect(screen.getAllByText(/: no minutes$/).length).toBeGreaterThan(0);
  });

  it('shows what holds at today’s rule, and how far it is to the target', () => {
    const { container } = draw([touch('a', '2026-11-20', 80)]);
    const row = container.querySelector('article')! as HTMLElement;
    expect(row.querySelector('.now')!.textContent).toBe('80');
    expect(row.querySelector('.goal')!.textContent!.replace(/\s+/g, ' ')).toContain('4 clicks to go'); // 84, 88, 92, 96
    expect(within(row).queryByText('no evidence yet')).toBeNull();
  });

  it('shrinks what holds to one line that says since when, and when it is touched again', () => {
    const { container } = draw([touch('a', '2026-11-20', 96)]);
    const row = container.querySelector('article.small')!;
    expect(row.querySelector('.state')!.textContent).toMatch(
      /holds since 20 Nov · touched again \w{3} \d+ \w{3}/
    );
  });

  it('draws evidence that has aged as a dotted stair of its own', () => {
    expect(draw([touch('a', '2026-11-20', 80)]).container.querySelector('path.aged')).toBeNull();
    expect(draw([touch('a', '2026-11-05', 80)]).container.querySelector('path.aged')).not.toBeNull();
  });

  it('opens a step to how its number came about, and closes it again', async () => {
    const { container, plan } = draw([]);
    const step = container.querySelector('button.step') as HTMLElement;
    await fireEvent.click(step);
    expect(container.querySelectorAll('.how tbody tr')).toHaveLength(plan.items[0]!.rungs.length);
    expect(container.querySelector('tr.asked')!.textContent).toContain('s to breathe');
    await fireEvent.click(step);
    expect(container.querySelector('.how')).toBeNull();
  });

  it('opens a week to its days, with the arithmetic of each day and the reason of a day off', async () => {
    const { container } = draw([]);
    await fireEvent.click(container.querySelectorAll('button.week')[1]!);
    const opened = container.querySelector('section')!;
    // Monday to Saturday pattern of an hour: 60 - 10 - 5 - 5 of break = 40
    expect(opened.textContent).toContain('of 40 min');
    expect(opened.textContent).toContain('warm-up −10');
    expect(opened.textContent).toContain('concert');
  });
});

describe('the list of what moved', () => {
  const move = {
    itemId: 'a',
    itemName: 'Study',
    sectionId: 's',
    bpm: 63,
    bars: null,
    from: '2026-11-28',
    to: '2026-12-01',
    why: 'not-reached'
  } as const;

  it('says what, from when to when, and why', () => {
    render(Moves, { moves: [move], cause: 'a new day', isShown: true });
    expect(screen.getByText('1 date moved: a new day')).toBeTruthy();
    expect(screen.getByText('not reached by its date')).toBeTruthy();
    expect(screen.getByText('Tue 1 Dec')).toBeTruthy();
  });

  it('is not there when nothing moved', () => {
    expect(
      render(Moves, { moves: [], cause: '', isShown: true }).container.querySelector('details')
    ).toBeNull();
  });
});
