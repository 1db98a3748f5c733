/** The studio in the house: over https by its own authority, which a browser takes once it trusts it, and a page on which it learns to. */
import { execFileSync } from 'node:child_process';
import { cpSync, mkdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { get, request } from 'node:http';
import { join } from 'node:path';
import { type Browser, chromium, expect, test } from '@playwright/test';
import { launchOf } from '../../scripts/parts/prepare.mjs';
import { serve } from '../../scripts/parts/serve.mjs';
import { step } from './studio';

const [PORT, TRUST] = [3411, 3412];
const TRUST_PAGE = `http://127.0.0.1:${TRUST}`;
const STUDIO = `https://127.0.0.1:${PORT}`;

/** A browser of a device that trusts these authorities. */
async function device(name: string, ...authorities: string[]): Promise<Browser> {
  const home = test.info().outputPath(name);
  const store = join(home, '.pki', 'nssdb');
  mkdirSync(store, { recursive: true });
  const certutil = (...args: string[]) => execFileSync('certutil', ['-d', `sql:${store}`, ...args]);
  certutil('-N', '--empty-password');
  authorities.forEach((file, i) => certutil('-A', '-t', 'C,,', '-n', `one ${i}`, '-i', file));
  return chromium.launch({
    ...launchOf(),
    env: { ...process.env, HOME: home }
  });
}

/** What the page's own server answers, by any method and under any name. */
const ask = (path: string, { host = `127.0.0.1:${TRUST}`, method = 'GET' } = {}) =>
  new Promise<{ status: number; text: string }>((resolve, reject) => {
    request({ port: TRUST, host: '127.0.0.1', path, method, headers: { host } }, (answer) => {
      let text = '';
      answer.on('data', (part: Buffer) => (text += part.toString()));
      answer.on('end', () => resolve({ status: answer.statusCode!, text }));
    })
      .on('error', reject)
      .end();
  });

test('a tablet learns to trust the studio once, and then has a safe line to it; another does not', async () => {
  const data = test.info().outputPath('data');
  cpSync(process.env.IRVOT_DEMO_TEMPLATE!, data, { recursive: true });
  const app = await serve({
    port: PORT,
    data,
    args: ['--network'],
    env: { IRVOT_DEMO: '1', IRVOT_NOW: '2026-11-24T08:00:00Z' },
    origin: TRUST_PAGE
  });
  try {
    const authority = test.info().outputPath('authority.crt');
    await step('the page gives the authority, its fingerprint and nothing of the studio', async () => {
      const bytes = Buffer.from(await (await fetch(`${TRUST_PAGE}/authority.crt`)).arrayBuffer());
      const pem = execFileSync('openssl', ['x509', '-inform', 'der'], { input: bytes }).toString();
      writeFileSync(authority, pem);
      const [, print] = execFileSync('openssl', [
        'x509',
        '-noout',
        '-fingerprint',
        '-sha256',
        '-in',
        authority
      ])
        .toString()
        .trim()
        .split('=');
      const { text } = await ask('/');
      expect(text.replaceAll('<wbr />', '').replaceAll('<wbr>', '')).toContain(print);
      // its key stays where it is
      expect(readFileSync(join(data, 'network', 'authority.pem'), 'utf8')).toContain('PRIVATE KEY');
      expect(statSync(join(data, 'network', 'authority.pem')).mode & 0o077).toBe(0);
      for (const path of [
        '/sign-in',
        '/studio',
        '/authority.pem',
        '/../data/network/authority.pem',
        '/scripts'
      ])
        expect((await ask(path)).status, path).toBe(404);
      expect((await ask('/', { method: 'POST' })).status).toBe(405);
      expect((await ask('/', { host: 'evil.example' })).status).toBe(421);
      // over plain http the studio's own port says nothing
      await expect(
        new Promise((resolve, reject) => get(`http://127.0.0.1:${PORT}/sign-in`, resolve).on('error', reject))
      ).rejects.toThrow();
    });

    await step('who does not trust it is warned by the browser, and told the steps', async () => {
      const stranger = await device('stranger');
      const page = await stranger.newPage();
      await expect(page.goto(`${STUDIO}/sign-in`)).rejects.toThrow('ERR_CERT_AUTHORITY_INVALID');
      const other = await stranger.newPage();
      await other.goto(TRUST_PAGE);
      await expect(other.getByRole('status')).toHaveText(/does not trust the studio yet/);
      await expect(other.getByRole('link', { name: 'The studio’s authority' })).toBeVisible();
      await stranger.close();
    });

    await step('who does is led into the studio, where all that needs a safe line is there', async () => {
      const tablet = await device('tablet', authority);
      const page = await tablet.newPage();
      await page.goto(TRUST_PAGE);
      await expect(page.getByRole('status')).toContainText('This device trusts the studio.');
      await page.getByRole('link', { name: 'Open the studio' }).click();
      await page.waitForURL(`${STUDIO}/**`);
      await page.getByRole('button', { name: /Noor/ }).click();
      await page.waitForURL('**/today');
      expect(await page.evaluate(() => isSecureContext && 'serviceWorker' in navigator)).toBe(true);
      const devtools = await page.context().newCDPSession(page);
      const manifest = await devtools.send('Page.getAppManifest');
      expect(manifest.errors).toEqual([]);
      const { icons, start_url: start } = JSON.parse(manifest.data!) as {
        icons: { src: string; sizes: string; type: string }[];
        start_url: string;
      };
      for (const { src, sizes } of icons.filter(({ type }) => type === 'image/png')) {
        const png = await (await page.request.get(STUDIO + src, { ignoreHTTPSErrors: true })).body();
        expect(`${png.readUInt32BE(16)}x${png.readUInt32BE(20)}`, src).toBe(sizes);
      }
      // installed, it opens on Today
      await page.goto(STUDIO + start);
      await page.waitForURL('**/today');
      const [cookie] = (await page.context().cookies()).filter(({ name }) => name.includes('session'));
      expect(cookie).toMatchObject({ name: '__Host-irvot_session', secure: true });
      // a name of the house stays open over http, where the next device learns to trust it
      const answer = await page.request.get(`${STUDIO}/sign-in`, { ignoreHTTPSErrors: true });
      expect(answer.headers()['strict-transport-security']).toBeUndefined();
      await tablet.close();
    });
  } finally {
    app.stop();
  }
});
