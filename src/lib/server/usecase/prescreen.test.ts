import { beforeEach, describe, expect, it } from 'vitest';
import { asAda, codeOf, openStudio, zone, STUDY, TEACHER } from '../../../../tests/fixtures/small-studio';
import type { App, Who } from '../app';
import { findStep, takeBackChange } from '../change/apply';
import { putSound } from '../store/take';
import { addAudition } from './call';
import { addItem } from './list';
import { chooseTake, nameFilm, readPrescreen, setPrescreen } from './prescreen';
import { addTake, setTake } from './takes';

let app: App;
let auditionId: string;
let itemId: string;
let other: string;
let ada: Who;
const roundId = 'r-pre';
beforeEach(() => {
  const nowMs = Date.parse('2026-11-24T16:00:00Z');
  const studio = openStudio(() => nowMs);
  app = studio.app;
  const { candidateId } = studio;
  const rounds = [
    {
      id: roundId,
      name: 'pre-screening',
      date: '2027-01-10',
      zone,
      isHistory: false,
      uploadBy: '2027-01-14'
    },
    { id: 'r-live', name: 'first round', date: '2027-02-10', zone, isHistory: false }
  ];
  auditionId = addAudition(app, TEACHER, { candidateId, name: 'Dune Winds', rounds, dates: [] });
  itemId = addItem(app, TEACHER, { auditionId, item: { ...STUDY, name: 'Étude “Dunes”' } });
  other = addItem(app, TEACHER, { auditionId, item: { ...STUDY, name: 'Tern' } });
  ada = asAda(candidateId);
});
const page = () => readPrescreen(app, ada, { auditionId });
const item = (id = itemId) => page().items.find((one) => one.id === id)!;
const choose = (takeId: string | null, id = itemId) =>
  chooseTake(app, ada, { auditionId, roundId, itemId: id, takeId });
const takeBack = (token: string) => takeBackChange(app, findStep(app, token)!);
const uuid = (n: number) => `6f1c0f7e-9a51-4a0b-8b1e-0d1f3c9a7e${String(n).padStart(2, '0')}`;
function record(n: number, hasSound = true, of = itemId): string {
  const id = uuid(n);
  const take = { id, itemId: of, fromBar: 1, toBar: 16, date: '2026-11-2' + (n % 5), madeAtMs: n } as const;
  addTake(app, ada, { itemId: of, take: { ...take, source: 'run', tempo: null, musicAtMs: 0 } });
  if (hasSound)
    putSound(app.db, id, {
      name: String(n).repeat(64).slice(0, 64),
      kind: 'audio/mpeg',
      bytes: 10,
      lengthMs: 1000
    });
  return id;
}

describe('a recorded round', () => {
  it('is sent three days before its last day, and says what is missing', () => {
    expect(page().round).toMatchObject({ id: roundId, sendOn: '2027-01-11', uploadBy: '2027-01-14' });
    expect(page().missing).toEqual(['Étude “Dunes”', 'Tern']);
    choose(record(1));
    nameFilm(app, ada, { auditionId, roundId, itemId: other, name: 'tern.mov' });
    expect(page().missing).toEqual([]);
    nameFilm(app, ada, { auditionId, roundId, itemId: other, name: ' ' });
    expect(page().missing).toEqual(['Tern']);
  });

  it('shows takes that sound under letters, and of none when it was made before it is chosen', () => {
    const ids = [1, 2, 3].map((n) => record(n));
    record(4, false);
    record(5, true, other);
    expect(
      item()
        .takes.map(({ id }) => id)
        .sort()
    ).toEqual(ids);
    expect(JSON.stringify(item().takes)).not.toMatch(/2026|madeAt|date/);
    const undo = choose(ids[1]!);
    expect(item().chosen).toMatchObject({ id: ids[1], date: '2026-11-22', file: '01_Étude_Dunes_Ada.mp3' });
    takeBack(undo);
    expect(item().chosen).toBeNull();
  });

  it('names its files as the call wants; a pattern that is empty is the usual one', () => {
    choose(record(1));
    const pattern = (said: string) =>
      setPrescreen(app, ada, { auditionId, roundId, rules: 'one take', pattern: said });
    pattern('{name}_{item}');
    expect(item().chosen!.file).toBe('Ada_Étude_Dunes.mp3');
    pattern('  ');
    expect(item().chosen!.file).toBe('01_Étude_Dunes_Ada.mp3');
    expect(page().round!.rules).toBe('one take');
  });

  it('takes no take of another item, of somebody else or that is gone, and no round that is none', () => {
    const theirs = record(1, true, other);
    expect(codeOf(() => choose(theirs))).toBe('not-found');
    expect(codeOf(() => choose('none'))).toBe('not-found');
    expect(codeOf(() => choose(record(2, false)))).toBe('not-found');
    expect(
      codeOf(() => setPrescreen(app, ada, { auditionId, roundId: 'r-live', rules: '', pattern: '' }))
    ).toBe('not-found');
    choose(record(3));
    setTake(app, ada, { takeId: uuid(3), set: { isGone: true } });
    expect(item().chosen).toBeNull();
  });
});
