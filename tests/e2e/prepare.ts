/** Before any browser test: built once, and the demo played once, since several studios start side by side. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuilt } from '../../scripts/parts/prepare.mjs';
import { serve } from '../../scripts/parts/serve.mjs';

const PORT = 3380;

export default async () => {
  ensureBuilt();
  const data = mkdtempSync(join(tmpdir(), 'irvot-e2e-demo-'));
  const app = await serve({ port: PORT, data, env: { IRVOT_NOW: '2026-11-24T08:00:00Z', IRVOT_DEMO: '1' } });
  await fetch(`${app.origin}/sign-in`);
  app.stop();
  await new Promise((resolve) => app.child.on('exit', resolve));
  process.env.IRVOT_DEMO_TEMPLATE = data;
  return () => rmSync(data, { recursive: true, force: true });
};
