import { mkdtemp } from 'node:fs/promises';
import { writeArchive } from '$lib/server/archive/file';
import { filesFolder, incomingFolder } from '$lib/server/context';
import { allow, runWaiting, sendZip } from '$lib/server/http';
import { streamStudio } from '$lib/server/usecase/archive';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async (event) => {
  allow(event, streamStudio, undefined);
  const folder = await mkdtemp(incomingFolder());
  const archive = await runWaiting(event, streamStudio, { folder, files: filesFolder() });
  return sendZip(writeArchive(archive), `studio-${archive.head.madeAt.slice(0, 10)}.zip`);
};

/** Asked without its body, no copy of the studio is made. */
export const HEAD: RequestHandler = (event) => {
  allow(event, streamStudio, undefined);
  return new Response(null, { headers: { 'content-type': 'application/zip' } });
};
