/** The OpenAPI 3.1 document, made from the schemas that check the bodies. */
import { z } from 'zod';
import * as api from '@/contract/api';

const schemaOf = (s: z.ZodType, io: 'input' | 'output'): unknown => {
  const { $schema: _, ...rest } = z.toJSONSchema(s, { io, unrepresentable: 'any' });
  return rest;
};

const PROBLEMS: Readonly<Record<string, string>> = {
  400: 'The body is no JSON or does not fit its schema',
  413: 'The body is larger than 1 MB',
  415: 'The body is not application/json',
  422: 'The body is well formed but cannot be worked, for instance without flour',
};

function post(summary: string, request: string, response: string): Readonly<Record<string, unknown>> {
  const ref = (name: string): unknown => ({ $ref: `#/components/schemas/${name}` });
  const problems = Object.entries(PROBLEMS).map(([status, description]) => [
    status,
    { description, content: { 'application/problem+json': { schema: ref('Problem') } } },
  ]);
  return {
    post: {
      summary,
      requestBody: { required: true, content: { 'application/json': { schema: ref(request) } } },
      responses: { 200: { description: 'Worked', content: { 'application/json': { schema: ref(response) } } }, ...Object.fromEntries(problems) },
    },
  };
}

export const openapi = (): unknown => ({
  openapi: '3.1.0',
  info: {
    title: 'Even Crumb',
    version: '1',
    description: 'Reads, analyses and scales breakfast batters. Grams, millilitres, milliequivalents; percent of flour = 100.',
  },
  paths: {
    '/api/v1/read': {
      ...post('Read a card into lines with grams', 'ReadRequest', 'ReadResponse'),
      get: {
        summary: 'The same for a text in the address, in the conventions of the house: every word of a line explained',
        parameters: [{ name: 'text', in: 'query', required: true, schema: { type: 'string' } }],
        responses: { 200: { description: 'As read', content: { 'application/json': { schema: { $ref: '#/components/schemas/ReadResponse' } } } } },
      },
    },
    '/api/v1/analyse': post('Balance, rise ledger, batter and findings of a formula', 'AnalyseRequest', 'AnalyseResponse'),
    '/api/v1/scale': post('Scale a formula', 'ScaleRequest', 'ScaleResponse'),
    '/api/health': {
      get: {
        summary: 'Whether the app and its database answer',
        responses: {
          200: { description: 'Both answer', content: { 'application/json': { schema: { $ref: '#/components/schemas/Health' } } } },
          503: { description: 'The database is away', content: { 'application/json': { schema: { $ref: '#/components/schemas/Health' } } } },
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
      ScaleRequest: schemaOf(api.scaleRequest, 'input'),
      ScaleResponse: schemaOf(api.scaleResponse, 'output'),
      Health: schemaOf(api.healthResponse, 'output'),
      Problem: schemaOf(api.problemResponse, 'output'),
    },
  },
});
