import schema from '../../../docs/schema/restoration.schema.json';

/** The published JSON Schema of `restoration.json`: a test holds it to the schema that imports are checked with, for making it anew takes half a second in which nobody is answered. */
export const BUNDLE_JSON_SCHEMA: Readonly<Record<string, unknown>> = schema;
