import { runAs } from '$lib/server/http';
import { writeList } from '$lib/server/list-file';
import { readList } from '$lib/server/usecase/list';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = (event) => {
  const { items, audition } = runAs(event, readList, { auditionId: event.params.audition });
  const name = `${audition.name.replace(/[^\p{L}\p{N}]+/gu, '-')}.csv`;
  return new Response(writeList(items), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="list.csv"; filename*=UTF-8''${encodeURIComponent(name)}`
    }
  });
};
