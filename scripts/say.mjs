/** A sentence for whoever started the command, with the way out; then the end. */
export class Halt extends Error {}

/** Stops the command with one clear sentence. */
export function halt(sentence) {
  throw new Halt(sentence);
}

/** Turns what broke into one sentence: a full disk and a forbidden folder are named as such. */
export function sentenceOf(error) {
  if (error instanceof Halt) return error.message;
  if (error?.code === 'ENOSPC') {
    return 'The disk is full: free some space (df -h shows how much there is) and start again. Nothing saved is lost.';
  }
  if (error?.code === 'EACCES' || error?.code === 'EROFS') {
    return `${error.path ?? 'A folder'} may not be written: start as its owner, or set HAND_LADLE_DATA to a folder of yours.`;
  }
  return error?.stack ?? String(error);
}

/** Runs a command's main function; a halt is printed and ends with 1. */
export async function main(run) {
  try {
    await run();
  } catch (error) {
    console.error(sentenceOf(error));
    process.exit(1);
  }
}
