/**
 * How loud a sound is as a whole, so that two takes can be heard at one level: integrated loudness after ITU-R BS.1770-4, on which EBU R 128
 * stands. Two filters weigh it as a head and an ear would, blocks of 400 ms a quarter apart are measured, and what is far softer than the rest
 * is left out.
 */

/** The filters' published coefficients are for this many samples a second. */
export const LOUDNESS_RATE = 48_000;

/** b0, b1, b2, a1, a2; BS.1770-4, tables 1 and 2. */
type Filter = readonly [number, number, number, number, number];
const SHELF: Filter = [
  1.53512485958697, -2.69169618940638, 1.19839281085285, -1.69065929318241, 0.73248077421585
];
const HIGH_PASS: Filter = [1, -2, 1, -1.99004745483398, 0.99007225036621];

const STEP = LOUDNESS_RATE / 10;
const STEPS_A_BLOCK = 4;
/** In LUFS; what is softer is silence. */
const ABSOLUTE_GATE = -70;
/** So far under the mean of what is left, in LU, nothing counts. */
const RELATIVE_GATE = -10;

const levelOf = (power: number) => -0.691 + 10 * Math.log10(power);
const powerOf = (level: number) => 10 ** ((level + 0.691) / 10);
const mean = (powers: readonly number[]) => powers.reduce((sum, p) => sum + p, 0) / powers.length;

/** In LUFS, of one or two channels at 48 kHz; null for silence and for what is shorter than 400 ms. */
export function integratedLoudness(channels: readonly Float32Array[]): number | null {
  const steps = channels.map(stepPowers);
  const count = Math.min(...steps.map((one) => one.length));
  const blocks = Array.from({ length: Math.max(0, count - STEPS_A_BLOCK + 1) }, (_, at) =>
    steps.reduce((sum, powers) => sum + mean(powers.slice(at, at + STEPS_A_BLOCK)), 0)
  );
  const sounding = blocks.filter((power) => power > powerOf(ABSOLUTE_GATE));
  if (sounding.length === 0) return null;
  const gate = mean(sounding) * 10 ** (RELATIVE_GATE / 10);
  return levelOf(mean(sounding.filter((power) => power > gate)));
}

/** The mean square of each tenth of a second, weighed. */
function stepPowers(samples: Float32Array): number[] {
  const powers: number[] = [];
  const [shelf, highPass] = [biquad(SHELF), biquad(HIGH_PASS)];
  let sum = 0;
  for (let i = 0; i < samples.length; i += 1) {
    sum += highPass(shelf(samples[i]!)) ** 2;
    if ((i + 1) % STEP === 0) {
      powers.push(sum / STEP);
      sum = 0;
    }
  }
  return powers;
}

function biquad([b0, b1, b2, a1, a2]: Filter): (sample: number) => number {
  let [x1, x2, y1, y2] = [0, 0, 0, 0];
  return (x) => {
    const y = b0 * x + b1 * x1 + b2 * x2 - a1 * y1 - a2 * y2;
    [x2, x1, y2, y1] = [x1, x, y1, y];
    return y;
  };
}

/** By how much each of two is multiplied so that both are as loud as the softer one; 1 and 1 where one is silent. */
export function gainsFor(first: number | null, second: number | null): readonly [number, number] {
  if (first === null || second === null) return [1, 1];
  const level = Math.min(first, second);
  return [10 ** ((level - first) / 20), 10 ** ((level - second) / 20)];
}
