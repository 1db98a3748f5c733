/**
 * Starts the application: a real, empty studio unless the data directory has one. Flags or environment:
 *   --data IRVOT_DATA   data directory (data)          --port PORT     (3210)
 *   --host HOST         address (127.0.0.1)            --origin ORIGIN public address behind a reverse proxy
 *   --cert IRVOT_CERT, --key IRVOT_KEY                 files for https
 *   --network           https in the house, by an authority of the studio's own, which devices learn to trust at --trust-port (the next port);
 *   --anew              with another authority than before
 */
import { existsSync, readFileSync } from 'node:fs';
import { createServer as createHttp } from 'node:http';
import { createServer as createHttps } from 'node:https';
import { hostname, networkInterfaces } from 'node:os';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { parseArgs } from 'node:util';
import { placesOf } from './parts/places.mjs';
import { ROOT, ensureBuilt, ensureInstalled, giveUp } from './parts/prepare.mjs';

const PROTOCOL = 'x-irvot-protocol';
const LOOKED_AFTER_MS = 12 * 3_600_000;

function readFlags() {
  const [flag, is] = [{ type: 'string' }, { type: 'boolean' }];
  try {
    return parseArgs({
      options: {
        data: flag,
        port: flag,
        host: flag,
        origin: flag,
        cert: flag,
        key: flag,
        network: is,
        'trust-port': flag,
        anew: is
      }
    }).values;
  } catch (error) {
    return giveUp(
      `${error.message}\nFlags: --data, --port, --host, --origin, --cert, --key, --network, --trust-port, --anew.`
    );
  }
}

const flags = readFlags();
const { env } = process;
const port = Number(flags.port ?? env.PORT ?? 3210);
if (!Number.isInteger(port) || port < 0 || port > 65535)
  giveUp(`A port is a number from 0 to 65535, not "${flags.port ?? env.PORT}".`);
const cert = flags.cert ?? env.IRVOT_CERT;
const key = flags.key ?? env.IRVOT_KEY;
/** An authority of its own is needed where nobody gave a certificate. */
const isInHouse = flags.network === true && !cert;
if (flags.anew && !isInHouse) giveUp('--anew goes with --network, and without --cert.');
if (flags.network && (flags.origin ?? env.ORIGIN))
  giveUp('--network is for a house without a public name; behind a proxy --origin is enough.');
const trustPort = Number(flags['trust-port'] ?? port + 1);
if (isInHouse && (!Number.isInteger(trustPort) || trustPort < 1 || trustPort > 65535))
  giveUp(`--trust-port is a number from 1 to 65535, not "${flags['trust-port'] ?? trustPort}".`);
const host = flags.host ?? env.HOST ?? (flags.network ? '0.0.0.0' : '127.0.0.1');
if (Boolean(cert) !== Boolean(key)) giveUp('For https both --cert and --key are needed.');
for (const file of [cert, key]) if (file && !existsSync(file)) giveUp(`There is no file ${file}.`);

// what is kept here is nobody else's who uses this machine
process.umask(0o077);
const scheme = cert || isInHouse ? 'https' : 'http';
const isHere = ['127.0.0.1', 'localhost', '::1'].includes(host);
/** Every address of this machine at once: which one a visitor used is known from the visit alone. */
const isEveryAddress = ['0.0.0.0', '::'].includes(host);
env.IRVOT_DATA = resolve(ROOT, flags.data ?? env.IRVOT_DATA ?? 'data');
const origin = flags.origin ?? env.ORIGIN;
if (origin) env.ORIGIN = origin;
else if (!isEveryAddress) env.ORIGIN = `${scheme}://${host.includes(':') ? `[${host}]` : host}:${port}`;
env.PROTOCOL_HEADER = PROTOCOL;
env.IRVOT_WORKERS = join(ROOT, 'build', 'workers');
// src/lib/server/form limits each request by where it goes and who sends it, with a sentence of its own
env.BODY_SIZE_LIMIT = 'Infinity';

ensureInstalled();
ensureBuilt();

// packages that may have been installed just now; what only a house of its own needs is read there alone
const { default: compression } = await import('compression');
const compress = compression();
const { readCertificates, makeTrustServer, renderUnicodeCompact } = isInHouse ? await readHouse() : {};
// what a person can mend is said as a sentence; anything else with its trace
const { handler } = await import(pathToFileURL(join(ROOT, 'build', 'handler.js'))).catch((error) =>
  giveUp(error instanceof RangeError ? error.message : error.stack)
);

async function readHouse() {
  const { readCertificates } = await import('./parts/authority.mjs');
  const { makeTrustServer } = await import('./parts/trust.mjs');
  const { renderUnicodeCompact } = await import('uqr');
  return { readCertificates, makeTrustServer, renderUnicodeCompact };
}

/** Names and addresses under which this machine is asked, where no public one is said. */
function knownHosts() {
  const addresses = Object.values(networkInterfaces())
    .flat()
    .map(({ address, family }) => (family === 'IPv6' ? `[${address.split('%')[0]}]` : address));
  const { names } = placesOf(hostname(), networkInterfaces());
  return new Set(['127.0.0.1', '[::1]', hostname().toLowerCase(), ...names, ...addresses]);
}

/** What was refused before all of it had come is let run out: cut off, its sender would not hear the refusal. */
function drain(request) {
  if (request.readableEnded) return;
  request.removeAllListeners('data');
  request.resume();
}

const CLOSE = Symbol('close');
/** Longer than what was refused needs to run out. */
const LINGERS_MS = 10_000;

/** A connection that ends with its answer ends when all that was asked has come (a lingering close: RFC 9112, 9.6); closed before, its sender would not hear the answer. */
function lingerOn(request) {
  const { socket } = request;
  // once for each connection, however much is asked on it
  const close = (socket[CLOSE] ??= socket.destroySoon.bind(socket));
  socket.destroySoon = () => {
    if (request.complete) return close();
    socket.end();
    request.once('end', close);
    setTimeout(close, LINGERS_MS).unref();
  };
}

function answer(request, response) {
  // the header is ours alone: which of both this server speaks
  request.headers[PROTOCOL] = scheme;
  response.setHeader('x-content-type-options', 'nosniff');
  response.setHeader('referrer-policy', 'same-origin');
  response.setHeader('cross-origin-opener-policy', 'same-origin');
  response.setHeader('permissions-policy', 'camera=(), geolocation=(), payment=(), usb=()');
  // a name of the house is asked over http as well, where devices learn to trust it
  if ((scheme === 'https' && !isInHouse) || origin?.startsWith('https:'))
    response.setHeader('strict-transport-security', 'max-age=31536000');
  const asked = (request.headers.host ?? '').toLowerCase().replace(/:\d+$/, '');
  if (!origin && !knownHosts().has(asked)) {
    response.writeHead(421, { 'content-type': 'text/plain; charset=utf-8' });
    response.end(
      'The studio is asked under a name it does not know. Start it with --origin and that address, for example --origin https://studio.example.'
    );
    return;
  }
  if (isInHouse && request.url === '/trusted') {
    // asked by the page on which a device learns to trust this one, from the other port
    response.writeHead(200, { 'content-type': 'text/plain', 'access-control-allow-origin': '*' });
    response.end('yes');
    return;
  }
  lingerOn(request);
  response.on('finish', () => drain(request));
  compress(request, response, () => handler(request, response));
}

/** What the studio shows, and its authority: made where they are missing, and before they end. */
const readOwn = (isAnew = false) =>
  readCertificates(
    join(env.IRVOT_DATA, 'network'),
    placesOf(hostname(), networkInterfaces()),
    Date.now(),
    isAnew
  );
let own = isInHouse ? readOwn(flags.anew) : null;

const server = own
  ? createHttps({ cert: own.certificate, key: own.key }, answer)
  : cert
    ? createHttps({ cert: readFileSync(cert), key: readFileSync(key) }, answer)
    : createHttp(answer);
server.on('error', (error) =>
  giveUp(error.code === 'EADDRINUSE' ? `Port ${port} is in use; choose another with --port.` : error.message)
);
server.listen(port, host, () => {
  console.log(
    `Irvot is at ${env.ORIGIN ?? `${scheme}://localhost:${port}, and at each address of this machine`}`
  );
  if (own) beginTrust();
  if (scheme === 'http' && !isHere && !origin)
    console.log(
      'Over plain http everybody on the network can read along: --network, or --cert and --key, or a proxy with https and --origin.'
    );
});

/** Addresses at which a device in the house finds this machine, the likeliest first. */
function seenFrom({ covered: { names, addresses } }) {
  const isOfHouse = (address) => /^(192\.168|10|172\.(1[6-9]|2\d|3[01]))\./.test(address);
  const outer = addresses.filter((address) => !address.startsWith('127.'));
  const others = names.filter((name) => name !== 'localhost');
  return [...outer.filter(isOfHouse), ...outer.filter((one) => !isOfHouse(one)), ...others];
}

/** Where a device learns to trust the studio; and the certificate is looked after. */
function beginTrust() {
  const trust = makeTrustServer({
    port,
    certificates: () => own,
    isKnown: (asked) => knownHosts().has(asked)
  });
  trust.on('error', (error) =>
    giveUp(
      error.code === 'EADDRINUSE'
        ? `Port ${trustPort} is in use; choose another with --trust-port.`
        : error.message
    )
  );
  trust.listen(trustPort, host, sayNetwork);
  setInterval(() => {
    const before = own.certificate;
    try {
      own = readOwn();
    } catch (error) {
      // what is shown now lasts for a month more
      return console.error(`The studio’s certificate cannot be looked after: ${error.message}`);
    }
    if (own.certificate !== before) server.setSecureContext({ cert: own.certificate, key: own.key });
    if (own.isNew) sayNetwork();
  }, LOOKED_AFTER_MS).unref();
}

function sayNetwork() {
  const [first = 'localhost', ...others] = seenFrom(own);
  const trustAt = `http://${first}:${trustPort}`;
  console.log(
    `In the house: https://${first}:${port}${others.map((one) => `, https://${one}:${port}`).join('')}`
  );
  if (own.isNew) console.log('A new authority was made: every device has to trust it.');
  if (own.uncovered.length > 0)
    console.log(
      `Its authority does not know ${own.uncovered.join(', ')}: use an address above, or start with --anew and trust it again on every device.`
    );
  console.log(
    `A tablet or phone trusts it once, at ${trustAt}:\n${renderUnicodeCompact(trustAt)}\nFingerprint to compare there: ${own.fingerprint}`
  );
}

let isStopping = false;
for (const signal of ['SIGINT', 'SIGTERM']) {
  process.on(signal, () => {
    if (isStopping) return;
    isStopping = true;
    server.close();
    server.closeAllConnections();
    // the studio's file is closed, and its log brought into it
    process.emit('sveltekit:shutdown', signal);
    process.exit(0);
  });
}
