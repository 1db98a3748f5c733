import { backupDirectory } from '$lib/server/context';
import { ask } from '$lib/server/http';
import { backUp, readBackups } from '$lib/server/usecase/backup';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => {
  const directory = backupDirectory();
  return { directory, backups: ask(event, readBackups, { directory }) };
};

export const actions: Actions = {
  backUp: async (event) => {
    await ask(event, backUp, { directory: backupDirectory() });
    return { isBackedUp: true };
  }
};
