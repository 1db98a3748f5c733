/** Answers with a file, or with the part of it that is asked for, read while it is sent. */
import { createReadStream, existsSync } from 'node:fs';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { error } from '@sveltejs/kit';

type Served = { readonly name: string; readonly kind: string; readonly bytes: number };

/** First and last byte that a `Range` header asks for; "all" where it asks for no single range, null where there is no such part. */
export function readRange(header: string | null, bytes: number): readonly [number, number] | 'all' | null {
  const match = /^bytes=(\d{0,15})-(\d{0,15})$/.exec(header ?? '');
  const [first = '', last = ''] = match?.slice(1) ?? [];
  if (first === '' && last === '') return 'all';
  const from = first === '' ? Math.max(0, bytes - Number(last)) : Number(first);
  const to = first === '' || last === '' ? bytes - 1 : Math.min(Number(last), bytes - 1);
  return from > to ? null : [from, to];
}

export function answerWithFile(folder: string, { name, kind, bytes }: Served, request: Request): Response {
  const file = join(folder, name);
  if (!existsSync(file)) error(404, { message: 'This sound is no longer here.' });
  const range = readRange(request.headers.get('range'), bytes);
  if (range === null)
    return new Response(null, { status: 416, headers: { 'content-range': `bytes */${bytes}` } });
  const [from, to] = range === 'all' ? [0, bytes - 1] : range;
  const part = Readable.toWeb(createReadStream(file, { start: from, end: to }));
  return new Response(part as ReadableStream, {
    status: range === 'all' ? 200 : 206,
    headers: {
      'accept-ranges': 'bytes',
      'content-type': kind,
      'content-length': String(to - from + 1),
      // it is played, never opened as a page
      'content-disposition': 'inline',
      ...(range === 'all' ? {} : { 'content-range': `bytes ${from}-${to}/${bytes}` })
    }
  });
}
