/** Who leans on whom, room by room: what the linter of imports finds, and its drawing in docs/imports.md. */
import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { roomOf, ROOMS } from './rooms.mjs';

const DRAWING = 'docs/imports.md';
const PARTS = Object.keys(ROOMS);

/** What the cruiser sees: every module with what it imports, and every import against the plan. */
export function cruise(
  folders = [...PARTS, 'data/src'],
  { cwd = '.', config = '.dependency-cruiser.mjs' } = {},
) {
  const cruiser = new URL('../node_modules/dependency-cruiser/bin/dependency-cruise.mjs', import.meta.url);
  const done = spawnSync(
    process.execPath,
    [cruiser.pathname, '--config', config, '--output-type', 'json', ...folders],
    { cwd, encoding: 'utf8', maxBuffer: 1 << 28 },
  );
  if (!done.stdout) throw new Error(done.stderr);
  const { modules, summary } = JSON.parse(done.stdout);
  return { modules, violations: summary.violations };
}

/** The rooms of a part that a room leans on, by how many imports. */
export function roomsUsed(modules, part) {
  const used = new Map();
  for (const { source, dependencies } of modules) {
    if (!source.startsWith(`${part}/`)) continue;
    const from = roomOf(part, source);
    for (const { resolved } of dependencies) {
      if (from === null || !resolved.startsWith(`${part}/`)) continue;
      const to = roomOf(part, resolved);
      if (to === null || to === from) continue;
      const of = used.get(from) ?? used.set(from, new Map()).get(from);
      of.set(to, (of.get(to) ?? 0) + 1);
    }
  }
  return used;
}

/** A part as a table: each room in the order of the plan, and those it leans on. */
function drawn(part, modules) {
  const used = roomsUsed(modules, part);
  const rows = ROOMS[part].map((room) => {
    const of = [...(used.get(room) ?? [])].sort(
      ([one], [other]) => ROOMS[part].indexOf(one) - ROOMS[part].indexOf(other),
    );
    return `- **${room}**${of.length === 0 ? '' : `: ${of.map(([to]) => to).join(', ')}`}`;
  });
  return `## ${part}\n\n${rows.join('\n')}\n`;
}

/** The drawing as it should stand. */
export const drawing = (modules) =>
  `# Who leans on whom\n\nWritten by \`npm run imports\`. Each room leans only on rooms that stand above it here; the test of the\narchitecture fails where one does not, or where this page is not what the imports are.\n\n${PARTS.map((part) => drawn(part, modules)).join('\n')}`;

export const keptDrawing = () => readFileSync(DRAWING, 'utf8');

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  const { modules, violations } = cruise();
  for (const { rule, from, to } of violations) console.error(`${rule.name}: ${from} -> ${to}`);
  writeFileSync(DRAWING, drawing(modules));
  process.exit(violations.length > 0 ? 1 : 0);
}
