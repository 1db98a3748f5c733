/** Before any browser test: built once, since several studios start side by side. */
import { ensureBuilt } from '../../scripts/parts/prepare.mjs';

export default () => ensureBuilt();
