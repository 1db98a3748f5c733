/**
 * Starts the application: a real, empty studio unless the data directory has one. Flags or environment:
 *   --data IRVOT_DATA   data directory (data)          --port PORT     (3210)
 *   --host HOST         address (127.0.0.1)            --origin ORIGIN public address behind a reverse proxy
 *   --cert IRVOT_CERT, --key IRVOT_KEY                 files for https
 */
import { existsSync, readFileSync } from 'node:fs';
import { createServer as createHttp } from 'node:http';
import { createServer as createHttps } from 'node:https';
import { hostname, networkInterfaces } from 'node:os';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { parseArgs } from 'node:util';
import { ROOT, ensureBuilt, ensureInstalled, giveUp } from './parts/prepare.mjs';

const PROTOCOL = 'x-irvot-protocol';

function readFlags() {
  const flag = { type: 'string' };
  try {
    return parseArgs({ options: { data: flag, port: flag, host: flag, origin: flag, cert: flag, key: flag } })
      .values;
  } catch (error) {
    return giveUp(`${error.message}\nFlags: --data, --port, --host, --origin, --cert, --key.`);
  }
}

const flags = readFlags();
const { env } = process;
const port = Number(flags.port ?? env.PORT ?? 3210);
if (!Number.isInteger(port) || port < 0 || port > 65535)
  giveUp(`A port is a number from 0 to 65535, not "${flags.port ?? env.PORT}".`);
const host = flags.host ?? env.HOST ?? '127.0.0.1';
const cert = flags.cert ?? env.IRVOT_CERT;
const key = flags.key ?? env.IRVOT_KEY;
if (Boolean(cert) !== Boolean(key)) giveUp('For https both --cert and --key are needed.');
for (const file of [cert, key]) if (file && !existsSync(file)) giveUp(`There is no file ${file}.`);

// what is kept here is nobody else's who uses this machine
process.umask(0o077);
const scheme = cert ? 'https' : 'http';
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

const { default: compression } = await import('compression');
const compress = compression();
// what a person can mend is said as a sentence; anything else with its trace
const { handler } = await import(pathToFileURL(join(ROOT, 'build', 'handler.js'))).catch((error) =>
  giveUp(error instanceof RangeError ? error.message : error.stack)
);

/** Names and addresses under which this machine is asked, where no public one is said. */
function knownHosts() {
  const addresses = Object.values(networkInterfaces())
    .flat()
    .map(({ address, family }) => (family === 'IPv6' ? `[${address.split('%')[0]}]` : address));
  return new Set(['localhost', '127.0.0.1', '[::1]', hostname().toLowerCase(), ...addresses]);
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
  if (scheme === 'https' || origin?.startsWith('https:'))
    response.setHeader('strict-transport-security', 'max-age=31536000');
  const asked = (request.headers.host ?? '').toLowerCase().replace(/:\d+$/, '');
  if (!origin && !knownHosts().has(asked)) {
    response.writeHead(421, { 'content-type': 'text/plain; charset=utf-8' });
    response.end(
      'The studio is asked under a name it does not know. Start it with --origin and that address, for example --origin https://studio.example.'
    );
    return;
  }
  lingerOn(request);
  response.on('finish', () => drain(request));
  compress(request, response, () => handler(request, response));
}

const server = cert
  ? createHttps({ cert: readFileSync(cert), key: readFileSync(key) }, answer)
  : createHttp(answer);
server.on('error', (error) =>
  giveUp(error.code === 'EADDRINUSE' ? `Port ${port} is in use; choose another with --port.` : error.message)
);
server.listen(port, host, () => {
  console.log(
    `Irvot is at ${env.ORIGIN ?? `${scheme}://localhost:${port}, and at each address of this machine`}`
  );
  if (scheme === 'http' && !isHere && !origin)
    console.log(
      'Over plain http everybody on the network can read along: --cert and --key, or a proxy with https and --origin.'
    );
});

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
