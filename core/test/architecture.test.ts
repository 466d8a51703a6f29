import { execFileSync, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';

interface Violation {
  from: string;
  to: string;
  rule: { name: string };
}
interface Cruised {
  modules: { source: string; dependencies: { resolved: string }[] }[];
  violations: Violation[];
}

/** Runs a function of scripts/imports.mjs, which Jest cannot import, and hands back what it answers. */
function asked<T>(code: string, cwd = process.cwd()): T {
  const file = resolve('scripts/imports.mjs');
  const { stdout, stderr } = spawnSync(
    process.execPath,
    ['--input-type=module', '-e', `import * as imports from '${file}'; ${code}`],
    { cwd, encoding: 'utf8', maxBuffer: 1 << 28 },
  );
  if (!stdout) throw new Error(stderr);
  return JSON.parse(stdout) as T;
}

const told = (value: string): string => `console.log(JSON.stringify(${value}));`;

test('every import goes down the plan, through a door, in no circle, and the drawing shows them as they are', () => {
  const { modules, violations, isDrawn } = asked<Cruised & { isDrawn: boolean }>(
    `const found = imports.cruise(); const isDrawn = imports.drawing(found.modules) === imports.keptDrawing();
     ${told('{ ...found, isDrawn }')}`,
  );
  expect(violations.map(({ rule, from, to }) => `${rule.name}: ${from} -> ${to}`)).toEqual([]);
  const seen = (ending: string): number => modules.filter(({ source }) => source.endsWith(ending)).length;
  expect(seen('.vue')).toBeGreaterThan(50);
  expect(isDrawn).toBe(true);
});

/** A house of a few files beside the plan of this one: what the cruiser says of it. */
function violationsOf(files: Readonly<Record<string, string>>): string[] {
  const folder = mkdtempSync(join(tmpdir(), 'hand-ladle-imports-'));
  for (const [path, code] of Object.entries({ 'tsconfig.json': '{}', ...files })) {
    mkdirSync(join(folder, dirname(path)), { recursive: true });
    writeFileSync(join(folder, path), code);
  }
  symlinkSync(resolve('node_modules'), join(folder, 'node_modules'));
  const parts = [...new Set(Object.keys(files).map((path) => path.split('/').slice(0, 2).join('/')))];
  const config = resolve('.dependency-cruiser.mjs');
  const { violations } = asked<Cruised>(
    told(`imports.cruise(${JSON.stringify(parts)}, { config: '${config}' })`),
    folder,
  );
  rmSync(folder, { recursive: true, force: true });
  return [...new Set(violations.map(({ rule, from }) => `${from}: ${rule.name}`))].sort();
}

const component = (line: string): string =>
  `<script setup lang="ts">\n${line}\n</script>\n<template><p /></template>\n`;

test('the linter of imports tells each way of going wrong, and nothing of what is fair', () => {
  const plain = 'export const a = 1;';
  const files = {
    'core/src/food/index.ts': "export { a } from './a';",
    'core/src/food/a.ts': plain,
    'core/src/kitchen/index.ts': plain,
    'core/src/kitchen/fair.ts': "export { a } from '../food';",
    'core/src/kitchen/past-a-door.ts': "export { a } from '../food/a';",
    'core/src/kitchen/type-past-a-door.ts': "import type { a } from '../food/a'; export type A = typeof a;",
    'core/src/food/up.ts': "export { a } from '../kitchen';",
    'core/src/food/round.ts': "export { a } from './and-round';",
    'core/src/food/and-round.ts': "import './round'; export const a = 1;",
    'core/src/utils/index.ts': plain,
    'core/src/food/unplanned.ts': "export { a } from '../utils';",
    'core/src/food/framework.ts': "export { ref } from 'vue';",
    'core/src/food/machine.ts': "export { join } from 'node:path';",
    'web/src/label/Later.vue': component(''),
    'web/src/ui/Up.vue': component("import Later from '../label/Later.vue'; void Later;"),
    'web/src/ui/Fair.vue': component("import { a } from '../api/a'; void a;"),
    'web/src/api/a.ts': plain,
    'web/src/ui/tables.ts': "export { Sequelize } from 'sequelize';",
    'server/src/http/a.ts': plain,
    'server/src/app.ts': plain,
    'web/src/ui/Server.vue': component("import { a } from '../../../server/src/http/a'; void a;"),
    'server/src/http/roof.ts': "export { a } from '../app';",
    'server/src/http/screen.ts': "export { a } from '../../../web/src/api/a';",
  };
  expect(violationsOf(files)).toEqual([
    'core/src/food/and-round.ts: no-circular',
    'core/src/food/framework.ts: core-is-pure',
    'core/src/food/machine.ts: core-is-pure',
    'core/src/food/unplanned.ts: planned: core/src',
    'core/src/food/up.ts: down-only: core/src/food',
    'core/src/kitchen/past-a-door.ts: by-the-door',
    'core/src/kitchen/type-past-a-door.ts: by-the-door',
    'server/src/http/roof.ts: no-roof: server/src',
    'server/src/http/screen.ts: one-way',
    'web/src/ui/Server.vue: one-way',
    'web/src/ui/Up.vue: down-only: web/src/ui',
    'web/src/ui/tables.ts: web-knows-no-tables',
  ]);
});

test('no folder of code holds more than fifteen files', () => {
  const files = execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard'], {
    encoding: 'utf8',
  })
    .split('\n')
    .filter((file) => /^(core|data\/src|server|web|testing|e2e|scripts)\//.test(file));
  const counts = new Map<string, number>();
  for (const file of files) counts.set(dirname(file), (counts.get(dirname(file)) ?? 0) + 1);
  const most = Number(/MOST_FILES = (\d+)/.exec(readFileSync('scripts/rooms.mjs', 'utf8'))![1]);
  expect(most).toBe(15);
  expect([...counts].filter(([, count]) => count > most)).toEqual([]);
});
