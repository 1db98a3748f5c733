export * from './tasks';
export * from './prescreen';
