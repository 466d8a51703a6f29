/** Accounts over HTTP: signing in and out, who is who, the audit trail. */
import type { Context, Hono } from 'hono';
import Joi from 'joi';
import { bodyOf } from '../request';
import { checked } from '../schemas';
import type { AuditTrail } from './audit';
import { dropSession, keepSession, personOf, signedIn, tokenOf } from './guard';
import { LEAST_PASSWORD, MOST_PASSWORD } from './passwords';
import { ROLES, type People, type Role } from './people';

const login = Joi.string().trim().lowercase().min(1).max(80);
const password = Joi.string().min(LEAST_PASSWORD).max(MOST_PASSWORD);
const name = Joi.string().trim().min(1).max(120);
const role = Joi.string().valid(...ROLES);

export const signInRequest = Joi.object({
  login: login.required(),
  password: Joi.string().min(1).max(MOST_PASSWORD).required(),
});
export const newPersonRequest = Joi.object({
  login: login.required(),
  name: name.required(),
  role: role.required(),
  password: password.required(),
});
export const personRequest = Joi.object({ name, role, isActive: Joi.boolean(), password }).min(1);

/** The address of the other end; one name for all where the server does not say. */
function addressOf(context: Context): string {
  const { incoming } = (context.env ?? {}) as { incoming?: { socket?: { remoteAddress?: string } } };
  return incoming?.socket?.remoteAddress ?? 'unknown';
}

export function addAccountRoutes(app: Hono, people: People, audit: AuditTrail): void {
  app.post('/api/session', async (context) => {
    const asked = checked<{ login: string; password: string }>(signInRequest, await bodyOf(context));
    const { person, token, expiresAt } = await people.signIn(asked.login, asked.password, addressOf(context));
    await audit.note('signed-in', person, person.login);
    keepSession(context, token, expiresAt);
    return context.json({ person });
  });
  app.get('/api/session', async (context) => context.json({ person: await personOf(context, people) }));
  app.delete('/api/session', async (context) => {
    const token = tokenOf(context);
    if (token !== null) await people.signOut(token);
    dropSession(context);
    return context.json({ person: null });
  });
  app.get('/api/people', async (context) => {
    await signedIn(context, people, 'manager');
    return context.json(await people.all());
  });
  app.post('/api/people', async (context) => {
    const by = await signedIn(context, people, 'manager');
    const asked = checked<{ login: string; name: string; role: Role; password: string }>(
      newPersonRequest,
      await bodyOf(context),
    );
    const person = await people.create(asked);
    await audit.note('account-made', by, person.login, { name: person.name, role: person.role });
    return context.json(person, 201);
  });
  app.put('/api/people/:id', async (context) => {
    const by = await signedIn(context, people, 'manager');
    const asked = checked<Parameters<People['change']>[1]>(personRequest, await bodyOf(context));
    const person = await people.change(context.req.param('id'), asked);
    const { password: newPassword, ...told } = asked;
    await audit.note('account-changed', by, person.login, {
      ...told,
      isPasswordNew: newPassword !== undefined,
    });
    return context.json(person);
  });
  app.get('/api/audit', async (context) => {
    await signedIn(context, people, 'checker');
    const before = Number(context.req.query('before'));
    const entries = await audit.latest(100, Number.isInteger(before) && before > 0 ? before : null);
    return context.json({ entries, trail: await audit.verify() });
  });
}
