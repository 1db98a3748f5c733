/** The face of the desk, and the way to the day before it. */
import type { Page } from '@playwright/test';
import { alive } from './studio';

export const right = (page: Page) => page.keyboard.press('ArrowRight');
export const face = (page: Page) => page.locator('.desk');

/** Signs in as a player, whose first page is Today. */
export async function enter(page: Page, who: string) {
  await page.goto('/sign-in');
  await page.getByRole('button', { name: new RegExp(who) }).click();
  await page.waitForURL('**/today');
  await alive(page);
}
