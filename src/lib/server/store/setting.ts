/** What the studio usually does, by name. */
import type { ChosenSchools } from '../../core/record';
import { type Db, preparedOnce } from '../db/open';

/** schools: how an item climbs where nothing else is said. */
type Settings = { readonly schools: ChosenSchools };

const statements = preparedOnce((db) => ({
  get: db.prepare<[string], string>('SELECT value_json FROM studio_setting WHERE name = ?').pluck(),
  put: db.prepare(
    'INSERT INTO studio_setting (name, value_json) VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET value_json = excluded.value_json'
  )
}));

export function readSetting<K extends keyof Settings>(db: Db, name: K): Settings[K] | null {
  const text = statements(db).get.get(name);
  return text === undefined ? null : (JSON.parse(text) as Settings[K]);
}
export const putSetting = <K extends keyof Settings>(db: Db, name: K, value: Settings[K]) =>
  void statements(db).put.run(name, JSON.stringify(value));
