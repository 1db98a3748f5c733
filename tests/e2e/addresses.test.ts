import { execFileSync } from 'node:child_process';
import { request as ask } from 'node:https';
import { get } from 'node:http';
import { networkInterfaces } from 'node:os';
import { expect, test } from '@playwright/test';
import { serve } from '../../scripts/parts/serve.mjs';

const ACCOUNT = new URLSearchParams({ name: 'Marthe', login: 'marthe', password: 'three quiet herons' });
const asAction = { accept: 'application/json', 'x-sveltekit-action': 'true' };

/** The first page as it is asked under a name. */
const askUnder = (port: number, host: string) =>
  new Promise<{ status: number; text: string }>((resolve, reject) => {
    get({ port, host: '127.0.0.1', path: '/sign-in', headers: { host } }, (answer) => {
      let text = '';
      answer.on('data', (part: Buffer) => (text += part.toString()));
      answer.on('end', () => resolve({ status: answer.statusCode!, text }));
    }).on('error', reject);
  });

test('started for every address, the studio answers under each of this machine, forms too, and under no other name', async () => {
  const app = await serve({ port: 3395, data: test.info().outputPath('every'), args: ['--host', '0.0.0.0'] });
  try {
    const own = Object.values(networkInterfaces())
      .flat()
      .filter((one) => one?.family === 'IPv4')
      .map((one) => one!.address);
    for (const address of new Set(['127.0.0.1', 'localhost', ...own])) {
      const origin = `http://${address}:3395`;
      const headers = { ...asAction, origin };
      const sent = await fetch(`${origin}/new-studio`, { method: 'POST', headers, body: ACCOUNT });
      // made at the first address, there already at the others: never refused for where it came from
      expect([200, 409], address).toContain(sent.status);
      const foreign = { ...asAction, origin: 'http://evil.example' };
      const refused = await fetch(`${origin}/sign-in`, { method: 'POST', headers: foreign, body: ACCOUNT });
      expect(refused.status, address).toBe(403);
    }
    const strange = await askUnder(3395, 'studio.example:3395');
    expect([strange.status, strange.text]).toEqual([421, expect.stringContaining('Start it with --origin')]);
  } finally {
    app.stop();
  }
});

test('over https cookies come the safe way alone, and browsers are told to stay with it', async () => {
  const [cert, key] = ['cert.pem', 'key.pem'].map((name) => test.info().outputPath(name)) as [string, string];
  const subject = ['-subj', '/CN=localhost', '-addext', 'subjectAltName=DNS:localhost'];
  execFileSync(
    'openssl',
    ['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '2', '-keyout', key, '-out', cert, ...subject],
    { stdio: 'ignore' }
  );
  const args = ['--host', 'localhost', '--cert', cert, '--key', key];
  process.env.NODE_TLS_REJECT_UNAUTHORIZED = '0';
  const app = await serve({
    port: 3396,
    data: test.info().outputPath('https'),
    args,
    origin: 'https://localhost:3396'
  });
  try {
    const body = ACCOUNT.toString();
    const headers = {
      ...asAction,
      origin: app.origin,
      'content-type': 'application/x-www-form-urlencoded',
      'content-length': body.length
    };
    const answer = await new Promise<import('node:http').IncomingMessage>((resolve, reject) => {
      const sent = ask(
        `${app.origin}/new-studio`,
        { method: 'POST', headers, rejectUnauthorized: false },
        resolve
      );
      sent.on('error', reject);
      sent.end(body);
    });
    expect(answer.headers['strict-transport-security']).toBe('max-age=31536000');
    const [cookie] = answer.headers['set-cookie']!;
    expect(cookie).toMatch(/^__Host-irvot_session=/);
    for (const part of ['Path=/', 'HttpOnly', 'Secure', 'SameSite=Lax']) expect(cookie).toContain(part);
    answer.resume();
  } finally {
    app.stop();
    delete process.env.NODE_TLS_REJECT_UNAUTHORIZED;
  }
});
