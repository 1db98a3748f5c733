import { describe, expect, it } from 'vitest';
import { beatsPerBar, sayBpm, tempoIn } from '../units';
import {
  TRADITIONAL_SCALE,
  clickOf,
  clickPosition,
  clickableRange,
  clicksBetween,
  clicksLower,
  settingsBetween
} from './scale';

describe('the traditional metronome scale', () => {
  it('has the printed settings (widely printed on metronomes; from memory)', () => {
    expect(TRADITIONAL_SCALE).toEqual([
      40, 42, 44, 46, 48, 50, 52, 54, 56, 58, 60, 63, 66, 69, 72, 76, 80, 84, 88, 92, 96, 100, 104, 108, 112,
      116, 120, 126, 132, 138, 144, 152, 160, 168, 176, 184, 192, 200, 208
    ]);
  });

  it('has sixteen clicks to an octave of tempo', () => {
    for (const bpm of [40, 50, 60, 72, 84, 104])
      expect(clicksBetween(bpm, bpm * 2, 'quarter')).toBeCloseTo(16, 6);
  });

  it('goes on below 40 and above 208 without a seam', () => {
    expect(clickPosition({ bpm: 39.9999, unit: 'quarter' })).toBeCloseTo(0, 3);
    expect(clickPosition({ bpm: 39.9999, unit: 'dotted-quarter' })).toBeCloseTo(0, 3);
    expect(clickPosition({ bpm: 208.001, unit: 'quarter' })).toBeCloseTo(38, 3);
    expect(clickPosition({ bpm: 20, unit: 'quarter' })).toBeCloseTo(-16, 9);
  });

  it('puts a tempo between two settings by log tempo', () => {
    // 90 lies between 88 (index 18) and 92 (19): ln(90/88) / ln(92/88) = 0.022473 / 0.044452 = 0.50556
    expect(clickPosition({ bpm: 90, unit: 'quarter' })).toBeCloseTo(18.50556, 4);
  });

  it('says the subdivision below 40 and the double above 208', () => {
    expect(clickOf({ bpm: 29, unit: 'dotted-quarter' })).toEqual({ bpm: 87, unit: 'eighth' });
    expect(clickOf({ bpm: 30, unit: 'quarter' })).toEqual({ bpm: 60, unit: 'eighth' });
    expect(clickOf({ bpm: 240, unit: 'quarter' })).toEqual({ bpm: 120, unit: 'half' });
    expect(clickOf({ bpm: 92, unit: 'quarter' })).toEqual({ bpm: 92, unit: 'quarter' });
    expect(clickOf({ bpm: 19, unit: 'quarter' })).toBeNull();
    expect(clickOf({ bpm: 209, unit: 'whole' })).toBeNull();
  });

  it('knows the range of a beat unit', () => {
    expect(clickableRange('quarter')).toEqual({ lowest: 20, highest: 416 });
    expect(clickableRange('sixteenth')).toEqual({ lowest: 40, highest: 416 });
    expect(clickableRange('whole')).toEqual({ lowest: 20, highest: 208 });
    expect(clickableRange('dotted-quarter').lowest).toBeCloseTo(13.333, 3);
  });

  it('lists the settings strictly between two tempos', () => {
    expect(settingsBetween(56, 69, 'quarter')).toEqual([58, 60, 63, 66]);
    expect(settingsBetween(38, 42, 'quarter')).toEqual([40]);
    expect(settingsBetween(200, 232, 'quarter')).toEqual([208, 216, 224]);
    expect(settingsBetween((88 * 4) / 12, 92 / 3, 'dotted-quarter')).toEqual([]);
  });

  it('steps down one setting', () => {
    expect(clicksLower(92, 'quarter', 1)).toBe(88);
    expect(clicksLower(90, 'quarter', 1)).toBe(88);
    expect(clicksLower(40, 'sixteenth', 1)).toBe(40);
    expect(clicksLower(92, 'quarter', 2)).toBe(84);
    expect(clicksLower(92, 'quarter', 0)).toBe(92);
  });
});

describe('beat units', () => {
  it('tell one speed in several units', () => {
    expect(tempoIn({ bpm: 58, unit: 'dotted-quarter' }, 'eighth')).toBe(174);
    expect(tempoIn({ bpm: 58, unit: 'dotted-quarter' }, 'quarter')).toBe(87);
    expect(tempoIn({ bpm: 60, unit: 'half' }, 'sixteenth')).toBe(480);
  });

  it('is said in whole numbers, as metronomes have them, where another unit has one between', () => {
    expect(sayBpm(tempoIn({ bpm: 63, unit: 'eighth' }, 'quarter'))).toBe('32'); // 31.5
    expect(sayBpm(tempoIn({ bpm: 104, unit: 'eighth' }, 'dotted-quarter'))).toBe('35'); // 34.67
    expect(sayBpm(92)).toBe('92');
  });

  it('divide a bar', () => {
    expect(beatsPerBar('6/8', 'dotted-quarter')).toBe(2);
    expect(beatsPerBar('5/8', 'eighth')).toBe(5);
    expect(beatsPerBar('2/2', 'quarter')).toBe(4);
    expect(beatsPerBar('0/4', 'quarter')).toBeNull();
    expect(beatsPerBar('4/5', 'quarter')).toBeNull();
  });
});
