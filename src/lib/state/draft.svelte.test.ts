import { render } from '@testing-library/svelte';
import { tick } from 'svelte';
import { writable } from 'svelte/store';
import { beforeEach, describe, expect, it } from 'vitest';
import DraftProbe from '../../../tests/fixtures/DraftProbe.svelte';
import { forgetDrafts } from './draft';

type Form = { name: string; version: number };
const KEY = 'irvot draft probe';
const open = (saved: Form) => {
  const form = writable(saved);
  const tainted = writable<unknown>(undefined);
  const told: string[] = [];
  const { unmount } = render(DraftProbe, { kept: { form, tainted }, onBack: () => told.push('back') });
  const type = (name: string) => {
    tainted.set(true);
    form.update((f) => ({ ...f, name }));
  };
  let now = saved;
  form.subscribe((value) => (now = value));
  return { type, told, unmount, now: () => now };
};

beforeEach(() => localStorage.clear());

describe('a draft', () => {
  it('keeps what is typed through a reload and says it is back', async () => {
    const first = open({ name: '', version: 1 });
    first.type('half a name');
    first.unmount();
    const again = open({ name: '', version: 1 });
    await tick();
    expect(again.now().name).toBe('half a name');
    expect(again.told).toEqual(['back']);
  });

  it('takes the version of what is saved, so that a change elsewhere is still noticed', async () => {
    const first = open({ name: '', version: 1 });
    first.type('half a name');
    first.unmount();
    const again = open({ name: 'saved elsewhere', version: 2 });
    await tick();
    expect(again.now()).toEqual({ name: 'half a name', version: 2 });
  });

  it('is not made by merely looking', () => {
    open({ name: 'as it was', version: 1 }).unmount();
    expect(localStorage.getItem(KEY)).toBeNull();
  });

  it('of anyone is gone after signing out, and nothing else is', () => {
    open({ name: '', version: 1 }).type('private');
    localStorage.setItem('something else', 'stays');
    forgetDrafts();
    expect(localStorage.getItem(KEY)).toBeNull();
    expect(localStorage.getItem('something else')).toBe('stays');
  });
});
