import parse from 'joi-to-json';
import { bundleSchema } from './bundleSchema';

/** The JSON Schema of `restoration.json`, made from the schema that imports are checked with. */
export const bundleJsonSchema = (): Record<string, unknown> => ({
  ...{ $id: 'kvell-restoration-1', title: 'One restoration, as Kvell exports it' },
  ...(parse(bundleSchema, 'json-draft-2019-09') as Record<string, unknown>),
});
