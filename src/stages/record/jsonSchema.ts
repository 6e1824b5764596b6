import parse from 'joi-to-json';
import { bundleSchema } from './bundleSchema';

/** The published JSON Schema of `restoration.json`, made from the schema that imports are checked with. */
export function bundleJsonSchema(): Record<string, unknown> {
  const schema = parse(bundleSchema, 'json-draft-2019-09') as Record<string, unknown>;
  return { $id: 'kvell-restoration-1', title: 'One restoration, as Kvell exports it', ...schema };
}
