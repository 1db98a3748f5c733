/** The server's own log: what went wrong, with the id a person was shown. No names, no notes. */
import pino from 'pino';

export const serverLog = pino({ name: 'irvot', base: null });
