import { endpoints, problemSchema, type Endpoint } from '@bogen/contract';
import { z, type ZodType } from 'zod';

/** The OpenAPI 3.1 document of the HTTP interface, generated from the contract's schemas. */
export function openApiDocument(): object {
  const paths: Record<string, Record<string, object>> = {};
  for (const [name, endpoint] of Object.entries(endpoints) as [string, Endpoint][]) {
    const path = endpoint.path.replace(/:(\w+)/g, '{$1}');
    (paths[path] ??= {})[endpoint.method] = {
      operationId: name,
      summary: endpoint.summary,
      security: endpoint.access === 'anyone' ? [] : [{ session: [] }],
      parameters: [...parameters('path', endpoint.params), ...parameters('query', endpoint.query)],
      ...(endpoint.body ? { requestBody: { required: true, content: json(endpoint.body, 'input') } } : {}),
      responses: {
        200: { description: 'Done.', content: json(endpoint.answer, 'output') },
        default: {
          description: 'A problem, in one clear sentence.',
          content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
        },
      },
    };
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Bogen',
      version: '1',
      description: 'Lessons on spline mathematics. All addresses are below /api.',
    },
    servers: [{ url: '/api' }],
    paths,
    components: {
      schemas: { Problem: schemaOf(problemSchema, 'output') },
      securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'bogen-session' } },
    },
  };
}

function schemaOf(schema: ZodType, io: 'input' | 'output'): Record<string, unknown> {
  const { $schema: _, ...rest } = z.toJSONSchema(schema, { io, unrepresentable: 'any' });
  return rest;
}

function json(schema: ZodType, io: 'input' | 'output'): object {
  return { 'application/json': { schema: schemaOf(schema, io) } };
}

function parameters(place: 'path' | 'query', schema: ZodType | undefined): object[] {
  if (!schema) return [];
  const { properties, required } = schemaOf(schema, 'input') as {
    properties: Record<string, object>;
    required?: string[];
  };
  return Object.entries(properties).map(([name, property]) => ({
    name,
    in: place,
    required: place === 'path' || (required?.includes(name) ?? false),
    schema: property,
  }));
}
