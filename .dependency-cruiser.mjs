/** Imports go one way: down the plan of scripts/rooms.mjs, through a room's door, and never in a circle. */
import { ROOMS } from './scripts/rooms.mjs';

const inRoom = (part, room) => `^${part}/${room}/[^/]+$`;

/** A room may not lean on those after it. */
const downOnly = Object.entries(ROOMS).flatMap(([part, rooms]) =>
  rooms.slice(0, -1).map((room, at) => ({
    name: `down-only: ${part}/${room}`,
    severity: 'error',
    from: { path: inRoom(part, room) },
    to: { path: rooms.slice(at + 1).map((later) => inRoom(part, later)) },
  })),
);

/** What puts the rooms together (the app, the main file, core's own door) is leaned on by no room. */
const noRoof = Object.keys(ROOMS).map((part) => ({
  name: `no-roof: ${part}`,
  severity: 'error',
  from: { path: `^${part}/[^/]+/` },
  to: { path: `^${part}/[^/]+$` },
}));

/** A folder that is no room of the plan. */
const planned = Object.entries(ROOMS).map(([part, rooms]) => ({
  name: `planned: ${part}`,
  severity: 'error',
  from: {},
  to: { path: `^${part}/.+/`, pathNot: rooms.map((room) => inRoom(part, room)) },
}));

export default {
  forbidden: [
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    ...downOnly,
    ...noRoof,
    ...planned,
    {
      name: 'by-the-door',
      comment: 'Another room of core is entered by its index.ts.',
      severity: 'error',
      from: { path: '^core/src/([^/]+)/' },
      to: { path: '^core/src/[^/]+/', pathNot: ['^core/src/$1/', '^core/src/[^/]+/index\\.ts$'] },
    },
    {
      name: 'by-the-inner-door',
      comment: 'A room within a room has a door too.',
      severity: 'error',
      from: { path: '^core/src/([^/]+)/[^/]+$' },
      to: { path: '^core/src/$1/[^/]+/', pathNot: '^core/src/$1/[^/]+/index\\.ts$' },
    },
    {
      name: 'by-the-next-door',
      severity: 'error',
      from: { path: '^core/src/([^/]+)/([^/]+)/' },
      to: {
        path: '^core/src/$1/[^/]+/',
        pathNot: ['^core/src/$1/$2/', '^core/src/$1/[^/]+/index\\.ts$'],
      },
    },
    {
      name: 'core-is-pure',
      comment: 'core leans on nothing of ours and on no package.',
      severity: 'error',
      from: { path: '^core/src/' },
      to: { pathNot: '^core/src/' },
    },
    {
      name: 'one-way',
      comment: 'web -> core, server -> core and data, data -> core.',
      severity: 'error',
      from: { path: '^(web|server|data)/src/' },
      to: { path: '^(web|server|data|testing|e2e)/', pathNot: ['^$1/', '^data/src/index\\.ts$'] },
    },
    {
      name: 'server-draws-no-screen',
      severity: 'error',
      from: { path: '^server/src/' },
      to: { path: 'node_modules/(vue|element-plus)/' },
    },
    {
      name: 'web-knows-no-tables',
      severity: 'error',
      from: { path: '^web/src/' },
      to: { path: '(^data|node_modules/(hono|sequelize|joi))/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types'] },
  },
};
