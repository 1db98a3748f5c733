/** What is kept, each record defined once: its shape in Zod, its type, its limits and the sentence of each fault. */
export * from './call';
export * from './check';
export * from './desk';
export * from './family';
export * from './fields';
export * from './fundamental';
export * from './item';
export * from './lesson';
export * from './lines';
export * from './pin';
export * from './spot';
export * from './take';
export * from './method';
export * from './mock';
export * from './time';
export * from './touch';
export * from './words';
