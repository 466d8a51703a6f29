/** Plain English words, of the SCOWL lists that everybody uses (docs/dependencies.md): what no misspelling is looked for in. */
import data from './ordinary-words.json';

/** Words everybody uses (size 10 and 20). */
export const COMMON_WORDS: ReadonlySet<string> = new Set(data.common.split(' '));
/** Words of the larger lists that only look like an allergen's. */
export const LOOKALIKE_WORDS: readonly string[] = data.lookalikes.split(' ');
