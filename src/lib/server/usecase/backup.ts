/** Backups as the teacher asks for them; the daily one is made by the running application itself. */
import type { App } from '../app';
import { type Backup, listBackups, makeBackup } from '../db/backup';
import { useCase, waitingUseCase } from './use-case';

/** Newest first. */
export const readBackups = useCase({
  rule: 'teacher',
  run: (_app: App, input: { directory: string }): Backup[] => listBackups(input.directory)
});

export const backUp = waitingUseCase({
  rule: 'teacher',
  run: (app: App, input: { directory: string }) => makeBackup(app.db, input.directory, Date.now())
});
