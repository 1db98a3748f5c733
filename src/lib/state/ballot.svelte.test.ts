import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { BallotItem } from '../core/record';
import type { BallotView } from '../schema/mock-view';
import { BallotPaper } from './ballot.svelte';

const VIEW = { id: 'j', ballot: [] } as unknown as BallotView;
const paper = () => new BallotPaper('/place', '/write', VIEW);
const answers = (answer: Partial<Response> | null) =>
  vi.stubGlobal(
    'fetch',
    vi.fn(() => (answer ? Promise.resolve(answer) : Promise.reject(new TypeError('no line'))))
  );
const sent = () => vi.waitFor(() => expect(fetch).toHaveBeenCalled());

beforeEach(() => localStorage.clear());

describe('what is written on a ballot', () => {
  it('is kept on the device until the studio has it: without a line, where it has none, and where a session has ended', async () => {
    for (const answer of [
      null,
      { ok: false, status: 503, redirected: false },
      // a page that asks to sign in is no answer to a ballot
      { ok: true, status: 200, redirected: true }
    ]) {
      localStorage.clear();
      answers(answer);
      const one = paper();
      one.word(0, 'rhythm', 'uneven');
      await sent();
      await vi.waitFor(() => expect(one.fault !== '' || !answer?.redirected).toBe(true));
      expect(one.unsent).toEqual([0]);
      // another page of this device goes on with it
      const again = paper();
      const end = again.open('d');
      expect(again.of(0).words).toEqual({ rhythm: 'uneven' });
      end();
    }
  });

  it('goes on from what was written elsewhere, but for what this device still has to send', async () => {
    const of = (item: number, rhythm: string) => ({ item, words: { rhythm }, notes: [] }) as BallotItem;
    answers({
      ok: false,
      status: 409,
      redirected: false,
      json: () => Promise.resolve({ message: 'moved' })
    });
    const one = paper();
    const end = one.open('d');
    one.word(1, 'rhythm', 'uneven');
    await vi.waitFor(() => expect(one.fault).toBe('moved'));
    answers({ ok: true, status: 204, redirected: false });
    one.goOn([of(0, 'carries'), of(1, 'carries')]);
    expect([one.of(0), one.of(1)]).toEqual([of(0, 'carries'), of(1, 'uneven')]);
    await vi.waitFor(() => expect(one.unsent).toEqual([]));
    expect(one.fault).toBe('');
    end();
  });

  it('waits no more once it has come', async () => {
    answers({ ok: true, status: 204, redirected: false });
    const one = paper();
    one.word(0, 'rhythm', 'uneven');
    await vi.waitFor(() => expect(one.unsent).toEqual([]));
    expect(one.fault).toBe('');
  });
});
