/** Before any browser test: built once, and the demo played once, since several studios start side by side. */
import { rmSync } from 'node:fs';
import { ensureBuilt } from '../../scripts/parts/prepare.mjs';
import { playTemplate } from '../../scripts/parts/template.mjs';

export default async () => {
  ensureBuilt();
  // whoever runs all tests has played it already
  if (process.env.IRVOT_DEMO_TEMPLATE) return;
  const data = await playTemplate();
  process.env.IRVOT_DEMO_TEMPLATE = data;
  return () => rmSync(data, { recursive: true, force: true });
};
