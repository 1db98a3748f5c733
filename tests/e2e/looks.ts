/** The ways each screen is looked at: at a desk, dark, on a tablet and on a phone. */
import { type Browser, type Page, expect } from '@playwright/test';
import { ALL_RULES, faultsOf, takeAxe } from './axe';
import { settled } from './studio';

const DESK = { width: 1280, height: 800 };
const TABLET = { width: 820, height: 1180 };
const PHONE = { width: 390, height: 844 };

/** What a page said to nobody: a script that failed, or markup that was not what the server had sent. */
const complaints = new WeakMap<Page, string[]>();
export function listen(page: Page): Page {
  const heard: string[] = [];
  complaints.set(page, heard);
  page.on('pageerror', (error) => heard.push(error.message));
  page.on('console', (message) => {
    if (
      ['error', 'warning'].includes(message.type()) &&
      // the second is what this browser says where these tests keep no worker
      !/^(Failed to load resource|Service Worker registration blocked)/.test(message.text())
    )
      heard.push(message.text());
  });
  return page;
}

/** What dark colours can change; and what another size can: what is there at all, where it scrolls, how large it is to be hit. */
const BY_COLOUR = ['color-contrast', 'link-in-text-block'];
const BY_SIZE = [
  ...[
    'target-size',
    'scrollable-region-focusable',
    'heading-order',
    'region',
    'landmark-one-main',
    'page-has-heading-one'
  ],
  ...[
    'button-name',
    'link-name',
    'label',
    'select-name',
    'empty-heading',
    'empty-table-header',
    'bypass',
    'aria-hidden-focus'
  ]
];
/** A way to look at a page, and what is asked there: all rules at a desk in the light, elsewhere those whose answer may differ. */
type Look = {
  readonly name: string;
  readonly viewport: typeof DESK;
  readonly scheme: 'light' | 'dark';
  readonly rules: readonly string[];
};
export const LOOKS = {
  light: { name: 'desk', viewport: DESK, scheme: 'light', rules: ALL_RULES },
  // colours do not change with the size of the screen: dark is looked at once
  dark: { name: 'desk, dark', viewport: DESK, scheme: 'dark', rules: BY_COLOUR },
  tablet: { name: 'tablet', viewport: TABLET, scheme: 'light', rules: BY_SIZE },
  phone: { name: 'phone', viewport: PHONE, scheme: 'light', rules: BY_SIZE }
} as const satisfies Record<string, Look>;

/** What a page draws by its own size is drawn a frame after that has changed. */
const drawn = (page: Page) =>
  page.evaluate(
    () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(done))))
  );

/** What is wider than the screen, and what can be used but lies beyond its edge, where nothing scrolls to it. */
const outOfSight = (page: Page) =>
  page.evaluate(() => {
    const root = document.documentElement;
    const wide = [root, ...document.querySelectorAll('dialog[open]')].filter(
      ({ scrollWidth, clientWidth }) => scrollWidth > clientWidth + 1
    );
    const scrolls = (element: Element | null): boolean =>
      element !== null &&
      (['auto', 'scroll'].includes(getComputedStyle(element).overflowX) || scrolls(element.parentElement));
    const beyond = [...document.querySelectorAll('a[href], button, input, select, textarea')].filter(
      (one) => {
        const { left, right, width } = one.getBoundingClientRect();
        // what lies wholly to the left waits for the keyboard
        const isBeyond = right > root.clientWidth + 1 || (left < -1 && right > 0);
        return width > 0 && isBeyond && one.checkVisibility() && !scrolls(one);
      }
    );
    return [...wide, ...beyond].map((one) => one.outerHTML.slice(0, 120));
  });

export async function expectClean(page: Page, name: string, looks: readonly Look[]) {
  await settled(page);
  expect(complaints.get(page) ?? [], `${name} complains`).toEqual([]);
  await takeAxe(page);
  for (const look of looks) {
    await page.setViewportSize(look.viewport);
    await page.emulateMedia({ colorScheme: look.scheme });
    await drawn(page);
    expect(await faultsOf(page, look.rules), `${name}, ${look.name}`).toEqual([]);
    expect(await outOfSight(page), `${name} is wider than its screen, ${look.name}`).toEqual([]);
  }
  await page.setViewportSize(looks[0]!.viewport);
  await page.emulateMedia({ colorScheme: looks[0]!.scheme });
}

/** Somebody who walks from screen to screen, and has each looked at in every way. */
export async function walker(browser: Browser) {
  const looks = Object.values(LOOKS);
  const page = listen(await (await browser.newContext({ viewport: DESK })).newPage());
  return { page, expectNothing: (name: string) => expectClean(page, name, looks) };
}
