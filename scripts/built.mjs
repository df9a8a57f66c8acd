// What tests of the server need built before they begin: the program its threads run.
export { ensureNode as setup } from './build.mjs';
