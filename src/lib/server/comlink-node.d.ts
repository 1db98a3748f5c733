/** The package ships these types beside the file, under a name the file's own does not lead to. */
declare module 'comlink/dist/esm/node-adapter.mjs' {
  export { default } from 'comlink/dist/esm/node-adapter';
}
