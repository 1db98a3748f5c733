import { backupDirectory } from '$lib/server/context';
import { runAs, runWaiting } from '$lib/server/http';
import { backUp, readBackups } from '$lib/server/usecase/backup';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => {
  const directory = backupDirectory();
  return { directory, backups: runAs(event, readBackups, { directory }) };
};

export const actions: Actions = {
  backUp: async (event) => {
    await runWaiting(event, backUp, { directory: backupDirectory() });
    return { isBackedUp: true };
  }
};
