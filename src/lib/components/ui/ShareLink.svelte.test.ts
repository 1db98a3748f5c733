import { render, screen } from '@testing-library/svelte';
import jsQR from 'jsqr';
import { settled } from 'svelte';
import { expect, it } from 'vitest';
import ShareLink from './ShareLink.svelte';

const PIXELS_A_MODULE = 4;

/** What a camera would see of a drawn code: black squares of one unit on white, in RGBA. */
function pixelsOf(svg: SVGSVGElement): { rgba: Uint8ClampedArray; size: number } {
  const modules = Number(svg.getAttribute('viewBox')!.split(' ')[2]);
  const size = modules * PIXELS_A_MODULE;
  const rgba = new Uint8ClampedArray(size * size * 4).fill(255);
  const drawn = [...svg.querySelectorAll('path')].map((path) => path.getAttribute('d')).join('');
  for (const [, x, y] of drawn.matchAll(/M(\d+) (\d+)h1v1h-1z/g))
    for (let n = 0; n < PIXELS_A_MODULE ** 2; n += 1) {
      const column = Number(x) * PIXELS_A_MODULE + (n % PIXELS_A_MODULE);
      const row = Number(y) * PIXELS_A_MODULE + Math.floor(n / PIXELS_A_MODULE);
      rgba.fill(0, (row * size + column) * 4, (row * size + column) * 4 + 3);
    }
  return { rgba, size };
}

// read by a library that shares nothing with the one that writes (jsQR)
it.each([
  'http://192.168.2.31:3210/join/kq0Zt2b8xJ5mC4nP7wR1sV6yA3dF9gHh',
  `https://studio.example/substitute/${'aB3_-'.repeat(30)}`
])('draws a code that a camera reads as %s', async (address) => {
  const link = { address, isHereOnly: false };
  render(ShareLink, { id: 'link', label: 'Link', link });
  // drawn when what draws it has come
  const { rgba, size } = pixelsOf(await screen.findByRole<SVGSVGElement & HTMLElement>('img'));
  expect(jsQR(rgba, size, size)?.data).toBe(address);
});

it('draws none for an address that no other device reaches', async () => {
  const link = { address: 'http://127.0.0.1:3210/join/x', isHereOnly: true };
  const { container } = render(ShareLink, { id: 'link', label: 'Link', link });
  await import('uqr');
  await settled();
  expect(container.querySelector('svg')).toBeNull();
});
