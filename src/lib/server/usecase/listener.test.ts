import { beforeEach, describe, expect, it } from 'vitest';
import { asAda, codeOf, openStudio, timeOf, TEACHER } from '../../../../tests/fixtures/small-studio';
import type { App, Who } from '../app';
import { readHolder } from '../grant/grant';
import { keepSound } from '../takes/keep';
import {
  addRemark,
  endSharing,
  findListenedSound,
  makeRemarkSpot,
  readListening,
  shareTake
} from './listener';
import { readSpotPage } from './spots';
import { saveFacts } from './studio';
import { addTake, readTake, setTake } from './takes';

const NOW = Date.parse('2026-11-24T16:00:00Z');
const DAY_MS = 86_400_000;
const TAKE = '6f1c0f7e-9a51-4a0b-8b1e-0d1f3c9a7e11';
const OTHER = '6f1c0f7e-9a51-4a0b-8b1e-0d1f3c9a7e12';
const REMARK = '6f1c0f7e-9a51-4a0b-8b1e-0d1f3c9a7e21';
const SOUND = { name: 'a'.repeat(64), kind: 'audio/webm', bytes: 1000, lengthMs: 40_000 } as const;

let nowMs: number;
let app: App;
let candidateId: string;
let auditionId: string;
let ada: Who;
beforeEach(() => {
  nowMs = NOW;
  const studio = openStudio(() => nowMs, timeOf(60, [1, 2, 3, 4, 5]));
  ({ app, candidateId, auditionId } = studio);
  const { itemId } = studio;
  ada = asAda(candidateId);
  for (const id of [TAKE, OTHER]) {
    const bars = { fromBar: 1, toBar: 16, tempo: { bpm: 120, unit: 'quarter' }, musicAtMs: 0 } as const;
    const take = { id, itemId, ...bars, date: '2026-11-24', madeAtMs: NOW, source: 'run' } as const;
    addTake(app, ada, { itemId, take });
    keepSound(app, id, SOUND);
  }
});

const share = (who: Who = ada) => shareTake(app, who, { takeId: TAKE, name: 'Marit' });
const open = (token: string) => readHolder(app, 'listener', token);

describe('a take that is sent to one listener', () => {
  it('is opened by the link alone: that take, its item and their own remarks, and not a word of the player', () => {
    const marit = open(share());
    const view = readListening(app, marit, {});
    expect(view).toMatchObject({ listener: 'Marit', take: { id: TAKE, lengthMs: 40_000 }, remarks: [] });
    expect(JSON.stringify(view)).not.toContain('Ada');
    expect(JSON.stringify(view)).not.toContain(candidateId);
    expect(findListenedSound(app, marit, {})).toEqual(SOUND);
    expect(codeOf(() => readTake(app, marit, { takeId: TAKE }))).toBe('not-signed-in');
  });

  it('brings a remark back at its bar, once, which becomes a spot in the listener’s words', () => {
    const marit = open(share());
    const remark = { id: REMARK, atMs: 4500, says: 'rushes into the turn' };
    addRemark(app, marit, remark);
    addRemark(app, marit, remark);
    const { marks, listener } = readTake(app, ada, { takeId: TAKE });
    expect(marks).toEqual([{ ...remark, element: '', spotId: null, isOwn: false, by: 'Marit' }]);
    expect(listener!.name).toBe('Marit');
    const bars = { fromBar: 3, toBar: 3 };
    for (let i = 0; i < 2; i += 1) makeRemarkSpot(app, ada, { takeId: TAKE, markId: REMARK, bars });
    expect(
      readSpotPage(app, ada, { auditionId }).spots.map(({ fromBar, issue, foundBy }) => [
        fromBar,
        issue,
        foundBy
      ])
    ).toEqual([[3, 'rushes into the turn', 'take']]);
  });

  it('ends after a fortnight, by hand, with another link, and with the take', () => {
    const first = share();
    nowMs += 14 * DAY_MS;
    expect(codeOf(() => open(first))).toBe('link-spent');
    const second = share();
    const third = share();
    expect(codeOf(() => open(second))).toBe('link-spent');
    const marit = open(third);
    setTake(app, ada, { takeId: TAKE, set: { isGone: true } });
    expect(codeOf(() => readListening(app, marit, {}))).toBe('link-spent');
    expect(codeOf(() => findListenedSound(app, marit, {}))).toBe('link-spent');
    setTake(app, ada, { takeId: TAKE, set: { isGone: false } });
    endSharing(app, ada, { takeId: TAKE });
    expect(codeOf(() => open(third))).toBe('link-spent');
  });

  it('of a minor waits for a guardian’s consent to that very thing, and ends at once when it is withdrawn', () => {
    const facts = { name: 'Ada', instruments: 'oboe', zone: 'Europe/Brussels', isMinor: true };
    let version = 1;
    const consent = (sharingOn: string | null) =>
      saveFacts(app, TEACHER, {
        candidateId,
        version: version++,
        facts: { ...facts, guardian: 'Mo', consentOn: '2026-11-01', sharingOn, privateNote: '' }
      });
    consent(null);
    expect(codeOf(() => share())).toBe('no-sharing');
    expect(codeOf(() => share(TEACHER))).toBe('no-sharing');
    consent('2026-11-20');
    const token = share();
    expect(codeOf(() => open(token))).toBeNull();
    consent(null);
    expect(codeOf(() => open(token))).toBe('link-spent');
    consent('2026-11-24');
    expect(codeOf(() => open(token))).toBe('link-spent');
  });

  it('says at most a hundred things', () => {
    const marit = open(share());
    const say = (n: number) =>
      addRemark(app, marit, { id: `${REMARK.slice(0, -3)}${100 + n}`, atMs: n, says: 'x' });
    for (let n = 0; n < 100; n += 1) say(n);
    expect(codeOf(() => say(100))).toBe('too-many');
    expect(readListening(app, marit, {}).remarks).toHaveLength(100);
  });
});
