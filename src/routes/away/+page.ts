import type { PageLoad } from './$types';

/** What it shows lies on the device alone. */
export const ssr = false;

export const load: PageLoad = async ({ url, parent }) => {
  const { who } = await parent();
  const asked = url.searchParams.get('from') ?? '/';
  // a page of the studio's, and no other address
  const from = /^\/(?![/\\])/.test(asked) ? asked : '/';
  if (!who) return { from, kits: [], heardAtMs: null };
  const { listKits } = await import('$lib/state/device/kits');
  const { readClock } = await import('$lib/state/device/clock');
  const all = await listKits(who.drafts.accountId);
  // what is heard next stands first
  const heardOn = ({ roundsOn }: { readonly roundsOn: readonly string[] }, today: string) =>
    roundsOn.find((date) => date >= today) ?? '9';
  const kits = all.map(({ auditionId, kit: { facts }, keptAtMs }) => ({
    heardOn: heardOn(facts.audition, facts.readOn),
    auditionId,
    keptAtMs,
    audition: facts.audition.name,
    candidate: facts.candidate.name
  }));
  kits.sort((a, b) => (a.heardOn < b.heardOn ? -1 : 1));
  return { from, kits, heardAtMs: (await readClock())?.heardAtMs ?? null };
};
