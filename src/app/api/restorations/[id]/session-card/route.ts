import { insideOnly } from '@/edge/entered';
import { sky } from '@/app/sky';
import { asFile, fileName } from '@/edge/fileName';
import { sessionCard } from '@/stages/brighten/plan/plan';

/** `GET …/session-card?pieceId=…&school=…`: the planned session as one sheet for the shed wall. */
export const GET = insideOnly(async (request: Request): Promise<Response> => {
  const answered = await sessionCard(Object.fromEntries(new URL(request.url).searchParams), sky);
  if (!answered.ok) return Response.json({ errors: answered.errors }, { status: 400 });
  const { sheet, title } = answered.value;
  return asFile(new Uint8Array(sheet), 'application/pdf', `${fileName(title)}-session.pdf`);
});
