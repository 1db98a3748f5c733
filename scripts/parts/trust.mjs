/**
 * The page on which a tablet or a phone learns to trust the studio's authority, over plain http: nothing of the studio is asked or answered
 * there. What is downloaded can be compared by its fingerprint with what the studio's machine prints.
 */
import { X509Certificate } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { join } from 'node:path';
import { ROOT } from './prepare.mjs';

const FONT = 'node_modules/@fontsource-variable/archivo/files/archivo-latin-wdth-normal.woff2';
const read = (...path) => readFileSync(join(ROOT, ...path));

/** Typed into a page: nothing in it is markup. */
const plain = (text) => text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);

/**
 * @param {{ port: number, certificates: () => ReturnType<typeof import('./authority.mjs').readCertificates>, isKnown: (host: string) => boolean }} about
 *   `port` is the studio's
 */
export function makeTrustServer({ port, certificates, isKnown }) {
  const page = read('scripts', 'trust', 'page.html').toString();
  const files = {
    '/page.css': ['text/css', read('scripts', 'trust', 'page.css')],
    '/page.js': ['text/javascript', read('scripts', 'trust', 'page.js')],
    '/font.woff2': ['font/woff2', read(FONT)]
  };
  return createServer((request, response) => {
    const send = (status, type, body, more = {}) => {
      response.writeHead(status, {
        'content-type': type.startsWith('text/') ? `${type}; charset=utf-8` : type,
        'content-length': Buffer.byteLength(body),
        'cache-control': 'no-store',
        'x-content-type-options': 'nosniff',
        'referrer-policy': 'no-referrer',
        ...more
      });
      response.end(request.method === 'HEAD' ? undefined : body);
    };
    const host = (request.headers.host ?? '').toLowerCase().replace(/:\d+$/, '');
    if (request.method !== 'GET' && request.method !== 'HEAD')
      return send(405, 'text/plain', 'Only to be read.');
    if (!isKnown(host)) return send(421, 'text/plain', 'The studio is asked under a name it does not know.');
    const { pathname } = new URL(request.url, 'http://studio');
    if (files[pathname]) return send(200, ...files[pathname]);
    const { authority, fingerprint, covered } = certificates();
    if (pathname === '/authority.crt')
      return send(200, 'application/x-x509-ca-cert', new X509Certificate(authority).raw, {
        'content-disposition': 'attachment; filename="irvot-authority.crt"'
      });
    if (pathname !== '/') return send(404, 'text/plain', 'There is no such page.');
    const { names, addresses } = covered;
    const asked = [...names, ...addresses].includes(host) ? host : (addresses.at(-1) ?? names.at(-1));
    const studio = `https://${asked}:${port}`;
    const filled = { studio, fingerprint, places: [...names, ...addresses].join(', ') };
    send(
      200,
      'text/html',
      page.replace(/\{(\w+)\}/g, (whole, name) =>
        name in filled ? plain(filled[name]).replaceAll(/([0-9A-F]{2}:)/g, '$1<wbr>') : whole
      ),
      {
        'content-security-policy': `default-src 'self'; connect-src ${studio}; base-uri 'none'; form-action 'none'; frame-ancestors 'none'`
      }
    );
  });
}
