/** Takes: where bars lie in them, what was heard, how they are drawn and how long they stay. */
export * from './keeping';
export * from './level';
export * from './loudness';
export * from './marks';
export * from './places';
export * from './wave';
