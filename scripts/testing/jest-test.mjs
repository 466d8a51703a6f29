/**
 * A test as Jest runs it: one file with everything of ours that it imports, as the build makes one of the app. Between 350 files
 * every call goes through a getter. Packages stay outside: a test and its setup share them. Types are checked apart, by tsc.
 */
import { dirname } from 'node:path';
import { buildSync } from 'esbuild';
import { withNames } from './near-globals.mjs';

export default {
  /** What a test imports changes without it: nothing is kept between runs. */
  getCacheKey: () => String(process.hrtime.bigint()),
  process(source, path) {
    const { outputFiles } = buildSync({
      stdin: { contents: source, sourcefile: path, resolveDir: dirname(path), loader: 'ts' },
      bundle: true,
      alias: {
        '@hand-ladle/core': './core/src/index.ts',
        '@hand-ladle/data': './data/src/index.ts',
        '@hand-ladle/testing': './testing/src',
      },
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
