/** The thread on which waiting plans are laid. */
import { layForEach } from '../../core/season';
import { answerFrom } from '../thread.worker';

const laying = { layForEach };
export type Laying = typeof laying;

answerFrom(laying);
