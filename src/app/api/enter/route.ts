import Joi from 'joi';
import { tryPassphrase } from '@/data/door';
import { answerAnyone } from '@/edge/answer';
import { readJson } from '@/edge/body';
import { peer } from '@/edge/peer';
import { passCookie, sealPass } from '@/edge/pass';
import { respond } from '@/edge/respond';

const schema = Joi.object<{ passphrase: string }>({
  passphrase: Joi.string().max(200).required().label('Passphrase').messages({ 'string.empty': 'Type the passphrase.' }),
});

/** A passphrase is short; whoever has not entered sends no more than that. */
const MOST_BYTES = 4096;

/** Lets a device in that knows the passphrase. */
export async function POST(request: Request): Promise<Response> {
  const given = await readJson(request, MOST_BYTES).catch(() => ({}));
  let cookie = '';
  const answered = await answerAnyone(schema, given as Record<string, unknown>, async ({ passphrase }, now) => {
    cookie = passCookie(await sealPass(await tryPassphrase(passphrase, await peer(), now), now));
  });
  const response = respond(answered);
  if (cookie) response.headers.set('Set-Cookie', cookie);
  return response;
}
