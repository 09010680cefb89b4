/** The OpenAPI 3.1 document, made from the schemas that check the bodies. */
import { z } from 'zod';
import * as api from '@/contract/api';

const schemaOf = (s: z.ZodType, io: 'input' | 'output'): unknown => {
  const { $schema: _, ...rest } = z.toJSONSchema(s, { io, unrepresentable: 'any' });
  return rest;
};

const PROBLEMS: Readonly<Record<string, string>> = {
  400: 'The body is no JSON or does not fit its schema',
  413: 'The body is larger than 1 MB (a page: 10 MB)',
  415: 'The body is of another type',
  422: 'The body is well formed but cannot be worked, for instance without flour',
};

/** The open formats that are sent as they are, by their content type. */
const RAW = [
  'text/plain',
  'text/markdown',
  'text/html',
  'application/ld+json',
  'text/csv',
  'text/tab-separated-values',
];
const raw = (which: readonly string[]): Readonly<Record<string, unknown>> =>
  Object.fromEntries(which.map((t) => [t, { schema: { type: 'string' } }]));

const inQuery = (name: string, description: string): unknown => ({
  name,
  in: 'query',
  required: false,
  description,
  schema: { type: 'string' },
});
const AFTER = inQuery('after', 'What a page answered as "next"');

/** A list by pages. */
const list = (
  summary: string,
  response: string,
  parameters: readonly unknown[],
): Readonly<Record<string, unknown>> => ({
  summary,
  parameters,
  responses: {
    200: {
      description: 'A page',
      content: { 'application/json': { schema: { $ref: `#/components/schemas/${response}` } } },
    },
    400: {
      description: '"after" is no place of a page',
      content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
    },
    503: {
      description: 'The database is away',
      content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
    },
  },
});

/** @param status of what went well @param files whether the open formats are taken as they are too */
function post(
  summary: string,
  request: string,
  response: string,
  status = 200,
  files = false,
): Readonly<Record<string, unknown>> {
  const ref = (name: string): unknown => ({ $ref: `#/components/schemas/${name}` });
  const problems = Object.entries(PROBLEMS).map(([status, description]) => [
    status,
    { description, content: { 'application/problem+json': { schema: ref('Problem') } } },
  ]);
  return {
    post: {
      summary,
      requestBody: {
        required: true,
        content: { 'application/json': { schema: ref(request) }, ...(files && raw(RAW)) },
      },
      ...(files && { parameters: [inQuery('recipe', 'Which, by its number, where a file holds several')] }),
      responses: {
        [status]: { description: 'Worked', content: { 'application/json': { schema: ref(response) } } },
        ...Object.fromEntries(problems),
      },
    },
  };
}

export const openapi = (): unknown => ({
  openapi: '3.1.0',
  info: {
    title: 'Even Crumb',
    version: '1',
    description:
      'Reads, analyses and scales breakfast batters. Grams, millilitres, milliequivalents; percent of flour = 100.',
  },
  paths: {
    '/api/v1/read': {
      ...post(
        'Read a card, or a file of an open format, into lines with grams',
        'ReadRequest',
        'ReadResponse',
        200,
        true,
      ),
      get: {
        summary: 'The same for a text in the address, in the conventions of the house: every word of a line explained',
        parameters: [{ name: 'text', in: 'query', required: true, schema: { type: 'string' } }],
        responses: {
          200: {
            description: 'As read',
            content: { 'application/json': { schema: { $ref: '#/components/schemas/ReadResponse' } } },
          },
        },
      },
    },
    '/api/v1/analyse': post(
      'Balance, rise ledger, batter and findings of a formula',
      'AnalyseRequest',
      'AnalyseResponse',
    ),
    '/api/v1/propose': post(
      'What the Bench offers and refuses: a wish, a rail, a fix, a swap',
      'ProposeRequest',
      'ProposeResponse',
    ),
    '/api/v1/morning': post(
      'A whole morning in one schedule: waves, people, surfaces, ovens; what can’t be met, and the ways out',
      'MorningRequest',
      'MorningResponse',
    ),
    '/api/v1/scale': post('Scale a formula', 'ScaleRequest', 'ScaleResponse'),
    '/api/v1/formulas': {
      get: list('Formulas, those used lately first', 'FormulasResponse', [
        inQuery('find', 'Words of its name, kind, style, flour or liquid'),
        AFTER,
      ]),
      ...post(
        'Keep a recipe as a new formula; the same Idempotency-Key keeps nothing twice',
        'NewFormulaRequest',
        'NewFormulaResponse',
        201,
        true,
      ),
    },
    '/api/v1/formulas/{id}': {
      get: {
        summary: 'A formula with its lines; by "accept" also as a file of an open format',
        parameters: [
          { name: 'id', in: 'path', required: true, schema: { type: 'string', format: 'uuid' } },
          inQuery('version', 'Its number; left out: the newest'),
          inQuery('times', 'So many times as large, in a file'),
          inQuery('end', '"a" or "b" of two finishes, in a file'),
        ],
        responses: {
          200: {
            description: 'As it is read here',
            content: {
              'application/json': { schema: { $ref: '#/components/schemas/FormulaResponse' } },
              ...raw(['text/plain', 'text/markdown', 'application/ld+json', 'text/csv']),
            },
          },
          404: {
            description: 'There is none',
            content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
          },
        },
      },
    },
    '/api/v1/batches': {
      get: list('The log, the newest first', 'BatchesResponse', [
        inQuery('find', 'Words of its name, note, marks or change'),
        AFTER,
      ]),
    },
    '/api/v1/pantry': { get: list('Every ingredient with its stock', 'PantryResponse', [AFTER]) },
    '/api/health': {
      get: {
        summary: 'Whether the app and its database answer',
        responses: {
          200: {
            description: 'Both answer',
            content: { 'application/json': { schema: { $ref: '#/components/schemas/Health' } } },
          },
          503: {
            description: 'The database is away',
            content: { 'application/json': { schema: { $ref: '#/components/schemas/Health' } } },
          },
          507: {
            description: 'The disk is full',
            content: { 'application/json': { schema: { $ref: '#/components/schemas/Health' } } },
          },
        },
      },
    },
  },
  components: {
    schemas: {
      ReadRequest: schemaOf(api.readRequest, 'input'),
      ReadResponse: schemaOf(api.readResponse, 'output'),
      AnalyseRequest: schemaOf(api.analyseRequest, 'input'),
      AnalyseResponse: schemaOf(api.analyseResponse, 'output'),
      MorningRequest: schemaOf(api.morningRequest, 'input'),
      MorningResponse: schemaOf(api.morningResponse, 'output'),
      ProposeRequest: schemaOf(api.proposeRequest, 'input'),
      ProposeResponse: schemaOf(api.proposeResponse, 'output'),
      ScaleRequest: schemaOf(api.scaleRequest, 'input'),
      ScaleResponse: schemaOf(api.scaleResponse, 'output'),
      FormulasResponse: schemaOf(api.formulasResponse, 'output'),
      FormulaResponse: schemaOf(api.formulaResponse, 'output'),
      NewFormulaRequest: schemaOf(api.newFormulaRequest, 'input'),
      NewFormulaResponse: schemaOf(api.newFormulaResponse, 'output'),
      BatchesResponse: schemaOf(api.batchesResponse, 'output'),
      PantryResponse: schemaOf(api.pantryResponse, 'output'),
      Health: schemaOf(api.healthResponse, 'output'),
      Problem: schemaOf(api.problemResponse, 'output'),
    },
  },
});
