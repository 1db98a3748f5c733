/** What the studio usually does with an item of a list: new ones begin with it. */
import type { ChosenSchools } from '../../core/record';
import type { App } from '../app';
import { putSetting, readSetting } from '../store/setting';
import { useCase } from './use-case';

export const usualSchools = (app: App): ChosenSchools => readSetting(app.db, 'schools') ?? {};

export const readUsual = useCase({
  rule: 'teacher',
  run: (app: App, _input: Record<string, never>) => usualSchools(app)
});

/** Items that are there already stay as they are. */
export const saveUsual = useCase({
  rule: 'teacher',
  run: (app: App, input: { schools: ChosenSchools }) => putSetting(app.db, 'schools', input.schools)
});
