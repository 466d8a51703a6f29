/**
 * A route, declared once: its method and path, who may use it, what it takes, what it answers, and what it does. The route
 * of Hono, the checks, the guard and the OpenAPI document all come of this one value.
 */
import type { Context, Hono } from 'hono';
import type { ContentfulStatusCode } from 'hono/utils/http-status';
import Joi from 'joi';
import { mayActAs, type Person, type Role } from '@hand-ladle/core';
import { checked } from './checked';
import { ApiError } from './errors';

/** The names in a path and the texts they stand for: of "/api/recipes/:id" it is { id: string }. */
export type ParamsOf<Path extends string> = Path extends `${string}:${infer Name}/${infer Rest}`
  ? Record<Plain<Name>, string> & ParamsOf<`/${Rest}`>
  : Path extends `${string}:${infer Name}`
    ? Record<Plain<Name>, string>
    : unknown;
type Plain<Name extends string> = Name extends `${infer Stem}.${string}` ? Stem : Name;

/** Everything a route may look at, checked. */
export interface Asked<Path extends string, Query, Body, Needed> {
  params: ParamsOf<Path>;
  query: Query;
  body: Body;
  /** Who asks, signed in with at least the role of the route; null where no name is needed. */
  by: Needed extends Role ? Person : null;
  context: Context;
}

/**
 * What a route is asked in the documentation. A test sends it and holds the answer against what is declared. In params and body a
 * value "<METHOD path>" stands for the id that this other route's example answered.
 */
export interface Example {
  params?: Readonly<Record<string, string>>;
  query?: Readonly<Record<string, string>>;
  body?: unknown;
  /** Of an upload: its text. */
  text?: string;
}

export interface RouteOf<Path extends string, Query, Body, Needed> {
  method: 'get' | 'post' | 'put' | 'delete';
  /** With :names; a name may carry an ending, as in "/api/recipes/:id.json". */
  path: Path;
  summary: string;
  /** The least role that may; without one no name is needed. */
  role?: Needed;
  /** Schemas of names in the path, where they are other than any short text. */
  params?: Readonly<Partial<Record<string, Joi.Schema>>>;
  /** Everything else in the query is refused. */
  query?: Joi.ObjectSchema<Query>;
  /** The JSON body. */
  body?: Joi.Schema<Body>;
  /** A body that the route reads itself: the types it may be of. */
  upload?: readonly string[];
  status?: ContentfulStatusCode;
  /** The JSON it answers. */
  answer?: Joi.Schema;
  /** The types of the file or page it answers, instead of JSON. */
  file?: readonly string[];
  /** What the answer is, in words. */
  answers: string;
  example?: Example;
  run: (asked: Asked<Path, Query, Body, Needed>) => unknown;
}

/** A route whose parts fit each other. */
export interface Route extends Omit<RouteOf<string, unknown, unknown, Role>, 'run'> {
  answerTo: (context: Context, by: Person | null) => Promise<Response>;
}

const NO_QUERY = Joi.object({});
const ANY_NAME = Joi.string().max(200);

/** The names of a path, each with its ending. */
export const namesIn = (path: string): { name: string; ending: string }[] =>
  [...path.matchAll(/:(\w+)(\.\w+)?/g)].map(([, name, ending]) => ({ name: name!, ending: ending ?? '' }));

/** A path as Hono wants it: ":id.json" is a name that ends so. */
const forHono = (path: string): string => path.replace(/:(\w+)(\.\w+)/g, ':$1{[^/]+\\$2}');

async function jsonOf(context: Context): Promise<unknown> {
  try {
    return await context.req.json();
  } catch {
    throw new ApiError('bad-json');
  }
}

/** An address that cannot be is no bad request: there is nothing there. */
function paramsOf(context: Context, path: string, schemas: Route['params']): Record<string, string> {
  const found: Record<string, string> = {};
  for (const { name, ending } of namesIn(path)) {
    const text = context.req.param(name) ?? '';
    const { value, error } = (schemas?.[name] ?? ANY_NAME).validate(
      text.slice(0, text.length - ending.length),
    );
    if (error) throw new ApiError('not-found');
    found[name] = value as string;
  }
  return found;
}

/** A query name given twice is refused like an unknown one: nobody can say which was meant. */
function queryOf(context: Context): Record<string, string | string[]> {
  return Object.fromEntries(
    Object.entries(context.req.queries()).map(([name, values]) => [
      name,
      values.length === 1 ? values[0]! : values,
    ]),
  );
}

export function route<
  const Path extends string,
  Query = unknown,
  Body = unknown,
  Needed extends Role | undefined = undefined,
>(declared: RouteOf<Path, Query, Body, Needed>): Route {
  const { run, ...rest } = declared;
  const { path, params, query, body, status, role } = declared;
  return {
    ...(rest as Omit<Route, 'answerTo'>),
    answerTo: async (context, by) => {
      if (role !== undefined && !by) throw new ApiError('not-signed-in');
      if (role !== undefined && !mayActAs(by!.role, role))
        throw new ApiError('role-missing', [{ role: by!.role, needed: role }]);
      const asked: Asked<Path, Query, Body, Needed> = {
        params: paramsOf(context, path, params) as ParamsOf<Path>,
        query: checked(query ?? (NO_QUERY as Joi.ObjectSchema<Query>), queryOf(context)),
        body: body ? checked(body, await jsonOf(context)) : (undefined as Body),
        by: by as Needed extends Role ? Person : null,
        context,
      };
      const answer = await run(asked);
      return answer instanceof Response ? answer : context.json(answer as object, status ?? 200);
    },
  };
}

/** Puts routes into an app. Who asks is found only where a route wants a name. */
export function mount(
  app: Hono,
  routes: readonly Route[],
  personOf: (context: Context) => Promise<Person | null>,
): void {
  for (const each of routes)
    app.on(each.method.toUpperCase(), forHono(each.path), async (context) =>
      each.answerTo(context, each.role === undefined ? null : await personOf(context)),
    );
}
