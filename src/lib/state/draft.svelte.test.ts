import { render, waitFor } from '@testing-library/svelte';
import { writable } from 'svelte/store';
import { beforeEach, describe, expect, it } from 'vitest';
import DraftProbe from '../../../tests/fixtures/DraftProbe.svelte';
import { Draft, type DraftOwner, countDrafts, forgetDrafts } from './draft';

type Form = { name: string; version: number };
let ada: DraftOwner;
let bo: DraftOwner;
let test = 0;

const open = (saved: Form, { owner = ada, what = 'probe', isFresh = false } = {}) => {
  const form = writable(saved);
  const tainted = writable<unknown>(undefined);
  const told: string[] = [];
  const draft = new Draft(owner, what);
  const kept = { form, tainted };
  const { unmount } = render(DraftProbe, { draft, kept, onBack: () => told.push('back'), isFresh });
  let now = saved;
  form.subscribe((value) => (now = value));
  const type = async (name: string) => {
    // the form is set up once what was kept has been looked for: what is typed before is typed again
    await waitFor(
      async () => {
        tainted.set(true);
        form.update((f) => ({ ...f, name }));
        expect(await draft.read()).toMatchObject({ name });
      },
      { timeout: 20_000 }
    );
  };
  return { type, told, unmount, draft, now: () => now };
};
const kept = (draft: Draft, name: string) =>
  waitFor(async () => expect(await draft.read()).toMatchObject({ name }), { timeout: 20_000 });
const settled = () => new Promise((resolve) => setTimeout(resolve, 30));

beforeEach(() => {
  localStorage.clear();
  // others than in the test before, of which something may still be written
  test += 1;
  ada = { accountId: `ada-${test}`, key: 'only Ada knows' };
  bo = { accountId: `bo-${test}`, key: 'only Bo knows' };
});

describe('a draft', () => {
  it('keeps what is typed through a reload and says it is back', async () => {
    const first = open({ name: '', version: 1 });
    await first.type('half a name');
    first.unmount();
    const again = open({ name: '', version: 1 });
    await waitFor(() => expect(again.now().name).toBe('half a name'));
    expect(again.told).toEqual(['back']);
  });

  it('keeps the version it began on, so that what was saved elsewhere since is noticed', async () => {
    const first = open({ name: '', version: 1 });
    await first.type('half a name');
    first.unmount();
    const again = open({ name: 'saved elsewhere', version: 2 });
    await waitFor(() => expect(again.now()).toEqual({ name: 'half a name', version: 1 }));
  });

  it('of one thing is not another’s, and of one person nobody else’s', async () => {
    await open({ name: '', version: 1 }).type('half a name');
    for (const other of [{ what: 'another thing' }, { owner: bo }]) {
      const again = open({ name: '', version: 1 }, other);
      await settled();
      expect(again.now().name).toBe('');
    }
  });

  it('lies on the device so that nobody can read it there', async () => {
    await open({ name: '', version: 1 }).type('a private note');
    expect(JSON.stringify({ ...localStorage })).not.toContain('private note');
    const asAda = { ...ada, key: 'what Bo guesses' };
    expect(await new Draft(asAda, 'probe').read()).toBeNull();
  });

  it('is not made by merely looking, and a form begun anew does not bring it back', async () => {
    open({ name: 'as it was', version: 1 }).unmount();
    await settled();
    expect(countDrafts(ada)).toBe(0);
    await open({ name: '', version: 1 }).type('old');
    const anew = open({ name: 'new', version: 1 }, { isFresh: true });
    await kept(anew.draft, 'new');
    expect(anew.now().name).toBe('new');
  });

  it('is not written any more once it was let go, however late the cipher is done', async () => {
    const draft = new Draft(ada, 'probe');
    draft.write({ name: 'typed just before saving' });
    // the cipher is at work
    await Promise.resolve();
    draft.forget();
    // what was begun later is done later
    const later = new Draft(ada, 'another thing');
    later.write({ name: 'typed after' });
    await kept(later, 'typed after');
    await settled();
    expect(countDrafts(ada)).toBe(1);
  });

  it('of a person is counted and gone after signing out, and nothing else is', async () => {
    await open({ name: '', version: 1 }).type('private');
    await open({ name: '', version: 1 }, { owner: bo }).type('Bo’s own');
    localStorage.setItem('something else', 'stays');
    expect(countDrafts(ada)).toBe(1);
    forgetDrafts(ada);
    expect([countDrafts(ada), countDrafts(bo)]).toEqual([0, 1]);
    expect(localStorage.getItem('something else')).toBe('stays');
  });
});
