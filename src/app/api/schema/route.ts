import { insideOnly } from '@/edge/entered';
import { boardJsonSchema } from '@/stages/keys/file';
import { BUNDLE_JSON_SCHEMA } from '@/stages/record/jsonSchema';

/** The published JSON Schema of an exported restoration; `?of=keyboard` that of a keyboard. */
export const GET = insideOnly((request: Request): Response => {
  const of = new URL(request.url).searchParams.get('of');
  return Response.json(of === 'keyboard' ? boardJsonSchema() : BUNDLE_JSON_SCHEMA);
});
