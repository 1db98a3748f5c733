/** What is typed of a printed part: errata one a line ("31: B flat"), cuts as bars ("17-33, 41-48"). */

type Bars = { readonly fromBar: number | null; readonly toBar: number | null };
type Read<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly says: string };

/** "bar 31: B flat", "m. 40, third beat: G natural" */
const ERRATUM = /^(?:(?:bar|measure|mm?\.|b\.) ?)?(\d{1,4})(?: ?[:.,;)] ?| )(\S.*)$/i;
/** As many as one item keeps. */
const [MOST_ERRATA, MOST_CUTS] = [400, 60];

/** Each run of spaces as one. */
const tidy = (line: string) => line.split(/\s+/).join(' ').trim();

export function parseErrata(text: string, item: Bars): Read<{ bar: number; says: string }[]> {
  const errata: { bar: number; says: string }[] = [];
  for (const line of text.split('\n').map(tidy)) {
    if (line === '') continue;
    const match = ERRATUM.exec(line);
    if (!match)
      return {
        ok: false,
        says: `Write the bar, a colon and what is right: 31: B flat. This is not: ${line.slice(0, 40)}`
      };
    const bar = Number(match[1]);
    if (isOutside(bar, item)) return { ok: false, says: sayOutside(bar, item) };
    errata.push({ bar, says: match[2]!.slice(0, 200) });
  }
  if (errata.length > MOST_ERRATA) return { ok: false, says: `At most ${MOST_ERRATA} errata of one item.` };
  return { ok: true, value: errata };
}

export function parseCuts(text: string, item: Bars): Read<{ fromBar: number; toBar: number }[]> {
  const cuts: { fromBar: number; toBar: number }[] = [];
  for (const part of text.split(/[,;]/).map((p) => p.trim())) {
    if (part === '') continue;
    const bars = readBars(part);
    if (!bars)
      return { ok: false, says: `Write the bars as 17-33, more of them after a comma. This is not: ${part}` };
    if (bars.fromBar > bars.toBar)
      return { ok: false, says: `The bars are upside down: ${bars.fromBar} to ${bars.toBar}.` };
    const outside = [bars.fromBar, bars.toBar].find((bar) => isOutside(bar, item));
    if (outside !== undefined) return { ok: false, says: sayOutside(outside, item) };
    cuts.push(bars);
  }
  if (cuts.length > MOST_CUTS) return { ok: false, says: `At most ${MOST_CUTS} cuts of one item.` };
  return { ok: true, value: cuts };
}

/** "37-41" or "37"; null where it is neither. */
export function readBars(text: string): { fromBar: number; toBar: number } | null {
  const match = /^(\d{1,4})(?:\s*(?:-|–|to)\s*(\d{1,4}))?$/.exec(text.trim());
  return match && { fromBar: Number(match[1]), toBar: Number(match[2] ?? match[1]) };
}

function isOutside(bar: number, { fromBar, toBar }: Bars): boolean {
  return fromBar !== null && toBar !== null && (bar < fromBar || bar > toBar);
}

function sayOutside(bar: number, { fromBar, toBar }: Bars): string {
  return `Bar ${bar} lies outside the item, bars ${fromBar} to ${toBar}.`;
}
