import parse from 'joi-to-json';
import { bundleSchema } from './bundleSchema';

let made: Readonly<Record<string, unknown>> | undefined;

/** The published JSON Schema of `restoration.json`, made from the schema that imports are checked with; once, for it never changes. */
export function bundleJsonSchema(): Readonly<Record<string, unknown>> {
  made ??= {
    ...{ $id: 'kvell-restoration-1', title: 'One restoration, as Kvell exports it' },
    ...(parse(bundleSchema, 'json-draft-2019-09') as Record<string, unknown>),
  };
  return made;
}
