export * from './checks';
export * from './groundwork';
