import { describe, expect, it } from 'vitest';
import { allTypedOn, typedOn } from './typed-on';

describe('what is typed while an answer is still to come', () => {
  it.each([
    ['nothing: the answer fills the field', 'ccn', 'ccn', 'ccn again', 'ccn again'],
    ['nothing: the answer empties it', 'ccn', 'ccn', '', ''],
    ['on after what was sent, which goes', 'ccn', 'ccn1 4m', '', '1 4m'],
    ['on after what was sent, which stays', 'ccn', 'ccnc', 'ccn', 'ccnc'],
    ['something else', 'ccn', '1 4m', '', '1 4m'],
    ['nothing any more: it was wiped', 'ccn', '', 'ccn', '']
  ])('%s', (_, sent, now, answered, held) => expect(typedOn(sent, now, answered)).toBe(held));

  it('stays in its own field, and the others are as they are answered', () => {
    const sent = { id: 'a', line: 'ccn', bars: [{ from: 1 }] };
    const now = { id: 'a', line: 'ccnx', bars: [{ from: 2 }] };
    expect(allTypedOn(sent, now, { id: 'b', line: '', bars: [] })).toEqual({
      id: 'b',
      line: 'x',
      bars: [{ from: 2 }]
    });
  });
});
