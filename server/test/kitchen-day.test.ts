/** Dates on labels are the kitchen's own day, codes hold no address a phone cannot open, and nothing typed is a claim. */
import type { Kitchen } from '@hand-ladle/core';
import {
  as,
  changeKitchen,
  codeOf,
  DISH,
  openLabelWorld,
  OPTIONS,
  releasedLabel,
  settingsOf,
  world,
} from './labels/label-world';

beforeAll(() => openLabelWorld('kitchen-day'));
afterAll(() => world.close());

const COMPONENT = { ...OPTIONS, kind: 'component' };
const serviceOf = async (): Promise<Kitchen['service']> =>
  (await world.send('GET', '/api/kitchens/alder-ward')).body.kitchen.service;
const printed = async (id: string, options: object = {}) =>
  as('cook', 'POST', `/api/labels/${id}/print`, { options: { ...COMPONENT, ...options } });
const batchOf = async (code: string) => (await world.send('GET', `/api/batches/${code}`)).body;

test.each([
  ['America/Chicago', '2026-11-25T06:30:00Z', '2026-11-25'], ['America/Chicago', '2026-11-25T05:30:00Z', '2026-11-24'],
  ['Pacific/Auckland', '2026-11-24T11:30:00Z', '2026-11-25'], ['Pacific/Auckland', '2026-11-25T10:30:00Z', '2026-11-25'],
  ['Europe/London', '2026-11-25T00:30:00Z', '2026-11-25'], ['Europe/London', '2026-11-24T23:30:00Z', '2026-11-24'],
])('in %s at %s a label says %s, and keeps from there', async (timeZone, at, day) => {
  const { id } = await releasedLabel(DISH, 'alder-ward', { kind: 'component' });
  const undo = await changeKitchen({ service: { ...(await serviceOf()), timeZone } });
  world.clock.at = new Date(at);
  try {
    const { body, status } = await printed(id);
    expect(status).toBe(202);
    expect(await batchOf(body.batchCode)).toMatchObject({ madeOn: day, useBy: `2026-11-${Number(day.slice(8)) + 1}` });
    expect(body.batchCode.slice(0, 6)).toBe(day.slice(2).replaceAll('-', ''));
  } finally {
    world.clock.at = new Date('2026-11-25T09:00:00Z');
    await undo();
  }
}); // prettier-ignore

test('a day of making is taken as it is told: no day that is none, and none that has not come', async () => {
  const { id } = await releasedLabel(DISH, 'alder-ward', { kind: 'component' });
  const told = await printed(id, { madeOn: '2026-11-24' });
  expect(told.status).toBe(202);
  // The flatbread keeps two days: what was made the day before yesterday is past its date.
  expect(await batchOf(told.body.batchCode)).toMatchObject({ madeOn: '2026-11-24', useBy: '2026-11-25' });
  expect(codeOf(await printed(id, { madeOn: '2026-11-23' }))).toBe('label-expired');
  expect(codeOf(await printed(id, { madeOn: '2026-02-31' }))).toBe('bad-request');
  expect(codeOf(await printed(id, { madeOn: '25/11/2026' }))).toBe('bad-request');
  expect(codeOf(await printed(id, { madeOn: '2026-11-26' }))).toBe('made-ahead');
});

test('a name that is no time zone, and an address that is none, are refused', async () => {
  const { body } = await world.send('GET', '/api/kitchens/alder-ward');
  const settings = settingsOf(body.kitchen);
  const put = (service: object) =>
    world.send('PUT', '/api/kitchens/alder-ward', {
      settings: { ...settings, service: { ...settings.service, ...service } },
      version: body.version,
    });
  for (const service of [
    { timeZone: 'London' },
    { publicAddress: 'javascript:alert(1)' },
    { publicAddress: 'not a place' },
  ])
    expect((await put(service)).status).toBe(400);
});

test('what is typed onto a tray slip promises nothing, and a group is named where the dish is theirs', async () => {
  const { id } = await releasedLabel(DISH, 'alder-ward', { kind: 'tray' });
  const slip = (extra: object) => printed(id, { kind: 'tray', ...extra });
  expect(codeOf(await slip({ group: 'nut free' }))).toBe('claim-typed');
  expect(codeOf(await slip({ texture: 'gluten-free, soft' }))).toBe('claim-typed');
  expect((await slip({ group: 'Ward 3', texture: 'soft' })).status).toBe(202);
  // The flatbread holds wheat.
  expect(codeOf(await slip({ group: 'Coeliac' }))).toBe('tray-not-free');
});
