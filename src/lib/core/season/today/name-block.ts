/** Names of a road map's blocks: the same for whoever makes the day, so that a device and the studio mean the same one. */
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';

const LENGTH = 32;

/** 128 bits of the SHA-256 of the block's day, place and item, in hex. */
export const nameBlock = (candidateId: string, date: string, index: number, itemId: string | null): string =>
  bytesToHex(sha256(utf8ToBytes(JSON.stringify([candidateId, date, index, itemId])))).slice(0, LENGTH);
