/** Progress for the person who started the command. */
export const say = (text) => process.stdout.write(`  ${text}\n`);

/** A fault the user can act on: one sentence, exit code 1, no stack. */
export class Stop extends Error {}

/** Runs a command's main function; a Stop ends with its sentence. */
export async function main(work) {
  try {
    await work();
  } catch (error) {
    process.stderr.write(`\ndruckerei: ${error instanceof Stop ? error.message : (error?.stack ?? error)}\n`);
    process.exit(1);
  }
}
