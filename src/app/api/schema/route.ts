import { insideOnly } from '@/edge/entered';
import { bundleJsonSchema } from '@/stages/record/jsonSchema';

/** The published JSON Schema of an exported restoration. */
export const GET = insideOnly((): Response => {
  return Response.json(bundleJsonSchema());
});
