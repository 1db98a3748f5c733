/**
 * One line for a spot, as a player types it:
 *   bar[-bar] [-element ...] issue in words
 *   37 intonation after the leap
 *   37-38 -rhythm
 */
import { type BarRange, type Result, isInside, sayBars } from '../../units';
import { type Element, elementOf, sayNoElement } from '../elements';

export type SpotLine = BarRange & {
  readonly issue: string;
  readonly notHeld: readonly Element[];
};
type Of = BarRange & { readonly name: string };

const LONGEST_ISSUE = 200;
/** The bars with which a line begins. */
const BARS = /^(?:(?:bars?|mm?)\.?\s*)?(\d+)(?:\s*(?:-|–|to)\s*(\d+))?[:,.]?(?=\s|$)/iu;

/** Reads a line about an item; what is wrong is said in a sentence. */
export function parseSpotLine(line: string, item: Of): Result<SpotLine> {
  const read = BARS.exec(line.trim());
  if (!read) return refuse(`Begin with the bar, then say what is wrong: ${item.fromBar + 1} rushes`);
  const fromBar = Number(read[1]);
  const toBar = Number(read[2] ?? read[1]);
  if (toBar < fromBar) return refuse(`The bars are upside down: ${fromBar} to ${toBar}.`);
  if (!isInside({ fromBar, toBar }, item))
    return refuse(`${item.name} has bars ${item.fromBar} to ${item.toBar}.`);
  const words = line.trim().slice(read[0].length).trim().split(/\s+/).filter(Boolean);
  const notHeld: Element[] = [];
  const issue: string[] = [];
  for (const word of words) {
    if (!/^-\p{L}/u.test(word)) {
      issue.push(word);
      continue;
    }
    const element = elementOf(word);
    if (!element) return refuse(`${sayNoElement(word)}.`);
    if (!notHeld.includes(element)) notHeld.push(element);
  }
  if (issue.length === 0 && notHeld.length === 0)
    return refuse('What is wrong there? In words, or as an element: -rhythm');
  const text = issue.join(' ');
  if (text.length > LONGEST_ISSUE) return refuse(`At most ${LONGEST_ISSUE} characters, please.`);
  return { ok: true, value: { fromBar, toBar, issue: text, notHeld } };
}

const refuse = (says: string): Result<SpotLine> => ({ ok: false, faults: [{ path: 'line', says }] });

/** The line with these bars instead of those it had. */
export function withBars(line: string, bars: BarRange): string {
  const words = line.trim().replace(BARS, '').trim();
  return `${sayBars(bars)
    .replace(/^bars? /, '')
    .replace('–', '-')} ${words}`;
}
/** The line with an element, or without it where it had it. */
export function withElement(line: string, element: Element): string {
  const words = line.trim().split(/\s+/).filter(Boolean);
  const others = words.filter((word) => word !== `-${element}`);
  return [...others, ...(others.length === words.length ? [`-${element}`] : [])].join(' ');
}

/** What is wrong at a spot, in a phrase. */
export const sayIssue = ({ issue, notHeld }: { issue: string; notHeld: readonly string[] }): string =>
  [issue, notHeld.join(', ')].filter(Boolean).join(': ');
