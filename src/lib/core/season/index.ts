export * from './request';
export * from './plan';
export { laySeason } from './lay';
export * from './moves';
export * from './stairs';
export * from './side-by-side';
export * from './follow-bars';
export * from './since';
export * from './wall';
