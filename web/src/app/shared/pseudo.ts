/* Loaded only where the catalogue is looked at in the language that does not exist: see main.ts. */
export { speakPseudo } from '@druckerei/core';
