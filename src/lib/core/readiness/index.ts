export * from './checks';
export * from './groundwork';
export * from './next';
export * from './read';
