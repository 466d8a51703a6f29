/** Labels as files: PDF, SVG, PNG or plain text. */
import type { Context } from 'hono';
import Joi from 'joi';
import { asFile, PDF, SVG } from '../http/files';
import { labelPng, labelsPdf, labelSvg } from '../paper/label-files';
import { setBy } from '../paper/set';
import { mustFit, runText } from './printing';
import type { RunOptions, RunPart } from './runs';

const FORMATS = ['pdf', 'svg', 'png', 'txt'] as const;
export type FileFormat = (typeof FORMATS)[number];
export const anyFormat = Joi.string().valid(...FORMATS);
/** The formats that hold many labels. */
export const manyFormat = Joi.string().valid('pdf', 'txt');

const PNG = 'image/png';
const TEXT = 'text/plain; charset=utf-8';
export const LABEL_FILES = [PDF, SVG, PNG, TEXT];

/** The first label as a picture, or all of them as pages or texts. */
export async function fileAnswer(
  context: Context,
  format: FileFormat,
  name: string,
  parts: readonly Pick<RunPart, 'content' | 'quantity'>[],
  options: RunOptions,
): Promise<Response> {
  if (format === 'txt') {
    asFile(context, `${name}.txt`, TEXT);
    return context.body(runText(parts));
  }
  const set = parts.map(({ content, quantity }) => ({ set: setBy(content, options), quantity }));
  for (const each of set) mustFit(each.set);
  if (format === 'svg') {
    asFile(context, `${name}.svg`, SVG);
    return context.body(labelSvg(set[0]!.set, parts[0]!.content.title));
  }
  const isPdf = format === 'pdf';
  const file = isPdf ? await labelsPdf(set, options) : await labelPng(set[0]!.set);
  asFile(context, `${name}.${format}`, isPdf ? PDF : PNG);
  return context.body(new Uint8Array(file));
}
