/** The order of the files that hold several suites: the server's, which wait for a database, before core's, the small ones last. */
import Sequencer from '@jest/test-sequencer';

const ORDER = ['server', 'core', 'web', 'data'];
const placeOf = ({ context }) => ORDER.indexOf(context.config.displayName.name);

export default class LongFirst extends Sequencer {
  sort(tests) {
    return [...tests].sort((a, b) => placeOf(a) - placeOf(b) || a.path.localeCompare(b.path));
  }
}
