import { describe, expect, it } from 'vitest';
import type { DeskEvent } from '../../record';
import { ELEMENTS } from '../elements';
import type { SpotTry } from '../spots/spot';
import { METHODS } from './catalogue';
import { elementsOf, offerMethods as offersFor, resultsOf } from './choose';
import { USUAL_WAYS, readWays, wayOf, waysOffered } from './own';
import { lengthOf, readPattern } from './pattern';

const spot = { id: 'leap', issue: 'flat after the leap', notHeld: [] as readonly string[] };
let clock = 0;
const tried = (method: string | null, marks: string, tempoBpm = 60, spotId = 'leap'): SpotTry => ({
  spotId,
  date: '2026-11-24',
  fromBar: 37,
  toBar: 38,
  tempoBpm,
  unit: 'quarter',
  marks,
  method,
  atMs: clock++,
  seconds: 30
});
const about = (tries: readonly SpotTry[] = []) => ({
  spot,
  family: 'winds' as const,
  tries,
  ways: USUAL_WAYS,
  isHurt: false
});
type About = Omit<Parameters<typeof offersFor>[0], 'spots'> & { readonly spot: typeof spot };
/** Others that are tried have the same issue. */
const offerMethods = ({ spot: of, ...more }: About) => {
  const others = [...new Set(more.tries.map(({ spotId }) => spotId))].filter((id) => id !== of.id);
  return offersFor({ spots: [of, ...others.map((id) => ({ ...of, id }))], ...more })(of);
};
const idsOf = (methods: readonly { id: string }[]) => methods.map(({ id }) => id);

describe('the methods', () => {
  it('are at least two dozen ways, each once by its id, each good for some element', () => {
    expect(new Set(METHODS.map(({ group }) => group)).size).toBeGreaterThanOrEqual(24);
    expect(new Set(METHODS.map(({ id }) => id)).size).toBe(METHODS.length);
    for (const method of METHODS) {
      expect(method.goodFor.length).toBeGreaterThan(0);
      expect(method.goodFor.every((element) => ELEMENTS.includes(element))).toBe(true);
    }
    expect(wayOf('drone', USUAL_WAYS)!.needs).toBe('a drone');
    expect(wayOf('none', USUAL_WAYS)).toBeUndefined();
  });

  it('have patterns of whole beats between the first note and the downbeat', () => {
    for (const { pattern } of METHODS.filter((method) => method.pattern)) {
      const groups = readPattern(pattern!);
      const line = groups.findIndex(({ kind }) => kind === 'barline');
      const notes = groups
        .slice(0, line < 0 ? groups.length : line)
        .flatMap((group) => (group.kind === 'notes' ? group.notes : []));
      const sum = notes.reduce((total, note) => total + lengthOf(note), 0);
      // a displaced start ends on a note of the next beat
      if (!notes[0]!.isRest) expect(sum % 1, pattern).toBe(0);
    }
    expect(() => readPattern('8,7')).toThrow(RangeError);
  });
});

describe('what a spot is offered', () => {
  it('is six that fit the instrument and the issue, the one proposed first', () => {
    const offered = offerMethods(about());
    expect(offered).toHaveLength(6);
    expect(elementsOf(spot)).toEqual(['intonation']);
    for (const method of offered) {
      expect(method.goodFor).toContain('intonation');
      expect(method.families ?? ['winds']).toContain('winds');
    }
    expect(idsOf(offerMethods({ ...about(), family: 'strings' }))).toContain('both-down');
  });

  it('never begins with the last used, and takes what was least used on it', () => {
    let tries: SpotTry[] = [];
    let last: string | undefined;
    const seen: string[] = [];
    for (let day = 0; day < 200; day++) {
      const offered = offerMethods(about(tries));
      const [first] = offered;
      expect(idsOf(offered)).not.toContain(last);
      last = first!.id;
      seen.push(last);
      tries = [...tries, tried(last, 'cn')];
    }
    const fits = METHODS.filter(
      ({ goodFor, families }) => goodFor.includes('intonation') && (!families || families.includes('winds'))
    );
    const counts = fits.map(({ id }) => seen.filter((one) => one === id).length);
    expect(Math.max(...counts) - Math.min(...counts)).toBeLessThanOrEqual(1);
  });

  it('goes by what worked before, of those that were used alike', () => {
    // over a drone what followed was cleaner; sung first it was not
    const worked = [
      tried(null, 'nn', 60, 'other'),
      tried('drone', 'cn', 60, 'other'),
      tried(null, 'cc', 60, 'other')
    ];
    const not = [
      tried(null, 'cc', 60, 'third'),
      tried('sung', 'cn', 60, 'third'),
      tried(null, 'nn', 60, 'third')
    ];
    expect(resultsOf(worked)).toEqual([{ method: 'drone', hasWorked: true }]);
    expect(resultsOf(not)).toEqual([{ method: 'sung', hasWorked: false }]);
    // cleaner, but slower
    const slower = [tried(null, 'nn', 60), tried('drone', 'cn'), tried(null, 'cc', 56)];
    expect(resultsOf(slower)).toEqual([{ method: 'drone', hasWorked: false }]);
    const offered = idsOf(offerMethods(about([...worked, ...not])));
    expect(offered[0]).toBe('drone');
    expect(offered).not.toContain('sung');
  });

  it('is nothing that tires while something hurts', () => {
    const hurt = offerMethods({ ...about(), spot: { ...spot, issue: 'fingers rush' }, isHurt: true });
    expect(hurt.some(({ isTiring }) => isTiring)).toBe(false);
    const air = { ...about(), spot: { ...spot, issue: '', notHeld: ['air'] } };
    expect(idsOf(offerMethods(air))).toContain('harder');
    expect(idsOf(offerMethods({ ...air, isHurt: true }))).not.toContain('harder');
  });

  it('has one of each way before its variants', () => {
    const offered = offerMethods({ ...about(), spot: { ...spot, issue: 'rushes' } });
    expect(new Set(offered.map(({ group }) => group)).size).toBe(6);
  });
});

describe('the teacher’s own ways', () => {
  const event = (seq: number, more: object) =>
    ({ id: `e${seq}`, device: 'studio', seq, atMs: seq, date: '2026-11-24', ...more }) as DeskEvent;
  const own = { id: 'mine', name: 'On one note', says: 'The rhythm on one note.', goodFor: ['intonation'] };
  const added = event(0, { kind: 'method', method: own, isGone: false });
  const hidden = event(1, { kind: 'method-hidden', method: METHODS[0]!.id, isHidden: true });

  it('are offered before the usual ones, and what is hidden is not', () => {
    const ways = readWays([hidden, added]);
    const offered = idsOf(waysOffered(ways));
    expect([offered[0], offered.includes(METHODS[0]!.id), offered.length]).toEqual([
      'mine',
      false,
      METHODS.length
    ]);
    expect(offerMethods({ ...about(), ways })[0]!.id).toBe('mine');
    // for rhythm it is not meant
    const rushes = { ...spot, issue: 'rushes' };
    expect(idsOf(offerMethods({ ...about(), spot: rushes, ways }))).not.toContain('mine');
  });

  it('are named in the log when they are gone, and everything can come back', () => {
    const gone = event(2, { kind: 'method', method: own, isGone: true });
    const back = event(3, { kind: 'method-hidden', method: METHODS[0]!.id, isHidden: false });
    const ways = readWays([added, hidden, gone, back]);
    expect(idsOf(waysOffered(ways))).toEqual(idsOf(METHODS));
    expect(wayOf('mine', ways)!.name).toBe('On one note');
  });
});
