/**
 * The one door for what a form sends: its fields, read as they arrive and never more of them than a form has. Nothing here knows
 * what they mean; who may send them has been asked before (http.ts), and how many bytes there may be at most (hooks.server.ts).
 */
import { Readable } from 'node:stream';
import busboy from 'busboy';
import { CodedError } from '../errors';

/** A lesson's week is the widest form: fourteen days of two fields (twice as many, judgement). */
const MOST_FIELDS = 64;
const MOST_NAME_BYTES = 100;
/** 80 rows of a list, or 400 days and their reasons, with room to spare. */
export const MOST_FORM_BYTES = 512 * 1024;

export type Fields = {
  /** The last of that name; empty where there is none. */
  readonly get: (name: string) => string;
  readonly all: (name: string) => readonly string[];
  readonly has: (name: string) => boolean;
  /** One value a name. */
  readonly record: () => Record<string, string>;
  /** The first file that is not empty. */
  readonly file: Buffer | null;
};

type Limits = { readonly bytes?: number; readonly fileBytes?: number };

/** Throws CodedError "form-unreadable" or "form-too-large". */
export async function readFields(request: Request, limits: Limits = {}): Promise<Fields> {
  const { bytes = MOST_FORM_BYTES, fileBytes = 0 } = limits;
  if (Number(request.headers.get('content-length')) > bytes + fileBytes)
    throw new CodedError('form-too-large');
  const values = new Map<string, string[]>();
  const chunks: Buffer[] = [];
  await new Promise<void>((resolve, reject) => {
    const refuse = (code: 'form-unreadable' | 'form-too-large') => () => reject(new CodedError(code));
    const parser = openParser(request, bytes, fileBytes);
    parser.on('field', (name, value, { nameTruncated, valueTruncated }) => {
      if (nameTruncated || valueTruncated) return refuse('form-too-large')();
      values.set(name, [...(values.get(name) ?? []), value]);
    });
    parser.on('file', (_name, stream) => {
      stream.on('data', (chunk: Buffer) => chunks.push(chunk));
      stream.on('limit', refuse('form-too-large'));
      stream.on('error', refuse('form-unreadable'));
    });
    for (const limit of ['fieldsLimit', 'filesLimit', 'partsLimit'] as const)
      parser.on(limit, refuse('form-too-large'));
    parser.on('error', refuse('form-unreadable'));
    parser.on('close', () => resolve());
    const body = request.body ? Readable.fromWeb(request.body as never) : Readable.from([]);
    body.on('error', refuse('form-unreadable'));
    body.pipe(parser);
  });
  return {
    get: (name) => values.get(name)?.at(-1) ?? '',
    all: (name) => values.get(name) ?? [],
    has: (name) => values.has(name),
    record: () => Object.fromEntries([...values].map(([name, all]) => [name, all.at(-1)!])),
    file: chunks.length > 0 ? Buffer.concat(chunks) : null
  };
}

function openParser(request: Request, bytes: number, fileBytes: number): busboy.Busboy {
  const contentType = request.headers.get('content-type') ?? '';
  try {
    return busboy({
      headers: { 'content-type': contentType },
      limits: {
        fields: MOST_FIELDS,
        files: 1,
        parts: MOST_FIELDS + 1,
        fieldNameSize: MOST_NAME_BYTES,
        fieldSize: bytes,
        fileSize: fileBytes
      }
    });
  } catch {
    throw new CodedError('form-unreadable');
  }
}
