import { describe, expect, it } from 'vitest';
import { linkFor } from './reach';

const here = new URL('http://127.0.0.1:3210/candidates/x');
const LAN = ['192.168.7.20'];

describe('a link for somebody else', () => {
  it('is the address by which the studio was asked, where that is not this machine alone', () => {
    const asked = new URL('https://studio.example/candidates/x');
    expect(linkFor(asked, '/join/t', undefined, LAN)).toEqual({
      address: 'https://studio.example/join/t',
      isHereOnly: false
    });
  });

  it('has the network’s address where the studio answers on all and was asked from its own machine', () => {
    expect(linkFor(here, '/join/t', undefined, LAN)).toEqual({
      address: 'http://192.168.7.20:3210/join/t',
      isHereOnly: false
    });
  });

  it('says that it opens here alone where the studio answers here alone, or there is no network', () => {
    const only = { address: 'http://127.0.0.1:3210/join/t', isHereOnly: true };
    expect(linkFor(here, '/join/t', 'http://127.0.0.1:3210', LAN)).toEqual(only);
    expect(linkFor(here, '/join/t', undefined, [])).toEqual(only);
  });
});
