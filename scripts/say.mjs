/** A failure that the user can mend: one clear sentence, no stack. */
export class Trouble extends Error {}

/** Runs a script's main function; a `Trouble` is told as its sentence alone. */
export async function run(main) {
  try {
    await main();
  } catch (error) {
    console.error(error instanceof Trouble ? `\n${error.message}` : error);
    process.exitCode = 1;
  }
}
