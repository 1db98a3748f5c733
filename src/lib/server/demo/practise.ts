/** What a player of the demo plays on a day, as its plan asks, and how it goes. */
import { type PlannedBlock, type SeasonPlan, barsOf, rungOfBlock } from '../../core/season';
import { formatDate } from '../../core/units';
import type { App } from '../app';
import { layAgain } from '../laying/lay';
import { addTouch } from '../store/touch';
import { TROUBLES, type Player, playAtDesk } from './desk-day';

const NONE: ReadonlySet<string> = new Set();

export function practise(app: App, player: Player, diligence: number, day: number, hasDesk: boolean): void {
  const { auditionId, easeOf, random } = player;
  const before = layAgain(app, auditionId, 'a new day');
  if (!before || random() > diligence) return;
  const plan = before.plan;
  const date = formatDate(day);
  const blocks = plan.days.find((d) => d.date === date)?.blocks ?? [];
  const isPlayed = hasDesk && blocks.length > 0 ? playAtDesk(app, player, date) : NONE;
  for (const block of blocks)
    if (!isPlayed.has(block.itemId) || block.kind === 'run' || block.kind === 'easy-run')
      playBlock(app, plan, block, easeOf.get(block.itemId)!, random, date);
  if (blocks.length > 0) layAgain(app, auditionId, 'log of the day');
}

function playBlock(
  app: App,
  plan: SeasonPlan,
  block: PlannedBlock,
  ease: number,
  random: () => number,
  date: string
): void {
  const item = plan.items.find((i) => i.id === block.itemId)!;
  const section = item.sections.find((s) => s.id === block.sectionId) ?? item.sections[0];
  const bars = barsOf(item, block) ?? section;
  const rung = rungOfBlock(item, block);
  const isClimb = block.kind === 'ladder' && rung !== undefined;
  const isReached = random() < ease;
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
      fromBar: isClimb ? bars?.fromBar : undefined,
      toBar: isClimb ? bars?.toBar : undefined,
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
