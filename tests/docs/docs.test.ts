import { execFileSync, spawnSync } from 'node:child_process';
import { readFileSync, readdirSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { printedPlans } from '../cases/printed';

const readme = readFileSync('README.md', 'utf8');
const formats = readFileSync('docs/formats.md', 'utf8');
const scripts = (JSON.parse(readFileSync('package.json', 'utf8')) as { scripts: Record<string, string> })
  .scripts;
const plan = (args: string[], input?: string) =>
  spawnSync('node_modules/.bin/tsx', ['scripts/plan-cli.ts', ...args], { encoding: 'utf8', input });

describe('the README', () => {
  it('names only commands that exist', () => {
    const named = [...readme.matchAll(/npm (?:run (?:--silent )?)?([a-z]+)/g)]
      .map((m) => m[1]!)
      .filter((name) => name !== 'run');
    expect(new Set(named).size).toBeGreaterThan(5);
    for (const name of named) expect(Object.keys(scripts)).toContain(name);
  });

  it('shows every picture there is, and no other', () => {
    const shown = [...readme.matchAll(/docs\/screenshots\/([a-z-]+\.png)/g)].map((m) => m[1]!);
    expect(shown.sort()).toEqual(readdirSync('docs/screenshots').sort());
    expect(shown.length).toBeLessThan(20);
  });

  it('lists the flags that npm start takes', () => {
    const start = readFileSync('scripts/start.mjs', 'utf8');
    const flags = /options: \{([^}]+)\}/
      .exec(start)![1]!
      .split(',')
      .map((f) => f.split(':')[0]!.trim().replaceAll("'", ''));
    expect(flags.length).toBeGreaterThan(4);
    for (const flag of flags) expect(readme).toContain(`\`--${flag}\``);
  });
});

it('the printed plans are those of today', () => {
  const printed = printedPlans();
  expect(readdirSync('docs/plans').sort()).toEqual([...printed.keys()].sort());
  for (const [name, text] of printed) expect(readFileSync(`docs/plans/${name}`, 'utf8')).toBe(text);
});

describe('the plan command', () => {
  it('prints the plan of the documented example, with the keys the docs list', () => {
    const out = JSON.parse(
      execFileSync('node_modules/.bin/tsx', ['scripts/plan-cli.ts', 'docs/examples/request.json'], {
        encoding: 'utf8'
      })
    ) as Record<string, unknown>;
    expect(out).toMatchObject({ format: 'irvot-plan', version: 1, daysToGo: 46 });
    for (const key of Object.keys(out)) expect(formats).toContain(`\`${key}\``);
    const request = JSON.parse(readFileSync('docs/examples/request.json', 'utf8')) as Record<string, unknown>;
    for (const key of Object.keys(request)) expect(formats).toContain(`\`${key}\``);
  });

  it('ends with 2 and a line for each fault with its path', () => {
    const done = plan(
      ['-'],
      '{"format":"irvot-plan-request","version":1,"today":"2026-11-24","zone":"Europe/Brussels","rounds":[],"items":[],"time":{"week":[],"exceptions":[],"lessons":[],"warmUpMin":0,"fundamentalsMin":0}}'
    );
    expect(done.status).toBe(2);
    expect(done.stderr.trim().split('\n')).toEqual([
      'rounds: An audition has at least one round.',
      'items: The list is empty: add at least one item.'
    ]);
    expect(done.stdout).toBe('');
  });

  it('says what is wrong with a file that is no JSON, or not there', () => {
    expect(plan(['-'], 'nonsense')).toMatchObject({ status: 2 });
    expect(plan(['no-such-file.json']).stderr).toContain('cannot be read');
  });
});
