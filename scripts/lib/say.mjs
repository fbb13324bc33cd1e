let stream = process.stdout;
/** Progress goes to the other stream: for commands whose output is data. */
export const keepOutputClean = () => {
  stream = process.stderr;
};
/** Progress for the person who started the command. */
export const say = (text) => stream.write(`  ${text}\n`);

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
