export * from './day-plan';
