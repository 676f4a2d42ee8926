/** One line to the person at the terminal; standard output is for what was asked for. */
export const say = (line) => console.error(`hudrik: ${line}`);

/** Ends with a sentence, not with a stack. */
export function giveUp(line) {
  console.error(`hudrik: ${line}`);
  process.exit(1);
}
