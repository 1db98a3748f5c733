/**
 * A new password for the teacher who has forgotten theirs, set on the studio's own machine: npm run password [-- --data DIRECTORY]. The studio
 * must be stopped. Who was signed in as the teacher signs in again, on every device. The password is asked for and not shown; or it comes as the
 * first line of the standard input.
 */
import { createInterface } from 'node:readline';
import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { Writable } from 'node:stream';
import { parseArgs } from 'node:util';
import Database from 'better-sqlite3';
import { newPassword } from '../src/lib/schema/forms';
import { hashPassword, passwordFault } from '../src/lib/server/password';

function refuse(says: string): never {
  console.error(says);
  process.exit(2);
}

/** Nothing that is typed is echoed. */
function ask(question: string): Promise<string> {
  process.stdout.write(question);
  const silent = new Writable({ write: (_chunk, _encoding, done) => done() });
  const lines = createInterface({ input: process.stdin, output: silent, terminal: process.stdin.isTTY });
  return new Promise((answer) => {
    let line = '';
    lines.once('line', (text) => {
      line = text;
      lines.close();
    });
    lines.once('close', () => {
      process.stdout.write('\n');
      answer(line);
    });
  });
}

/** Held alone until it is closed; what runs holds it already. */
function open(file: string): Database.Database {
  if (!existsSync(file)) refuse(`There is no studio at ${file}.`);
  const db = new Database(file, { timeout: 500 });
  try {
    db.exec('BEGIN EXCLUSIVE');
    return db;
  } catch {
    return refuse('The studio is running, or cannot be opened. Stop it first, then set the password.');
  }
}

type Teacher = { readonly id: string; readonly name: string; readonly login: string };

process.umask(0o077);
const { values } = parseArgs({ options: { data: { type: 'string' } } });
const db = open(join(resolve(values.data ?? process.env.IRVOT_DATA ?? 'data'), 'studio.sqlite'));
const teacher = db.prepare<[], Teacher>("SELECT id, name, login FROM account WHERE role = 'teacher'").get();
if (!teacher) refuse('This studio has no teacher yet: its first screen makes the account.');
const password = await ask(`New password for ${teacher.name} (sign-in name ${teacher.login}): `);
const long = newPassword.safeParse(password);
const fault = long.error?.issues[0]?.message ?? passwordFault(password, [teacher.name, teacher.login]);
if (fault) refuse(`Nothing was changed. ${fault}`);
db.prepare('UPDATE account SET password_hash = ? WHERE id = ?').run(await hashPassword(password), teacher.id);
for (const table of ['session', 'known_device'])
  db.prepare(`DELETE FROM ${table} WHERE account_id = ?`).run(teacher.id);
db.prepare('DELETE FROM sign_in_attempt WHERE instr(key, ?) > 0').run(teacher.login);
db.exec('COMMIT');
db.close();
console.log('The password is set. Start the studio and sign in.');
