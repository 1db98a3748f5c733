import { fireEvent, render, screen } from '@testing-library/svelte';
import { expect, it } from 'vitest';
import Recordings from './Recordings.svelte';

const draw = (bpms: readonly number[] = []) => {
  const added: number[] = [];
  render(Recordings, { bpms, onMeasure: (bpm) => added.push(bpm) });
  return added;
};

/** Taps as the hand made them, whenever a busy page hears of them. */
async function tapAt(timesMs: readonly number[]) {
  for (const at of timesMs) {
    const click = new MouseEvent('click', { bubbles: true });
    Object.defineProperty(click, 'timeStamp', { value: at });
    await fireEvent(screen.getByRole('button', { name: 'Tap the beat' }), click);
  }
}
const beats = (from: number, count: number, every: number) =>
  Array.from({ length: count }, (_, n) => from + n * every);

it('a recording is measured by the beats that are tapped to it, from when they were tapped', async () => {
  const added = draw();
  await tapAt(beats(1000, 9, 625));
  expect(screen.getByText('96 from 9 taps')).toBeTruthy();
  await fireEvent.click(screen.getAllByRole('button', { name: 'Add it' })[0]!);
  expect(added).toEqual([96]);
  expect(screen.getByText('while the recording plays')).toBeTruthy();
});

it('taps begin anew after a pause', async () => {
  draw();
  await tapAt([...beats(1000, 5, 800), ...beats(9000, 9, 500)]);
  expect(screen.getByText('120 from 9 taps')).toBeTruthy();
});

it('beats counted in seconds are a tempo, and half of the two is none', async () => {
  const added = draw();
  await fireEvent.input(screen.getByLabelText('beats'), { target: { value: '24' } });
  const [, add] = screen.getAllByRole<HTMLButtonElement>('button', { name: 'Add it' });
  expect(add!.disabled).toBe(true);
  await fireEvent.input(screen.getByLabelText('in seconds'), { target: { value: '15' } });
  await fireEvent.click(add!);
  expect(added).toEqual([96]);
});

it('of several the one far from the others is said, and drawn hollow', () => {
  draw([96, 98, 97, 140]);
  expect(screen.getByText(/far from the others: 140; the median passes over it/)).toBeTruthy();
  const line = screen.getByRole('img', { name: /from 96 to 140/ });
  expect([...line.querySelectorAll('i')].map((dot) => dot.classList.contains('odd'))).toEqual([
    false,
    false,
    false,
    true
  ]);
});
