/** What the API takes of services and of schedules, as Joi schemas. */
import Joi from 'joi';
import {
  MOST_DISHES,
  MOST_HEADS,
  MOST_MINUTES,
  MOST_TASKS,
  type Pin,
  type ScheduleProblem,
  type ToldService,
} from '@hand-ladle/core';
import { date, grams, id } from '../http/words';

export const clock = Joi.string()
  .pattern(/^([01]\d|2[0-3]):[0-5]\d$/)
  .description('A time of the day, 24 hours: "11:45"');
const minute = Joi.number().integer().min(0).max(MOST_MINUTES);

const stretch = { from: clock.required(), to: clock.required() };

const task = Joi.string().min(1).max(300);
const pins = Joi.array()
  .items(
    Joi.object({
      task: task.required(),
      start: Joi.number()
        .integer()
        .min(-8 * 1440)
        .max(1440)
        .required(),
    }),
  )
  .unique('task')
  .max(MOST_TASKS);

/** What is on at a meal, each with its share of the heads. */
export const menuDishes = Joi.array()
  .items(
    Joi.object({
      recipeId: id.required(),
      share: Joi.number().greater(0).max(1).default(1),
      course: Joi.string().trim().max(40).allow('').default(''),
    }),
  )
  .max(MOST_DISHES);

const fields = {
  kitchenId: id.required(),
  date: date.required(),
  meal: Joi.string().trim().min(1).max(60).required(),
  readyAt: clock.required(),
  heads: Joi.array()
    .items(
      Joi.object({
        groupId: id.required(),
        heads: Joi.number().integer().min(0).max(MOST_HEADS).required(),
        portionGrams: grams.max(5000).allow(null).default(null),
        site: Joi.string().trim().max(60).allow('').default(''),
        codes: Joi.array().items(Joi.string().trim().min(1).max(20)).max(MOST_HEADS).default([]),
      }),
    )
    .max(200)
    .required(),
  dishes: menuDishes.required(),
  overShare: Joi.number().min(0).max(0.3),
  team: Joi.object({
    people: Joi.number().integer().min(1).max(50).required(),
    ...stretch,
    breaks: Joi.array().items(Joi.object(stretch)).max(6).default([]),
  }),
  without: Joi.array().items(Joi.string().max(80)).max(50).default([]),
  sites: Joi.array()
    .items(
      Joi.object({
        name: Joi.string().trim().min(1).max(60).required(),
        travelMinutes: Joi.number().integer().min(0).max(240).required(),
      }),
    )
    .max(50)
    .default([]),
  ahead: Joi.array()
    .items(
      Joi.object({ recipeId: id.required(), daysBefore: Joi.number().integer().min(1).max(7).required() }),
    )
    .unique('recipeId')
    .max(60)
    .default([]),
  standIns: Joi.array()
    .items(
      Joi.object({
        recipeId: id.required(),
        foodId: id.required(),
        stockId: Joi.string().max(80).required(),
      }),
    )
    .max(40)
    .default([]),
  pins: pins.default([]),
  order: Joi.array().items(task).max(MOST_TASKS).default([]),
  done: Joi.array().items(task).max(MOST_TASKS).default([]),
};

export const newService = Joi.object<ToldService>(fields);
export const savedService = Joi.object<ToldService & { version: number }>({
  ...fields,
  version: Joi.number().integer().min(1).required(),
});

/** Longest search for a plan, in seconds. */
export const MOST_SECONDS = 20;
const seconds = Joi.number().greater(0).max(MOST_SECONDS).description('How long to look for a better plan');

export const planWish = Joi.object<{ seconds?: number; pins?: Pin[] }>({
  seconds,
  pins: pins.description('Tasks put where they are to try it; nothing is kept'),
});

const name = Joi.string().min(1).max(120);

export const scheduleRequest = Joi.object<ScheduleProblem & { seconds?: number }>({
  resources: Joi.array()
    .items(
      Joi.object({
        id: name.required(),
        capacity: Joi.number().min(0).max(1_000_000).required(),
        closed: Joi.array()
          .items(Joi.object({ from: minute.required(), to: minute.required() }))
          .max(200),
      }),
    )
    .max(200)
    .required(),
  tasks: Joi.array()
    .items(
      Joi.object({
        id: name.required(),
        minutes: minute.required(),
        needs: Joi.array()
          .items(
            Joi.object({
              resource: name.required(),
              amount: Joi.number().min(0).max(1_000_000).required(),
              setting: Joi.number().min(-1000).max(10_000),
              from: minute,
              to: minute,
            }),
          )
          .max(50)
          .default([]),
        after: Joi.array().items(name).max(MOST_TASKS).default([]),
        earliest: minute,
        deadline: minute,
      }),
    )
    .max(MOST_TASKS)
    .required(),
  seconds,
});

/** A table of heads, as pasted or read from a file. */
export const headsRequest = Joi.object<{ kitchenId: string; text: string }>({
  kitchenId: id.required(),
  text: Joi.string().max(500_000).required(),
});
