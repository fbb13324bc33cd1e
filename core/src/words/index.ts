/* The words alone, for the part of a client that is loaded first: nothing of the trade, no schemas. */
export * from './en';
export * from './format';
export { readNumber } from '../quantity/read-number';
