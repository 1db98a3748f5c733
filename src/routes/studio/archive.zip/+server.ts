import { writeArchive } from '$lib/server/archive/file';
import { runAs, sendZip } from '$lib/server/http';
import { exportStudio } from '$lib/server/usecase/archive';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = (event) => {
  const archive = runAs(event, exportStudio, {});
  return sendZip(writeArchive(archive), `studio-${archive.head.madeAt.slice(0, 10)}.zip`);
};
