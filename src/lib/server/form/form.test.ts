import { stringify } from 'devalue';
import { describe, expect, it } from 'vitest';
import { callForm } from '../../schema/call-form';
import { signInForm } from '../../schema/forms';
import { readFields } from './fields';
import { readForm, refuseForm } from './form';

const post = (body: BodyInit, headers: Record<string, string> = {}) =>
  new Request('http://studio.example/', { method: 'POST', body, headers });
const typed = (fields: Record<string, string>) => post(new URLSearchParams(fields));
const state = (value: unknown) => typed({ __superform_json: stringify(value) });
const codeOf = (reading: Promise<unknown>) =>
  reading.then(
    () => 'read',
    (thrown: { code?: string }) => thrown.code ?? 'another error'
  );
const round = { id: '', name: 'first round', date: '2027-01-09', zone: 'Europe/Brussels' };

describe('the fields of a form', () => {
  it('are read as they were typed, from either kind of form', async () => {
    const parts = new FormData();
    parts.append('date', '1');
    parts.append('date', '2');
    parts.append('file', new Blob(['étude']), 'list.txt');
    const read = await readFields(post(parts), { fileBytes: 100 });
    expect([read.all('date'), read.get('date'), read.get('none')]).toEqual([['1', '2'], '2', '']);
    expect(read.file?.toString()).toBe('étude');
    expect((await readFields(typed({ note: 'é & =' }))).record()).toEqual({ note: 'é & =' });
  });

  it('are no more than a form has, however many come', async () => {
    const many = Array.from({ length: 45_000 }, (_, i) => [`f${i}`, 'x'] as [string, string]);
    expect(await codeOf(readFields(post(new URLSearchParams(many))))).toBe('form-too-large');
    const files = Array.from(
      { length: 45_000 },
      (_, i) => `--b\r\ncontent-disposition: form-data; name="f${i}"; filename="x"\r\n\r\nx\r\n`
    );
    const body = `${files.join('')}--b--\r\n`;
    const asParts = { 'content-type': 'multipart/form-data; boundary=b' };
    expect(await codeOf(readFields(post(body, asParts), { bytes: 10_000_000 }))).toBe('form-too-large');
  });

  it('of another kind, cut short, too long or with a file where none is taken are refused', async () => {
    expect(await codeOf(readFields(post('{}', { 'content-type': 'application/json' })))).toBe(
      'form-unreadable'
    );
    expect(await codeOf(readFields(post('x', { 'content-type': 'multipart/form-data' })))).toBe(
      'form-unreadable'
    );
    const cut = { 'content-type': 'multipart/form-data; boundary=b' };
    const part = '--b\r\ncontent-disposition: form-data; name="f"';
    for (const body of ['--b\r\ncontent-dispo', `${part}\r\n\r\nx`, `${part}; filename="x"\r\n\r\nx`])
      expect(await codeOf(readFields(post(body, cut), { fileBytes: 100 }))).toBe('form-unreadable');
    expect(await codeOf(readFields(typed({ note: 'x'.repeat(600_000) })))).toBe('form-too-large');
    const parts = new FormData();
    parts.append('file', new Blob(['x'.repeat(2000)]), 'x');
    expect(await codeOf(readFields(post(parts), { fileBytes: 1000 }))).toBe('form-too-large');
  });
});

describe('a form', () => {
  it('comes back with its values, or with its faults at their fields and what was typed', async () => {
    const sound = await readForm(state({ name: 'Band', rounds: [round] }), callForm);
    expect(sound).toMatchObject({
      valid: true,
      data: { name: 'Band', rounds: [{ zone: 'Europe/Brussels' }] }
    });
    const faulty = await readForm(state({ name: 'Band', rounds: [{ ...round, date: 'soon' }] }), callForm);
    expect(faulty.valid).toBe(false);
    expect(faulty.errors.rounds?.[0]?.date?.[0]).toContain('There is no day soon');
    expect(faulty.data.rounds[0]!.date).toBe('soon');
  });

  it('of plain fields is read by their kinds, and what is nested does not come plainly', async () => {
    const { data } = await readForm(
      typed({ login: ' ada ', password: 'seven green boats', more: 'x' }),
      signInForm
    );
    expect(data).toEqual({ login: 'ada', password: 'seven green boats' });
    expect(await codeOf(readForm(typed({ name: 'Band', rounds: 'x' }), callForm))).toBe('form-unreadable');
  });

  it.each([
    ['no object', [1, 2]],
    ['another shape', { name: 7, rounds: 'many', dates: { a: 1 }, slots: null }],
    ['empty rounds', { name: 'Band', rounds: [null, 7, 'x', {}] }]
  ])('of %s is refused or said to be wrong, and never an error', async (_, value) => {
    const read = await readForm(state(value), callForm).catch((thrown: { code: string }) => thrown);
    if ('code' in read) expect(read.code).toBe('form-unreadable');
    else expect(read.valid).toBe(false);
  });

  it('of thousands of rounds is refused at once, without a fault for each', async () => {
    const rounds = Array.from({ length: 4000 }, () => ({ name: '' }));
    expect(await codeOf(readForm(state({ name: 'Band', rounds }), callForm))).toBe('form-unreadable');
  });

  it('gets its faults put each at its field, those of a list on the list', async () => {
    const form = await readForm(state({ name: 'Band', rounds: [round] }), callForm);
    refuseForm(form, [
      { path: ['rounds', 0, 'date'], says: 'one' },
      { path: ['rounds', 0, 'date'], says: 'two' },
      { path: ['rounds'], says: 'a list' },
      { path: ['_errors'], says: 'above' }
    ]);
    expect(form.valid).toBe(false);
    expect(form.errors).toEqual({
      rounds: { 0: { date: ['one', 'two'] }, _errors: ['a list'] },
      _errors: ['above']
    });
  });
});
