/** The server as one file, for journeys: it starts in a second, where reading its sources one by one takes five. */
import { join } from 'node:path';
import { build } from 'esbuild';

export const SERVER_BUNDLE = join('.data', 'tests', 'server.mjs');

export async function bundleServer() {
  await build({
    entryPoints: [join('server', 'src', 'main.ts')],
    outfile: SERVER_BUNDLE,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: 'inline',
    logLevel: 'error',
    // Packages stay where they are; what is ours goes in.
    plugins: [
      {
        name: 'packages-outside',
        setup: ({ onResolve }) => {
          onResolve({ filter: /^[^./]/ }, ({ path, kind }) =>
            kind === 'entry-point' || path.startsWith('@hand-ladle/') ? undefined : { path, external: true },
          );
        },
      },
    ],
  });
}
