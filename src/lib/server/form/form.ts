/**
 * Forms of pages: filled for a page, and read when they come back. The form package sees only plain values that have passed the door
 * (fields.ts, state.ts), after who may send them was asked.
 */
import { fail } from '@sveltejs/kit';
import type { ActionFailure } from '@sveltejs/kit';
import { type SuperValidated, superValidate } from 'sveltekit-superforms/server';
import { zod as zod4 } from '$zod4';
import { z } from 'zod';
import { CodedError, type ErrorCode } from '../errors';
import { STATUS } from '../status';
import { type Fields, readFields } from './fields';
import { readState } from './state';

type Schema = z.ZodObject;
type Form<S extends Schema> = SuperValidated<z.output<S>>;

/** More faults than anybody could read; what has as many was not typed into a form. */
const MOST_FAULTS = 200;
const STATE = '__superform_json';

/** A form for a page, with what is typed in it so far; nothing is said to be wrong. */
export async function fillForm<S extends Schema>(
  schema: S,
  data: Partial<z.input<S>> = {},
  id?: string
): Promise<Form<S>> {
  const options = { errors: false, ...(id === undefined ? {} : { id }) };
  return (await superValidate(data as never, zod4(schema as never), options)) as never;
}

/** What was sent, checked: its faults stand at their fields. Throws CodedError where it is no such form at all. */
export async function readForm<S extends Schema>(request: Request, schema: S, id?: string): Promise<Form<S>> {
  const data = readData(await readFields(request), schema);
  const issues = schema.safeParse(data).error?.issues.length ?? 0;
  if (issues > MOST_FAULTS) throw new CodedError('form-unreadable');
  try {
    const options = { errors: true, ...(id === undefined ? {} : { id }) };
    const form = (await superValidate(data as never, zod4(schema as never), options)) as Form<S>;
    // what was typed and cannot be is shown as it was typed, and never as a page's first state
    return { id: form.id, valid: form.valid, posted: true, errors: form.errors, data: form.data };
  } catch (thrown) {
    throw new CodedError('form-unreadable', undefined, { cause: thrown });
  }
}

/** The form's values: its own text where the page sent one, else fields that are texts, numbers and ticks. */
function readData(fields: Fields, schema: Schema): Record<string, unknown> {
  if (fields.has(STATE)) {
    const state = readState(fields.all(STATE).join(''));
    if (!state) throw new CodedError('form-unreadable');
    return state;
  }
  const data: Record<string, unknown> = {};
  for (const [name, field] of Object.entries(schema.shape)) {
    const kind = kindOf(field as z.ZodType);
    if (kind === 'array' || kind === 'object') throw new CodedError('form-unreadable');
    if (kind === 'boolean') data[name] = fields.has(name) && !['', 'false'].includes(fields.get(name));
    else if (fields.has(name)) data[name] = kind === 'number' ? Number(fields.get(name)) : fields.get(name);
  }
  return data;
}

/** What a field holds, below what says that it may be missing. */
function kindOf(field: z.ZodType): string {
  if (field instanceof z.ZodDefault || field instanceof z.ZodOptional || field instanceof z.ZodNullable)
    return kindOf(field.unwrap() as z.ZodType);
  return field.type;
}

type Path = readonly (string | number)[];

/** Runs what a form asks for; a coded error comes back to the form (at the field of its code, or above it), with all that was typed. */
export async function answerForm<T extends Record<string, unknown>, Output>(
  form: SuperValidated<T>,
  run: () => Output | Promise<Output>,
  fields: Partial<Record<ErrorCode, string>> = {}
): Promise<{ done: Output } | { failed: ActionFailure<{ form: SuperValidated<T> }> }> {
  try {
    return { done: await run() };
  } catch (thrown) {
    if (!(thrown instanceof CodedError)) throw thrown;
    const fault = { path: [fields[thrown.code] ?? '_errors'], says: thrown.message };
    return { failed: refuseForm(form, [fault], STATUS[thrown.code]) };
  }
}

/** Puts faults at their fields and answers with the form as it was typed. A fault of a whole list lies on the list itself. */
export function refuseForm<T extends Record<string, unknown>>(
  form: SuperValidated<T>,
  faults: readonly { readonly path: Path; readonly says: string }[],
  status = 400
): ActionFailure<{ form: SuperValidated<T> }> {
  const errors = form.errors as Record<string, unknown>;
  for (const { path, says } of faults.slice(0, MOST_FAULTS)) {
    const isList = path.length === 1 && Array.isArray(form.data[path[0]!]);
    putFault(errors, isList ? [...path, '_errors'] : path, says);
  }
  form.valid = false;
  return fail(status, { form });
}

function putFault(errors: Record<string, unknown>, path: Path, says: string): void {
  let at = errors;
  for (const part of path.slice(0, -1)) {
    const below = at[part];
    at = (at[part] = typeof below === 'object' && below !== null ? below : {}) as Record<string, unknown>;
  }
  const last = path.at(-1)!;
  const before = at[last];
  at[last] = Array.isArray(before) ? [...(before as string[]), says] : [says];
}
