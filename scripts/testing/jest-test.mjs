/**
 * A test as Jest runs it: one file with everything of ours that it imports, as the build makes one of the app. Between 350 files
 * every call goes through a getter. Packages stay outside: a test and its setup share them. Types are checked apart, by tsc.
 */
import { dirname } from 'node:path';
import { buildSync } from 'esbuild';
import { MEMBERS } from '../members.mjs';

/**
 * The language's own names, found at once: in the room that Jest gives each file (a vm context of Node 20) every `Math` or `Map` is
 * asked of the room's window first. `Date` and the timers are not here, for tests set the clock.
 */
const NAMES =
  'Array,Boolean,Error,Float64Array,Infinity,JSON,Map,Math,NaN,Number,Object,Promise,RegExp,Set,String,Symbol,TypeError,WeakMap';

/** Code with the names around it, on the lines it had, and in a function of its own, where it may declare one of them itself. */
const withNames = (code) => `const {${NAMES}}=globalThis;(function(){${code}\n}).call(this);`;

export default {
  /** What a test imports changes without it: nothing is kept between runs. */
  getCacheKey: () => String(process.hrtime.bigint()),
  process(source, path) {
    const { outputFiles } = buildSync({
      stdin: { contents: source, sourcefile: path, resolveDir: dirname(path), loader: 'ts' },
      bundle: true,
      alias: MEMBERS,
      packages: 'external',
      platform: 'node',
      format: 'cjs',
      target: 'node20',
      sourcemap: 'inline',
      sourcesContent: false,
      outfile: `${path}.js`,
      write: false,
      logLevel: 'error',
    });
    return { code: withNames(outputFiles[0].text) };
  },
};
