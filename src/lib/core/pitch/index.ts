export * from './notes';
export * from './detect';
export * from './listen';
