/** The printer's and the scale's pages over HTTP. */
import type { Context, Hono } from 'hono';
import { streamSSE } from 'hono/streaming';
import { signedIn } from '../accounts/guard';
import type { People } from '../accounts/people';
import { labelSvg } from '../label-files';
import { scaleRequest, simulateRequest } from '../labels/schemas';
import { bodyOf } from '../request';
import { checked } from '../schemas';
import type { SimulatedScale, Weighing } from './scale';
import type { SimulatedAct, SimulatedPrinter } from './simulated-printer';
import type { Spool } from './spool';

const MOST_SHOWN = 60;
/** An idle stream says so, so that a connection that broke is noticed. */
const HEARTBEAT_MS = 15_000;

export interface DeviceRoutes {
  people: People;
  spool: Spool;
  printer: SimulatedPrinter;
  scale: SimulatedScale;
}

export function addDeviceRoutes(app: Hono, { people, spool, printer, scale }: DeviceRoutes): void {
  const page = async () => ({
    printer: await printer.status(),
    jobs: await spool.jobs(MOST_SHOWN),
    outputs: await printer.outputs(MOST_SHOWN),
  });
  app.get('/api/printer', async (context) => context.json(await page()));
  app.get('/api/printer/jobs/:id/label.svg', async (context) => {
    const { content, set } = await spool.labelOf(context.req.param('id'));
    context.header('Content-Type', 'image/svg+xml; charset=utf-8');
    return context.body(labelSvg(set, content.title));
  });
  app.post('/api/printer/simulate', async (context) => {
    await signedIn(context, people, 'cook');
    const { act } = checked<{ act: SimulatedAct }>(simulateRequest, await bodyOf(context));
    await printer.act(act);
    return context.json(await page());
  });
  app.post('/api/printer/resume', async (context) => {
    await signedIn(context, people, 'cook');
    await spool.resume();
    return context.json(await page());
  });
  app.post('/api/printer/jobs/:id/cancel', async (context) => {
    const by = await signedIn(context, people, 'cook');
    await spool.cancel(context.req.param('id'), by);
    return context.json(await page());
  });

  app.get('/api/scale', (context) => streamWeights(context, scale));
  app.post('/api/scale/simulate', async (context) => {
    const { grams } = checked<{ grams: number }>(scaleRequest, await bodyOf(context));
    scale.put(grams);
    return context.json({ grams });
  });
}

/** The scale's weighings as server-sent events, until the other end goes. */
function streamWeights(context: Context, scale: SimulatedScale): Response {
  return streamSSE(context, async (stream) => {
    let isOpen = true;
    const write = (weighing: Weighing): void => {
      if (isOpen) void stream.writeSSE({ event: 'weight', data: JSON.stringify(weighing) });
    };
    const end = scale.watch(write);
    stream.onAbort(() => {
      isOpen = false;
      end();
    });
    while (isOpen) {
      await stream.sleep(HEARTBEAT_MS);
      if (isOpen) await stream.writeSSE({ event: 'still', data: '' });
    }
  });
}
