export * from './checks';
