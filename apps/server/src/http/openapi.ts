import { z } from 'zod';
import { endpointNames, endpointOf, type EndpointName } from '@glen/contract';
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

interface Shape {
  params?: z.ZodObject;
  query?: z.ZodObject;
  body?: z.ZodType;
  answer: z.ZodType;
}

const parametersIn = (where: 'path' | 'query', object: z.ZodObject | undefined) =>
  Object.entries(object?.shape ?? {}).map(([key, field]) => ({
    name: key,
    in: where,
    required: where === 'path',
    schema: schemaOf(field as z.ZodType, 'input'),
  }));

/** What any endpoint may answer where it cannot do what was asked. */
const problems = (): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(PROBLEMS).map(([status, description]) => {
      const schema = { $ref: '#/components/schemas/Problem' };
      return [status, { description, content: { 'application/problem+json': { schema } } }];
    }),
  );

function bodyOf({ body }: Shape): Record<string, unknown> {
  if (!body) return {};
  const content = { 'application/json': { schema: schemaOf(body, 'input') } };
  return { requestBody: { required: true, content } };
}

function operationOf(name: EndpointName): Record<string, unknown> {
  const endpoint = endpointOf(name);
  const shape = schemas[name] as Shape;
  const type = name === 'live' ? 'text/event-stream' : 'application/json';
  return {
    operationId: name,
    summary: endpoint.does,
    description: `Who may call it: ${endpoint.who}.`,
    parameters: [...parametersIn('path', shape.params), ...parametersIn('query', shape.query)],
    ...bodyOf(shape),
    responses: {
      '200': { description: 'Done.', content: { [type]: { schema: schemaOf(shape.answer) } } },
      ...problems(),
    },
  };
}

/** OpenAPI 3.1 of every endpoint, made from the one table. */
export function openapi(publicUrl: string): Record<string, unknown> {
  const paths: Record<string, Record<string, unknown>> = {};
  for (const name of endpointNames) {
    const { path, method } = endpointOf(name);
    const operations = (paths[path.replace(/:(\w+)/g, '{$1}')] ??= {});
    operations[method.toLowerCase()] = operationOf(name);
  }
  return {
    openapi: '3.1.0',
    info: { title: 'Glen', version: '0.1.0', license: { name: 'MIT', identifier: 'MIT' } },
    servers: [{ url: publicUrl }],
    paths,
    components: { schemas: { Problem: schemaOf(problemSchema) } },
  };
}
