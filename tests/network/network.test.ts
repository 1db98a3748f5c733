/** The studio's own authority, read by two programs that are strict about it: OpenSSL, and Node.js's TLS client. */
import { execFileSync } from 'node:child_process';
import { X509Certificate } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { connect, createServer } from 'node:tls';
import forge from 'node-forge';
import { afterAll, describe, expect, it } from 'vitest';
import { readCertificates } from '../../scripts/parts/authority.mjs';
import { placesOf } from '../../scripts/parts/places.mjs';

const root = mkdtempSync(join(tmpdir(), 'irvot-network-'));
afterAll(() => rmSync(root, { recursive: true, force: true }));
let folders = 0;
const folder = () => join(root, `n${(folders += 1)}`);

const PLACES = { names: ['localhost', 'harbour', 'harbour.local'], addresses: ['127.0.0.1', '192.168.7.20'] };
const NOW = Date.now();
const DAY_MS = 86_400_000;
const at = (where: string, more: Partial<typeof PLACES> = {}, days = 0, isAnew = false) =>
  readCertificates(where, { ...PLACES, ...more }, NOW + days * DAY_MS, isAnew);

/** What OpenSSL says of a certificate, under all rules of RFC 5280 that it knows. */
function verify(authority: string, certificate: string, ...more: string[]): string {
  const [ca, one] = [join(root, 'ca.pem'), join(root, 'one.pem')];
  writeFileSync(ca, authority);
  writeFileSync(one, certificate);
  try {
    const args = ['verify', '-x509_strict', '-purpose', 'sslserver', ...more, '-CAfile', ca, one];
    return execFileSync('openssl', args, { stdio: 'pipe' }).toString().trim();
  } catch (thrown) {
    return String((thrown as { stderr: Buffer }).stderr);
  }
}

/** What somebody could sign who has taken the authority's key. */
function forged(where: string, altNames: object[]): string {
  const { pki, md } = forge;
  const [certificate, key] = readFileSync(join(where, 'authority.pem'), 'utf8').split(
    /(?=-----BEGIN PRIVATE)/
  );
  const issuer = pki.certificateFromPem(certificate!);
  const made = pki.createCertificate();
  made.publicKey = issuer.publicKey;
  made.serialNumber = '0102';
  made.validity.notBefore = new Date(NOW - DAY_MS);
  made.validity.notAfter = new Date(NOW + DAY_MS);
  made.setSubject([{ name: 'commonName', value: 'x' }]);
  made.setIssuer(issuer.subject.attributes);
  made.setExtensions([
    { name: 'subjectAltName', altNames },
    { name: 'extKeyUsage', serverAuth: true },
    { name: 'subjectKeyIdentifier' },
    { name: 'authorityKeyIdentifier', keyIdentifier: issuer.generateSubjectKeyIdentifier().getBytes() }
  ]);
  made.sign(pki.privateKeyFromPem(key!), md.sha256.create());
  return pki.certificateToPem(made);
}

describe('the studio’s own authority', () => {
  it('signs what a strict reader takes, under each name and address of the machine and no other', () => {
    const { authority, certificate } = at(folder());
    expect(verify(authority, certificate)).toMatch(/: OK$/);
    for (const name of PLACES.names)
      expect(verify(authority, certificate, '-verify_hostname', name)).toMatch(/OK$/);
    for (const ip of PLACES.addresses)
      expect(verify(authority, certificate, '-verify_ip', ip)).toMatch(/OK$/);
    expect(verify(authority, certificate, '-verify_hostname', 'bank.example')).toContain('hostname mismatch');
    expect(verify(authority, certificate, '-verify_ip', '192.168.7.21')).toContain('IP address mismatch');
  });

  it('vouches for nothing else, not even in the hands of who has taken its key', () => {
    const where = folder();
    const { authority } = at(where);
    const signed = (altName: object) => verify(authority, forged(where, [altName]));
    expect(signed({ type: 2, value: 'harbour' })).toMatch(/: OK$/);
    expect(signed({ type: 2, value: 'bank.example' })).toContain('permitted subtree violation');
    expect(signed({ type: 2, value: 'neighbour.local' })).toContain('permitted subtree violation');
    expect(signed({ type: 7, ip: '192.168.7.21' })).toContain('permitted subtree violation');
    expect(signed({ type: 7, ip: '::1' })).toContain('permitted subtree violation');
    // and no other authority
    expect(
      execFileSync('openssl', ['x509', '-in', join(where, 'authority.pem'), '-noout', '-text']).toString()
    ).toMatch(/CA:TRUE, pathlen:0[\s\S]*Name Constraints: critical/);
  });

  it('is taken by a client that knows it, for as long as browsers allow, and refused by one that does not', async () => {
    const { authority, certificate, key } = at(folder());
    const server = createServer({ cert: certificate, key }, (socket) => socket.end());
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const { port } = server.address() as { port: number };
    const meets = (ca: string | undefined, servername: string) =>
      new Promise<string>((resolve) => {
        const socket = connect({ host: '127.0.0.1', port, servername, ca }, () => {
          resolve(socket.authorized ? 'taken' : 'not taken');
          socket.destroy();
        });
        socket.on('error', ({ code }: NodeJS.ErrnoException) => resolve(code!));
      });
    expect(await meets(authority, 'harbour.local')).toBe('taken');
    expect(await meets(authority, 'bank.example')).toBe('ERR_TLS_CERT_ALTNAME_INVALID');
    expect(await meets(undefined, 'harbour.local')).toBe('UNABLE_TO_VERIFY_LEAF_SIGNATURE');
    server.close();
    const { validFrom, validTo } = new X509Certificate(certificate);
    expect((Date.parse(validTo) - Date.parse(validFrom)) / DAY_MS).toBeLessThanOrEqual(398);
  });

  it('is made once: the same is read again, and its key by its owner alone', () => {
    const where = folder();
    const first = at(where);
    expect(first.isNew).toBe(true);
    expect(at(where)).toEqual({ ...first, isNew: false });
    for (const file of ['authority.pem', 'studio.pem'])
      expect(statSync(join(where, file)).mode & 0o777, file).toBe(0o600);
    expect(statSync(where).mode & 0o777).toBe(0o700);
  });

  it('is renewed a month before it ends, the studio’s certificate by the same authority, the authority by another', () => {
    const where = folder();
    const first = at(where);
    const later = at(where, {}, 366);
    expect(later.certificate).toBe(first.certificate);
    const renewed = at(where, {}, 368);
    expect(renewed.certificate).not.toBe(first.certificate);
    expect(renewed.fingerprint).toBe(first.fingerprint);
    expect(
      verify(first.authority, renewed.certificate, '-attime', String(Math.round(NOW / 1000) + 500 * 86_400))
    ).toMatch(/OK$/);
    // nothing that it signs outlives it
    const last = at(where, {}, 3600);
    expect(last.fingerprint).toBe(first.fingerprint);
    expect(Date.parse(new X509Certificate(last.certificate).validTo)).toBe(first.endsMs);
    expect(at(where, {}, 3621)).toMatchObject({ isNew: true });
  });

  it('knows an address that came later only when it is made anew, which is said', () => {
    const where = folder();
    const first = at(where);
    const addresses = ['127.0.0.1', '192.168.7.33'];
    const moved = at(where, { addresses });
    expect(moved).toMatchObject({
      isNew: false,
      uncovered: ['192.168.7.33'],
      fingerprint: first.fingerprint
    });
    expect(moved.covered).toEqual({ names: PLACES.names, addresses: ['127.0.0.1'] });
    expect(verify(moved.authority, moved.certificate, '-verify_hostname', 'harbour.local')).toMatch(/OK$/);
    const anew = at(where, { addresses }, 0, true);
    expect(anew).toMatchObject({ isNew: true, uncovered: [] });
    expect(verify(anew.authority, anew.certificate, '-verify_ip', '192.168.7.33')).toMatch(/OK$/);
    expect(verify(first.authority, anew.certificate)).not.toMatch(/OK$/);
  });

  it('is made again where its file is no such thing, or its key another’s', () => {
    const where = folder();
    const first = at(where);
    writeFileSync(join(where, 'studio.pem'), 'nothing');
    expect(verify(first.authority, at(where).certificate)).toMatch(/OK$/);
    const other = folder();
    at(other);
    const [certificate] = readFileSync(join(where, 'authority.pem'), 'utf8').split(/(?=-----BEGIN PRIVATE)/);
    const [, key] = readFileSync(join(other, 'authority.pem'), 'utf8').split(/(?=-----BEGIN PRIVATE)/);
    writeFileSync(join(where, 'authority.pem'), certificate! + key!);
    const made = at(where);
    expect(made.isNew).toBe(true);
    expect(verify(made.authority, made.certificate)).toMatch(/OK$/);
  });
});

describe('names and addresses of a machine', () => {
  const v4 = (address: string) => ({ address, family: 'IPv4' }) as never;
  it('are its own, what the house calls it, and IPv4; what is no name of a host is none', () => {
    const interfaces = { lo: [v4('127.0.0.1')], wlan: [v4('192.168.7.20'), { address: 'fe80::1' } as never] };
    expect(placesOf('Harbour', interfaces)).toEqual(PLACES);
    expect(placesOf('harbour.house.example', {}).names).toEqual([
      'localhost',
      'harbour.house.example',
      'harbour.local'
    ]);
    expect(placesOf('Marthe’s machine', {})).toEqual({ names: ['localhost'], addresses: ['127.0.0.1'] });
  });
});
