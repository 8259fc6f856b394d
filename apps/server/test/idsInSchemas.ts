import { z } from 'zod';
import { endpointNames, type EndpointName } from '@glen/contract';
import { schemas } from '@glen/contract/schemas';
import { id as bodyId, idParam } from '../../../packages/contract/src/basics.js';

export type Field = `${EndpointName} ${string}`;
type Def = {
  type: string;
  shape?: Record<string, z.ZodType>;
  element?: z.ZodType;
  options?: z.ZodType[];
  innerType?: z.ZodType;
  in?: z.ZodType;
};

/** The places in a schema where an id stands, such as `places[].linkId`. */
function idsIn(schema: z.ZodType, path = ''): string[] {
  if (schema === bodyId || schema === idParam) return [path];
  const def = schema.def as unknown as Def;
  switch (def.type) {
    case 'object':
      return Object.entries(def.shape!).flatMap(([key, field]) =>
        idsIn(field, path ? `${path}.${key}` : key),
      );
    case 'array':
      return idsIn(def.element!, `${path}[]`);
    case 'union':
      return def.options!.flatMap((option) => idsIn(option, path));
    case 'pipe':
      return idsIn(def.in!, path);
    default:
      return def.innerType ? idsIn(def.innerType, path) : [];
  }
}

/** Every place in a body or query of an endpoint where an id can arrive. */
export const fields = endpointNames
  .flatMap((name) => {
    const shape: { body?: z.ZodType; query?: z.ZodType; answer: z.ZodType } = schemas[name];
    const found = [shape.body, shape.query].flatMap((part) => (part ? idsIn(part) : []));
    return [...new Set(found)].map((path) => `${name} ${path}` as Field);
  })
  .sort();
