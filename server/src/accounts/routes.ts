/** Accounts over HTTP: signing in and out, who is who, the audit trail. */
import type { Context } from 'hono';
import Joi from 'joi';
import type { AuditPage, AuditRow } from '@hand-ladle/core';
import { type Route, route } from '../http/route';
import { listOf, tellingAll } from '../http/words';
import type { AuditTrail } from './audit';
import type { People } from './people';
import { newPersonRequest, personRequest, pinRequest, signatureRequest, signInRequest } from './schemas';
import { dropSession, keepSession, personOf, tokenOf } from './session';

/** The address of the other end; one name for all where the server does not say. */
function addressOf(context: Context): string {
  const { incoming } = (context.env ?? {}) as { incoming?: { socket?: { remoteAddress?: string } } };
  return incoming?.socket?.remoteAddress ?? 'unknown';
}

const AUDIT_PAGE = 100;
const person = tellingAll('id', 'login', 'name', 'role', 'isActive');
const session = tellingAll('person');

const sessionRoutes = (people: People, audit: AuditTrail): Route[] => [
  route({
    method: 'post',
    path: '/api/session',
    summary: 'Signs in; the session is a cookie. Wrong guesses are slowed',
    body: signInRequest,
    answer: session,
    answers: 'The person',
    example: { body: { login: 'wenna', password: 'ladle-manager-1' } },
    run: async ({ body, context }) => {
      const signedIn = await people.signIn(body.login, body.password, addressOf(context));
      await audit.note('signed-in', signedIn.person, signedIn.person.login);
      keepSession(context, signedIn.token, signedIn.expiresAt);
      return { person: signedIn.person };
    },
  }),
  route({
    method: 'get',
    path: '/api/session',
    summary: 'Who is signed in',
    answer: session,
    answers: 'The person, or null',
    example: {},
    run: async ({ context }) => ({ person: await personOf(context, people) }),
  }),
  route({
    method: 'delete',
    path: '/api/session',
    summary: 'Signs out',
    answer: session,
    answers: 'Nobody',
    example: {},
    run: async ({ context }) => {
      const token = tokenOf(context);
      if (token !== null) await people.signOut(token);
      dropSession(context);
      return { person: null };
    },
  }),
];

/** PINs: who may sign at a shared tablet, and signing. A PIN opens nothing: it says who wrote an entry. */
const pinRoutes = (people: People, audit: AuditTrail): Route[] => [
  route({
    method: 'get',
    path: '/api/signers',
    summary: 'Who may sign with a PIN at a shared tablet',
    answer: listOf(tellingAll('id', 'name')),
    answers: 'Names',
    example: {},
    run: () => people.signers(),
  }),
  route({
    method: 'put',
    path: '/api/pin',
    summary: 'Sets the PIN of who is signed in, or takes it away; wrong guesses at it are slowed',
    role: 'cook',
    body: pinRequest,
    answer: person,
    answers: 'The person',
    example: { body: { pin: '4711' } },
    run: async ({ body, by }) => {
      const changed = await people.change(by.id, { pin: body.pin });
      await audit.note('account-changed', by, by.login, { isPinNew: true });
      return changed;
    },
  }),
  route({
    method: 'post',
    path: '/api/signatures',
    summary: 'Signs with a PIN: the signature goes with entries that are written on this tablet',
    body: signatureRequest,
    status: 201,
    answer: tellingAll('signature', 'person', 'expiresAt'),
    answers: 'The signature, and until when it holds',
    example: { body: { personId: 'POST /api/session', pin: '4711' } },
    run: ({ body, context }) => people.sign(body.personId, body.pin, addressOf(context)),
  }),
];

export const accountRoutes = (people: People, audit: AuditTrail): Route[] => [
  ...sessionRoutes(people, audit),
  ...pinRoutes(people, audit),
  route({
    method: 'get',
    path: '/api/people',
    summary: 'The accounts',
    role: 'manager',
    answer: listOf(person),
    answers: 'People with their roles',
    example: {},
    run: () => people.all(),
  }),
  route({
    method: 'post',
    path: '/api/people',
    summary: 'A new account',
    role: 'manager',
    body: newPersonRequest,
    status: 201,
    answer: person,
    answers: 'The person',
    example: { body: { login: 'ode', name: 'Ode', role: 'cook', password: 'a long enough phrase' } },
    run: async ({ body, by }) => {
      const made = await people.create(body);
      await audit.note('account-made', by, made.login, { name: made.name, role: made.role });
      return made;
    },
  }),
  route({
    method: 'put',
    path: '/api/people/:id',
    summary: 'Changes an account; a new password ends its sessions',
    role: 'manager',
    body: personRequest,
    answer: person,
    answers: 'The person',
    example: { params: { id: 'POST /api/people' }, body: { role: 'editor' } },
    run: async ({ params, body, by }) => {
      const changed = await people.change(params.id, body);
      const { password, pin, ...told } = body;
      await audit.note('account-changed', by, changed.login, {
        ...told,
        isPasswordNew: password !== undefined,
        isPinNew: pin !== undefined,
      });
      return changed;
    },
  }),
  route({
    method: 'get',
    path: '/api/audit',
    summary: 'The audit trail, newest first; ?before=ID goes back',
    role: 'checker',
    query: Joi.object<{ before?: number }>({ before: Joi.number().integer().positive() }),
    answer: tellingAll('entries', 'trail'),
    answers: 'Rows, and whether the trail is whole',
    example: {},
    run: async ({ query }): Promise<AuditPage> => ({
      entries: (await audit.latest(AUDIT_PAGE, query.before ?? null)) as unknown as AuditRow[],
      trail: await audit.verify(),
    }),
  }),
];
