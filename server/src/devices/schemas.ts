/** What is done to simulated devices, as Joi schemas. */
import Joi from 'joi';
import { SIMULATED_ACTS, type SimulatedAct } from '@hand-ladle/core';

export const simulateRequest = Joi.object<{ act: SimulatedAct }>({
  act: Joi.string()
    .valid(...SIMULATED_ACTS)
    .required(),
});
export const scaleRequest = Joi.object<{ grams: number }>({
  grams: Joi.number().min(0).max(100_000).required(),
});
export const probeRequest = Joi.object<{ celsius: number }>({
  celsius: Joi.number().min(-60).max(400).required(),
});
