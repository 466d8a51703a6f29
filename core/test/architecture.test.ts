import { spawnSync } from 'node:child_process';

/** What the linter says of a file that imports some modules, one a line: those it refuses. */
function refused(file: string, modules: readonly string[]): string[] {
  const code = modules.map((module, index) => `export { x as x${index} } from '${module}';\n`).join('');
  const done = spawnSync(
    'node_modules/.bin/eslint',
    ['--stdin', '--stdin-filename', file, '--format', 'json'],
    {
      input: code,
      encoding: 'utf8',
    },
  );
  const [{ messages }] = JSON.parse(done.stdout) as [{ messages: { line: number; ruleId: string }[] }];
  return messages
    .filter(({ ruleId }) => ruleId === 'no-restricted-imports')
    .map(({ line }) => modules[line - 1]!);
}

/** Arrows run one way: web -> core, server -> core; core leans on nothing of ours. */
test.each([
  [
    'core/src/x.ts',
    ['@hand-ladle/server', '../../web/src/main', '@hand-ladle/data', 'vue', 'hono', 'node:fs'],
  ],
  ['web/src/x.ts', ['@hand-ladle/server', '../../server/src/app', '@hand-ladle/data', 'node:fs']],
  ['server/src/x.ts', ['@hand-ladle/web', '../../web/src/main', 'vue']],
  ['data/src/x.ts', ['@hand-ladle/server', '../../server/src/app']],
])(
  '%s may not import against the arrow',
  (file, modules) => {
    const allowed = file.startsWith('core') ? './index' : '@hand-ladle/core';
    expect(refused(file, [...modules, allowed])).toEqual(modules);
  },
  60_000,
);
