/** What the API takes of accounts, as Joi schemas. */
import Joi from 'joi';
import { ROLES } from '@hand-ladle/core';
import { person } from '../http/words';
import { LEAST_PASSWORD, MOST_PASSWORD } from './passwords';
import type { NewPerson, PersonChange } from './people';
import { LEAST_PIN, MOST_PIN } from './people';

const login = Joi.string().trim().lowercase().min(1).max(80);
const password = Joi.string().min(LEAST_PASSWORD).max(MOST_PASSWORD);
const role = Joi.string().valid(...ROLES);

const pin = Joi.string().pattern(new RegExp(`^\\d{${LEAST_PIN},${MOST_PIN}}$`));

export const signInRequest = Joi.object<{ login: string; password: string }>({
  login: login.required(),
  password: Joi.string().min(1).max(MOST_PASSWORD).required(),
});
export const newPersonRequest = Joi.object<NewPerson>({
  login: login.required(),
  name: person.required(),
  role: role.required(),
  password: password.required(),
});
export const personRequest = Joi.object<PersonChange>({
  name: person,
  role,
  isActive: Joi.boolean(),
  password,
  pin: pin.allow(null).description('Signs entries at a shared tablet; null takes it away'),
}).min(1);
export const pinRequest = Joi.object<{ pin: string | null }>({ pin: pin.allow(null).required() });
export const signatureRequest = Joi.object<{ personId: string; pin: string }>({
  personId: Joi.string().max(80).required(),
  pin: Joi.string().max(MOST_PASSWORD).required(),
});
