/**
 * Starts the application: a real, empty studio unless the data directory has one. Flags or environment:
 *   --data IRVOT_DATA   data directory (data)          --port PORT     (3210)
 *   --host HOST         address (127.0.0.1)            --origin ORIGIN public address behind a reverse proxy
 *   --cert IRVOT_CERT, --key IRVOT_KEY                 files for https
 */
import { existsSync, readFileSync } from 'node:fs';
import { createServer as createHttp } from 'node:http';
import { createServer as createHttps } from 'node:https';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { parseArgs } from 'node:util';
import { ROOT, ensureBuilt, ensureInstalled, giveUp } from './parts/prepare.mjs';

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

const scheme = cert ? 'https' : 'http';
env.IRVOT_DATA = resolve(ROOT, flags.data ?? env.IRVOT_DATA ?? 'data');
env.ORIGIN = flags.origin ?? env.ORIGIN ?? `${scheme}://${host.includes(':') ? `[${host}]` : host}:${port}`;
// src/hooks.server.ts limits each request by where it goes, with a sentence of its own
env.BODY_SIZE_LIMIT = 'Infinity';

ensureInstalled();
ensureBuilt();

const { default: compression } = await import('compression');
const compress = compression();
// what a person can mend is said as a sentence; anything else with its trace
const { handler } = await import(pathToFileURL(join(ROOT, 'build', 'handler.js'))).catch((error) =>
  giveUp(error instanceof RangeError ? error.message : error.stack)
);
const answer = (request, response) => compress(request, response, () => handler(request, response));
const server = cert
  ? createHttps({ cert: readFileSync(cert), key: readFileSync(key) }, answer)
  : createHttp(answer);
server.on('error', (error) =>
  giveUp(error.code === 'EADDRINUSE' ? `Port ${port} is in use; choose another with --port.` : error.message)
);
server.listen(port, host, () => console.log(`Irvot is at ${env.ORIGIN}`));

for (const signal of ['SIGINT', 'SIGTERM']) {
  process.on(signal, () => {
    server.close(() => process.exit(0));
    server.closeAllConnections();
  });
}
