import { beforeEach, describe, expect, it } from 'vitest';
import { type App, makeApp } from '../app';
import { openDb } from '../db/open';
import { takeCall } from './call';
import { readList } from './list';
import {
  addCall,
  addUntakenItems,
  orderUntaken,
  readUntaken,
  readUntakenItem,
  removeUntakenItem,
  saveUntakenCall,
  saveUntakenItem
} from './untaken';
import { saveUsual } from './usual';
import { STUDY, TEACHER, addPlayer, timeOf } from '../../../../tests/fixtures/small-studio';

const ROUND = { id: '', name: 'first round', date: '2027-01-09', zone: 'Europe/Brussels', isHistory: false };
let app: App;
let callId: string;
const read = () => readUntaken(app, TEACHER, { callId });
const names = () => read().items.map(({ name }) => name);
const add = (...given: string[]) =>
  addUntakenItems(app, TEACHER, { callId, items: given.map((name) => ({ ...STUDY, name })) });
const idOf = (name: string) => read().items.find((item) => item.name === name)!.id;

beforeEach(() => {
  app = makeApp(openDb(':memory:'), () => Date.parse('2026-11-24T10:00:00Z'));
  callId = addCall(app, TEACHER, { name: 'Wind band', rounds: [ROUND], dates: [] });
});

describe('a list that nobody takes yet', () => {
  it('is begun with its call, and gains items without anybody’s plan', () => {
    add('Weir', 'Culvert');
    expect(read()).toMatchObject({ call: { name: 'Wind band' }, taker: null });
    expect(names()).toEqual(['Weir', 'Culvert']);
    expect(read().asked[idOf('Weir')]).toMatchObject([{ unit: 'quarter', targetBpm: 96 }]);
    expect(() => addCall(app, TEACHER, { name: 'Wind band', rounds: [ROUND], dates: [] })).toThrow(
      'a list of that name already'
    );
  });

  it('takes no name twice, and then none of what came with it', () => {
    add('Weir');
    expect(() => add('Culvert', 'Weir')).toThrow('“Weir” is on the list already');
    expect(names()).toEqual(['Weir']);
  });

  it('is put in another order, loses an item and has it back in its place', () => {
    add('Weir', 'Culvert', 'Lock');
    const itemId = idOf('Culvert');
    orderUntaken(app, TEACHER, { callId, ids: [idOf('Lock'), 'none', itemId, idOf('Weir')] });
    expect(names()).toEqual(['Lock', 'Culvert', 'Weir']);
    removeUntakenItem(app, TEACHER, { callId, itemId, isBack: false });
    expect(names()).toEqual(['Lock', 'Weir']);
    removeUntakenItem(app, TEACHER, { callId, itemId, isBack: true });
    expect(names()).toEqual(['Lock', 'Culvert', 'Weir']);
  });

  it('dates what is new among errata, and tells the later of two who change an item', () => {
    add('Weir');
    const place = { callId, itemId: idOf('Weir') };
    const { item } = readUntakenItem(app, TEACHER, place);
    const more = { ...item, errata: [{ bar: 7, says: 'B flat' }] };
    saveUntakenItem(app, TEACHER, { ...place, item: more, version: item.version });
    const saved = readUntakenItem(app, TEACHER, place).item;
    expect(saved.errata).toEqual([{ bar: 7, says: 'B flat', addedOn: '2026-11-24' }]);
    expect(() => saveUntakenItem(app, TEACHER, { ...place, item: more, version: item.version })).toThrow(
      'another window'
    );
  });

  it('keeps to its own items, whoever’s list they are named from', () => {
    add('Weir');
    const other = addCall(app, TEACHER, { name: 'Other', rounds: [ROUND], dates: [] });
    const place = { callId: other, itemId: idOf('Weir') };
    expect(() => readUntakenItem(app, TEACHER, place)).toThrow();
    expect(() => removeUntakenItem(app, TEACHER, { ...place, isBack: false })).toThrow('nothing here');
    orderUntaken(app, TEACHER, { callId: other, ids: [place.itemId] });
    expect(names()).toEqual(['Weir']);
  });

  it('goes to whoever takes it as it stands, in its order, climbing as is usual here, and is then changed there', () => {
    add('Weir', 'Culvert');
    orderUntaken(app, TEACHER, { callId, ids: [idOf('Culvert'), idOf('Weir')] });
    saveUsual(app, TEACHER, { schools: { inARow: 5 } });
    const candidateId = addPlayer(app, 'Ada', timeOf(60, [1, 2, 3, 4, 5, 6, 7]));
    const auditionId = takeCall(app, TEACHER, { candidateId, callId });
    const { items } = readList(app, TEACHER, { auditionId });
    expect(items.map(({ name, schools }) => [name, schools?.inARow])).toEqual([
      ['Culvert', 5],
      ['Weir', 5]
    ]);
    expect(read().taker).toMatchObject({ auditionId });
    const { version } = read().call;
    const changed = { callId, name: 'Winds', rounds: [ROUND], dates: [], version };
    expect(() => add('Lock')).toThrow('Somebody takes this list by now');
    expect(() => saveUntakenCall(app, TEACHER, changed)).toThrow('Somebody takes this list by now');
  });

  it('has its call changed, by who has seen it as it is', () => {
    const { version } = read().call;
    const [round] = read().call.rounds;
    const to = { callId, name: 'Winds', rounds: [{ ...round!, date: '2027-01-16' }], dates: [], version };
    saveUntakenCall(app, TEACHER, to);
    expect(read().call).toMatchObject({ name: 'Winds', rounds: [{ id: round!.id, date: '2027-01-16' }] });
    expect(() => saveUntakenCall(app, TEACHER, to)).toThrow('another window');
  });
});
