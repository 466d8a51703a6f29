/** The scale over HTTP: its weighings as they come. */
import type { Context } from 'hono';
import { streamSSE } from 'hono/streaming';
import { type Route, route } from '../http/route';
import { tellingAll } from '../http/words';
import type { SimulatedProbe } from './probe';
import type { SimulatedScale } from './scale';
import { probeRequest, scaleRequest } from './schemas';

/** An idle stream says so, so that a connection that broke is noticed. */
const HEARTBEAT_MS = 15_000;

/** The scale's weighings as server-sent events, until the other end goes. */
function streamWeights(context: Context, scale: SimulatedScale): Response {
  return streamSSE(context, (stream) => {
    const end = scale.watch((weighing) => {
      void stream.writeSSE({ event: 'weight', data: JSON.stringify(weighing) });
    });
    const beat = setInterval(() => void stream.writeSSE({ event: 'still', data: '' }), HEARTBEAT_MS);
    return new Promise((gone) =>
      stream.onAbort(() => {
        clearInterval(beat);
        end();
        gone();
      }),
    );
  });
}

export const scaleRoutes = (scale: SimulatedScale): Route[] => [
  route({
    method: 'get',
    path: '/api/scale',
    summary: 'The weights of the scale as server-sent events',
    file: ['text/event-stream'],
    answers: 'A stream of grams',
    example: {},
    run: ({ context }) => streamWeights(context, scale),
  }),
  route({
    method: 'post',
    path: '/api/scale/simulate',
    summary: 'Puts a weight on the simulated scale',
    body: scaleRequest,
    answer: tellingAll('grams'),
    answers: 'The weight',
    example: { body: { grams: 412 } },
    run: ({ body: { grams } }) => {
      scale.put(grams);
      return { grams };
    },
  }),
];

export const probeRoutes = (probe: SimulatedProbe): Route[] => [
  route({
    method: 'get',
    path: '/api/probe',
    summary: 'What the temperature probe reads now',
    answer: tellingAll('name', 'celsius', 'isSteady'),
    answers: 'Degrees Celsius, and whether they are at rest',
    example: {},
    run: () => ({ name: probe.name, ...probe.read() }),
  }),
  route({
    method: 'post',
    path: '/api/probe/simulate',
    summary: 'Puts the simulated probe into something',
    body: probeRequest,
    answer: tellingAll('celsius'),
    answers: 'The temperature',
    example: { body: { celsius: 76.5 } },
    run: ({ body: { celsius } }) => {
      probe.put(celsius);
      return { celsius };
    },
  }),
];
