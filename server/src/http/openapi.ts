/** The OpenAPI 3.1 document, made of the routes themselves. */
import type Joi from 'joi';
import joiToJson from 'joi-to-json';
import { ERRORS } from './errors';
import { namesIn, type Route } from './route';

type Schema = Record<string, unknown>;

/** Mends what the converter leaves: "any of these, or null" as a type beside them, and patterns of names among the names. */
function mended(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(mended);
  if (typeof value !== 'object' || value === null) return value;
  const schema = Object.fromEntries(Object.entries(value).map(([key, each]) => [key, mended(each)]));
  if (Array.isArray(schema['anyOf']) && schema['type'] === 'null') {
    schema['anyOf'] = [...(schema['anyOf'] as unknown[]), { type: 'null' }];
    delete schema['type'];
  }
  if (schema['patternProperties'])
    schema['properties'] = Object.fromEntries(
      Object.entries(schema['properties'] as Schema).filter(([name]) => !/^\/.*\/\w*$/s.test(name)),
    );
  return schema;
}

/** A Joi schema as JSON Schema 2020-12, the dialect of OpenAPI 3.1. */
export const schemaOf = (schema: Joi.Schema): Schema => mended(joiToJson(schema, 'open-api-3.1')) as Schema;

const ERROR_SCHEMA: Schema = {
  type: 'object',
  required: ['error'],
  properties: {
    error: {
      type: 'object',
      required: ['code', 'message', 'details'],
      properties: {
        code: { type: 'string', enum: Object.keys(ERRORS) },
        message: { type: 'string' },
        details: { type: 'array', items: {} },
      },
    },
  },
};

const errorAnswer = (description: string) => ({
  description,
  content: { 'application/json': { schema: { $ref: '#/components/schemas/Error' } } },
});

const TEXT: Schema = { type: 'string' };

function parametersOf({ path, params, query, example }: Route): Schema[] {
  const inPath = namesIn(path).map(({ name }) => ({
    name,
    in: 'path',
    required: true,
    schema: params?.[name] ? schemaOf(params[name]) : TEXT,
    ...(example?.params?.[name] === undefined ? {} : { example: example.params[name] }),
  }));
  const { properties = {}, required = [] } = (query ? schemaOf(query) : {}) as {
    properties?: Record<string, Schema>;
    required?: string[];
  };
  const inQuery = Object.entries(properties).map(([name, schema]) => ({
    name,
    in: 'query',
    required: required.includes(name),
    schema,
    ...(example?.query?.[name] === undefined ? {} : { example: example.query[name] }),
  }));
  return [...inPath, ...inQuery];
}

function bodyOf({ body, upload, example }: Route): Schema {
  if (body) {
    const told = example?.body === undefined ? {} : { example: example.body };
    return {
      requestBody: { required: true, content: { 'application/json': { schema: schemaOf(body), ...told } } },
    };
  }
  if (!upload) return {};
  const told = example?.text === undefined ? {} : { example: example.text };
  const content = Object.fromEntries(upload.map((type) => [type, { schema: TEXT, ...told }]));
  return { requestBody: { required: true, content } };
}

/** Media types stand in the document without their parameters. */
const bare = (type: string): string => type.split(';')[0]!;

const contentOf = ({ answer, file }: Route): Schema =>
  file
    ? Object.fromEntries(
        file.map((type) => [
          bare(type),
          { schema: bare(type) === 'application/pdf' || bare(type) === 'image/png' ? {} : TEXT },
        ]),
      )
    : { 'application/json': { schema: answer ? schemaOf(answer) : {} } };

const tagOf = (path: string): string => /^\/api\/([a-z-]+)/.exec(path)?.[1] ?? 'api';

const operationOf = (each: Route): Schema => ({
  summary: each.summary,
  tags: [tagOf(each.path)],
  ...(each.role === undefined
    ? {}
    : { description: `Needs a person signed in as ${each.role} or above.`, security: [{ session: [] }] }),
  parameters: parametersOf(each),
  ...bodyOf(each),
  responses: {
    [String(each.status ?? 200)]: { description: each.answers, content: contentOf(each) },
    default: errorAnswer('What went wrong, as a code and a sentence'),
  },
});

/** A path as OpenAPI writes it: {id} for :id. */
export const documentedPath = (path: string): string => path.replace(/:(\w+)/g, '{$1}');

export function openApiDocument(routes: readonly Route[], version: string) {
  const paths: Record<string, Schema> = {};
  for (const each of routes) {
    const path = documentedPath(each.path);
    paths[path] = { ...paths[path], [each.method]: operationOf(each) };
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Hand Ladle',
      version,
      description: 'Every figure carries its unit in its name. Errors are a code, a sentence and details.',
    },
    servers: [{ url: '/' }],
    paths,
    components: {
      schemas: { Error: ERROR_SCHEMA },
      securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'hand_ladle_session' } },
    },
  };
}
