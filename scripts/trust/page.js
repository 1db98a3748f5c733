/** Asks the studio over https whether this device trusts it, until it does. */
const AGAIN_MS = 3000;
const { studio } = document.body.dataset;
const state = document.getElementById('state');

async function ask() {
  const isTrusted = await fetch(`${studio}/trusted`, { cache: 'no-store' }).then(
    ({ ok }) => ok,
    () => false
  );
  if (!isTrusted) {
    state.textContent = 'This device does not trust the studio yet. Three steps:';
    setTimeout(ask, AGAIN_MS);
    return;
  }
  const link = document.createElement('a');
  link.className = 'action';
  link.href = `${studio}/`;
  link.textContent = 'Open the studio';
  state.replaceChildren('This device trusts the studio. ', document.createElement('br'), link);
  document.getElementById('steps').hidden = true;
}

// the one whose device it is
const agent = navigator.userAgent;
const system =
  /iPhone|iPad/.test(agent) || (/Macintosh/.test(agent) && navigator.maxTouchPoints > 1)
    ? 'iPad'
    : ['Android', 'Windows', 'Macintosh'].find((name) => agent.includes(name));
for (const one of document.querySelectorAll('details'))
  one.open = one
    .querySelector('summary')
    .textContent.startsWith(system === 'Macintosh' ? 'Mac' : (system ?? 'A browser'));
void ask();
