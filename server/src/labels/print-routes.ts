/** Prints and files of what was released: each label of a batch, with its code and dates; and the spool's page. */
import type { PrinterPage } from '@hand-ladle/core';
import { simulateRequest } from '../devices/schemas';
import type { SimulatedPrinter } from '../devices/simulated-printer';
import { ApiError } from '../http/errors';
import { SVG } from '../http/files';
import { type Route, route } from '../http/route';
import { tellingAll } from '../http/words';
import { labelSvg } from '../paper/label-files';
import { anyFormat, fileAnswer, type FileFormat, LABEL_FILES, manyFormat } from './files';
import type { Printing } from './printing';
import type { Releases } from './releases';
import type { RunItem, RunOptions } from './runs';
import { type PrintAsked, printRequest, runRequest } from './schemas';
import type { Spool } from './spool';

export interface PrintParts {
  releases: Releases;
  printing: Printing;
  spool: Spool;
  printer: SimulatedPrinter;
}

const MOST_SHOWN = 60;
const ROLL = { kind: 'roll', id: 'roll-102', name: 'Roll 102 mm', widthMm: 102, heightMm: null };

const RUN = { items: [{ releaseId: 'POST /api/labels', quantity: 2 }], stock: ROLL };

const page = tellingAll('printer', 'jobs', 'outputs');

const printRoutesOf = ({ releases, printing }: PrintParts): Route[] => {
  const itemOf = async (
    { options, batchCode }: PrintAsked,
    releaseId: string,
  ): Promise<{ item: RunItem; options: RunOptions }> => {
    if (options.kind !== null && options.kind !== (await releases.release(releaseId)).kind)
      throw new ApiError('label-other-kind');
    return { item: { ...options, releaseId, batchCode }, options };
  };
  return [
    route({
      method: 'post',
      path: '/api/labels/:id/print',
      summary: 'Makes a batch and sends its labels to the spool; only of a released label that still stands',
      role: 'cook',
      body: printRequest,
      status: 202,
      answer: tellingAll('jobId', 'batchCode'),
      answers: 'The job and the batch code',
      example: { params: { id: 'POST /api/labels' }, body: { options: { stock: ROLL, quantity: 2 } } },
      run: async ({ params, body, by }) => {
        const { item, options } = await itemOf(body, params.id);
        const { jobId, batchCodes } = await printing.print([item], options, by);
        return { jobId, batchCode: batchCodes[0] };
      },
    }),
    route({
      method: 'post',
      path: '/api/labels/:id/file/:format',
      summary: 'A released label as pdf, svg, png or txt, of a batch that is made by it or named',
      role: 'cook',
      params: { format: anyFormat },
      body: printRequest,
      file: LABEL_FILES,
      answers: 'A file',
      example: { params: { id: 'POST /api/labels', format: 'txt' }, body: { options: { stock: ROLL } } },
      run: async ({ params, body, by, context }) => {
        const format = params.format as FileFormat;
        const { item, options } = await itemOf(body, params.id);
        const parts = await printing.parts([item], options, by, format);
        return fileAnswer(context, format, 'label', parts, options);
      },
    }),
    route({
      method: 'post',
      path: '/api/label-runs',
      summary: 'Labels of many dishes, or a slip for each tray, in one job of the spool',
      role: 'cook',
      body: runRequest,
      status: 202,
      answer: tellingAll('jobId', 'batchCodes'),
      answers: 'The job and the batch codes',
      example: { body: RUN },
      run: ({ body: { items, ...options }, by }) => printing.print(items, options, by),
    }),
    route({
      method: 'post',
      path: '/api/label-runs/file/:format',
      summary: 'The same labels as one pdf or txt',
      role: 'cook',
      params: { format: manyFormat },
      body: runRequest,
      file: LABEL_FILES,
      answers: 'A file',
      example: { params: { format: 'txt' }, body: RUN },
      run: async ({ params, body: { items, ...options }, by, context }) => {
        const parts = await printing.parts(items, options, by, params.format);
        return fileAnswer(context, params.format as FileFormat, 'labels', parts, options);
      },
    }),
  ];
};

const spoolRoutesOf = ({ spool, printer }: PrintParts): Route[] => {
  const shown = async (): Promise<PrinterPage> => ({
    printer: await printer.status(),
    jobs: await spool.jobs(MOST_SHOWN),
    outputs: await printer.outputs(MOST_SHOWN),
  });
  return [
    route({
      method: 'get',
      path: '/api/printer',
      summary: 'The printer, its jobs and what came out',
      answer: page,
      answers: 'Printer, jobs, outputs',
      example: {},
      run: shown,
    }),
    route({
      method: 'get',
      path: '/api/printer/jobs/:id/label.svg',
      summary: 'The label of a job as it is printed',
      file: [SVG],
      answers: 'A picture',
      example: { params: { id: 'POST /api/labels/:id/print' } },
      run: async ({ params, context }) => {
        const { content, set } = await spool.labelOf(params.id);
        context.header('Content-Type', SVG);
        return context.body(labelSvg(set, content.title));
      },
    }),
    route({
      method: 'post',
      path: '/api/printer/simulate',
      summary: 'What a person does to the simulated printer',
      role: 'cook',
      body: simulateRequest,
      answer: page,
      answers: 'Printer, jobs, outputs',
      example: { body: { act: 'new-roll' } },
      run: async ({ body }) => {
        await printer.act(body.act);
        return shown();
      },
    }),
    route({
      method: 'post',
      path: '/api/printer/resume',
      summary: 'Lets stopped jobs try again',
      role: 'cook',
      answer: page,
      answers: 'Printer, jobs, outputs',
      example: {},
      run: async () => {
        await spool.resume();
        return shown();
      },
    }),
    route({
      method: 'post',
      path: '/api/printer/jobs/:id/cancel',
      summary: 'Ends a job; what came out stays out',
      role: 'cook',
      answer: page,
      answers: 'Printer, jobs, outputs',
      example: { params: { id: 'POST /api/labels/:id/print' } },
      run: async ({ params, by }) => {
        await spool.cancel(params.id, by);
        return shown();
      },
    }),
  ];
};

export const printRoutes = (parts: PrintParts): Route[] => [...printRoutesOf(parts), ...spoolRoutesOf(parts)];
