import { runAs } from '$lib/server/http';
import { exportCalendar } from '$lib/server/usecase/calendar';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = (event) => {
  const { text, fileName } = runAs(event, exportCalendar, {
    auditionId: event.params.audition,
    by: event.url.searchParams.get('by') === 'block' ? 'block' : 'day'
  });
  return new Response(text, {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': `attachment; filename="plan.ics"; filename*=UTF-8''${encodeURIComponent(fileName)}`
    }
  });
};
