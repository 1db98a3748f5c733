import { writeArchive } from '$lib/server/archive/file';
import { filesFolder } from '$lib/server/context';
import { readFiles } from '$lib/server/files/folder';
import { runAs, sendZip } from '$lib/server/http';
import { exportCandidate } from '$lib/server/usecase/archive';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = (event) => {
  const archive = runAs(event, exportCandidate, { candidateId: event.params.candidate });
  const name = archive.candidates[0]!.name.replace(/[^\p{L}\p{N}]+/gu, '-');
  const files = readFiles(filesFolder(), new Set(archive.files));
  return sendZip(writeArchive({ ...archive, files }), `${name}-${archive.head.madeAt.slice(0, 10)}.zip`);
};
