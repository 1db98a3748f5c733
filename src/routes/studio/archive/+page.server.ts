import { fail } from '@sveltejs/kit';
import { MOST_ARCHIVE_BYTES, readArchive, sayTooLarge } from '$lib/server/archive/file';
import { backupDirectory, theApp } from '$lib/server/context';
import { CodedError } from '$lib/server/errors';
import { ask } from '$lib/server/http';
import { importArchive } from '$lib/server/usecase/archive';
import { backUp, readBackups } from '$lib/server/usecase/backup';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => {
  const directory = backupDirectory();
  return { directory, backups: ask(event, readBackups, { directory }) };
};

export const actions: Actions = {
  takeIn: async (event) => {
    // who may, before anything of a large file is read
    ask(event, readBackups, { directory: backupDirectory() });
    const length = Number(event.request.headers.get('content-length'));
    if (length > MOST_ARCHIVE_BYTES)
      return fail(413, { fault: `This file was not taken in. ${sayTooLarge(length)} Nothing was changed.` });
    const file = (await event.request.formData()).get('file');
    if (!(file instanceof File) || file.size === 0) return fail(400, { fault: 'Choose a file first.' });
    try {
      const archive = readArchive(new Uint8Array(await file.arrayBuffer()));
      return { taken: importArchive(theApp(), event.locals.who, { archive }) };
    } catch (thrown) {
      if (thrown instanceof CodedError) return fail(400, { fault: thrown.message });
      throw thrown;
    }
  },
  backUp: async (event) => {
    await ask(event, backUp, { directory: backupDirectory() });
    return { isBackedUp: true };
  }
};
