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
  const kits = (await listKits(who.drafts.accountId)).map(({ auditionId, kit: { facts }, keptAtMs }) => ({
    auditionId,
    keptAtMs,
    audition: facts.audition.name,
    candidate: facts.candidate.name
  }));
  return { from, kits, heardAtMs: (await readClock())?.heardAtMs ?? null };
};
