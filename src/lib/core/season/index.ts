export * from './request';
export * from './plan';
export { laySeason } from './lay';
export * from './moves';
export { DEFAULT_MOST_PER_DAY_MIN } from './ask';
export * from './stairs';
