import { bundleJsonSchema } from '@/stages/record/jsonSchema';

/** The published JSON Schema of an exported restoration. */
export function GET(): Response {
  return Response.json(bundleJsonSchema());
}
