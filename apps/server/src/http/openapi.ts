import { z } from 'zod';
import { endpointNames, endpointOf } from '@glen/contract';
import { problemSchema, schemas } from '@glen/contract/schemas';

const PROBLEMS: Record<string, string> = {
  '401': 'Nobody is signed in.',
  '403': 'Somebody else may do this.',
  '404': 'It is not here.',
  '409': 'It was changed in the meantime.',
  '422': 'Something in it needs mending.',
  '429': 'Too many failures.',
};

const schemaOf = (
  schema: z.ZodType,
  io: 'input' | 'output' = 'output',
): Record<string, unknown> => {
  const { $schema: _, ...rest } = z.toJSONSchema(schema, {
    io,
    unrepresentable: 'any',
    reused: 'inline',
  }) as Record<string, unknown>;
  return rest;
};

/** OpenAPI 3.1 of every endpoint, made from the one table. */
export function openapi(publicUrl: string): Record<string, unknown> {
  const paths: Record<string, Record<string, unknown>> = {};
  for (const name of endpointNames) {
    const endpoint = endpointOf(name);
    const shape: {
      params?: z.ZodObject;
      query?: z.ZodObject;
      body?: z.ZodType;
      answer: z.ZodType;
    } = schemas[name];
    const parameters = (where: 'path' | 'query', object: z.ZodObject | undefined) =>
      Object.entries(object?.shape ?? {}).map(([key, field]) => ({
        name: key,
        in: where,
        required: where === 'path',
        schema: schemaOf(field as z.ZodType, 'input'),
      }));
    const problems = Object.entries(PROBLEMS).map(([status, description]) => [
      status,
      {
        description,
        content: {
          'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } },
        },
      },
    ]);
    const path = endpoint.path.replace(/:(\w+)/g, '{$1}');
    (paths[path] ??= {})[endpoint.method.toLowerCase()] = {
      operationId: name,
      summary: endpoint.does,
      description: `Who may call it: ${endpoint.who}.`,
      parameters: [...parameters('path', shape.params), ...parameters('query', shape.query)],
      ...(shape.body
        ? {
            requestBody: {
              required: true,
              content: { 'application/json': { schema: schemaOf(shape.body, 'input') } },
            },
          }
        : {}),
      responses: {
        '200': {
          description: 'Done.',
          content: {
            [name === 'live' ? 'text/event-stream' : 'application/json']: {
              schema: schemaOf(shape.answer),
            },
          },
        },
        ...Object.fromEntries(problems),
      },
    };
  }
  return {
    openapi: '3.1.0',
    info: { title: 'Glen', version: '0.1.0', license: { name: 'MIT', identifier: 'MIT' } },
    servers: [{ url: publicUrl }],
    paths,
    components: { schemas: { Problem: schemaOf(problemSchema) } },
  };
}
