/** What contract, server, interface and terminal use of this room. */
export type { Field, Fields } from './field.ts';
export { initialValues } from './field.ts';
export { isKeyOf, isObject, keysOf, recordOf } from './keys.ts';
export { causeOf, causesOf, messageOf } from './failure.ts';
