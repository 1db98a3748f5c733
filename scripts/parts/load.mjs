/** What one machine holds: pages of the demo asked by forty at once, beside a crowd at the door, and touches logged one after another. */
import { enterAsTeacher, withDemo } from './browse.mjs';

const CONNECTIONS = 40;
const REQUESTS = 800;

const share = (sorted, part) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * part))];
const say = (name, times) => {
  const sorted = times.sort((a, b) => a - b);
  console.log(
    `  ${name.padEnd(34)} median ${share(sorted, 0.5).toFixed(0).padStart(5)} ms   99th ${share(sorted, 0.99).toFixed(0).padStart(5)} ms`
  );
};

/** Milliseconds of so many requests, so many at once. */
async function times(count, atOnce, ask) {
  const taken = [];
  let left = count;
  const one = async () => {
    while (left > 0) {
      left -= 1;
      const began = performance.now();
      const answer = await ask();
      await answer.arrayBuffer();
      if (answer.status >= 400 && ![400, 429, 503].includes(answer.status))
        throw new Error(`${answer.url} answered ${answer.status}`);
      taken.push(performance.now() - began);
    }
  };
  await Promise.all(Array.from({ length: atOnce }, one));
  return taken;
}

export async function measureLoad(port) {
  await withDemo(port, async ({ app: { origin }, browser }) => {
    const page = await browser.newPage();
    await enterAsTeacher(page, origin);
    const audition = await page.locator('.by-day a[href^="/auditions/"]').first().getAttribute('href');
    const cookie = (await page.context().cookies()).map(({ name, value }) => `${name}=${value}`).join('; ');
    await page.close();
    const get = (path) => () => fetch(origin + path, { headers: { cookie }, redirect: 'manual' });
    const post = (path, fields) => () =>
      fetch(origin + path, {
        method: 'POST',
        headers: { cookie, origin, accept: 'application/json', 'x-sveltekit-action': 'true' },
        body: new URLSearchParams(fields)
      });
    const pages = [
      ['bare (led on at once)', '/sign-in'],
      ['countback', audition],
      ['lesson', `${audition}/lesson`],
      ['studio', '/studio']
    ];
    console.log(`\nThe demo, ${CONNECTIONS} at once, ${REQUESTS} requests a page:`);
    for (const [name, path] of pages) say(name, await times(REQUESTS, CONNECTIONS, get(path)));
    console.log('\nOne at a time, while forty try to sign in without end:');
    let isOver = false;
    const guess = post('/sign-in', { login: 'nobody', password: 'guess' });
    const crowd = Array.from({ length: CONNECTIONS }, async () => {
      while (!isOver) await guess().then((answer) => answer.arrayBuffer());
    });
    for (const [name, path] of pages.slice(1)) say(name, await times(60, 1, get(path)));
    isOver = true;
    await Promise.all(crowd);
    console.log('\nTouches logged one after another, each on the disk before it is answered:');
    const line = JSON.stringify([{ line: 1 }, '1 5m @60 ccncc']);
    say('a touch', await times(100, 1, post(`${audition}/log?/line`, { __superform_json: line })));
  });
}
