/** Prints the plan of a request file as JSON. Exit 2 where the request has faults, one line each with its path. */
import { readFileSync } from 'node:fs';
import { laySeason } from '../src/lib/core/season';
import { readPlanRequest } from '../src/lib/schema/plan-request';

function refuse(lines: readonly string[]): never {
  for (const line of lines) console.error(line);
  process.exit(2);
}

function readJson(file: string): unknown {
  let text: string;
  try {
    text = readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch {
    refuse([`(file): ${file} cannot be read`]);
  }
  try {
    return JSON.parse(text);
  } catch (error) {
    refuse([`(file): not JSON: ${(error as Error).message}`]);
  }
}

const file = process.argv[2];
if (!file) refuse(['(command): npm run --silent plan -- request.json']);
const read = readPlanRequest(readJson(file));
if (!read.ok) refuse(read.faults.map((fault) => `${fault.path}: ${fault.says}`));
else console.log(JSON.stringify({ format: 'irvot-plan', version: 1, ...laySeason(read.value) }, null, 2));
