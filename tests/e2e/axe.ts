/** What axe finds in a page as it stands. */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';
import type { run } from 'axe-core';

/** As it stands in a page once its source has run there. */
declare const axe: { readonly run: typeof run };
const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

export const ALL_RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/** Before faults are asked for, once for each page that was loaded. */
export const takeAxe = (page: Page) => page.evaluate(AXE);

/** The page's faults in axe's words. The rules run in the page, and only what they find comes back. */
export function faultsOf(page: Page, rules: readonly string[]): Promise<string[]> {
  return page.evaluate(async (runOnly) => {
    const { violations } = await axe.run({ runOnly, resultTypes: ['violations'] });
    return violations.map(
      (v) =>
        `${v.id} ${v.nodes
          .map((n) => n.target.join(' '))
          .slice(0, 3)
          .join(', ')}`
    );
  }, rules as string[]);
}
