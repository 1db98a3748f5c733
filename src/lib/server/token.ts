/** Secrets that travel in cookies and links; only their hashes are stored. */
import { createHash, randomBytes } from 'node:crypto';

/** 256 random bits. */
export const newToken = () => randomBytes(32).toString('base64url');
export const hashToken = (token: string) => createHash('sha256').update(token).digest('base64url');
