/* The words alone, for the part of a client that is loaded first: nothing of the trade, no schemas. */
export * from './changes-say';
export * from './en';
export * from './format';
export { readNumber, readWhole, unclearNumber } from '../quantity/read-number';
