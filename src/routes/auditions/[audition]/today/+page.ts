import { viewHere } from '$lib/state/device/view-here';
import type { PageLoad } from './$types';

export const load: PageLoad = async ({ data, params, parent }) => {
  const { who } = await parent();
  return { ...data, ...(await viewHere(data, who?.drafts.accountId ?? '', params.audition)) };
};
