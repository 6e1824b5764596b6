import Joi from 'joi';
import { tryPassphrase } from '@/data/door';
import { answerAnyone } from '@/edge/answer';
import { passCookie, sealPass } from '@/edge/pass';
import { respond } from '@/edge/respond';

const schema = Joi.object<{ passphrase: string }>({
  passphrase: Joi.string().max(200).required().label('Passphrase').messages({ 'string.empty': 'Type the passphrase.' }),
});

/** Lets a device in that knows the passphrase. */
export async function POST(request: Request): Promise<Response> {
  const given: unknown = await request.json().catch(() => ({}));
  let cookie = '';
  const answered = await answerAnyone(schema, given as Record<string, unknown>, async ({ passphrase }, now) => {
    cookie = passCookie(await sealPass(await tryPassphrase(passphrase, now), now));
  });
  const response = respond(answered);
  if (cookie) response.headers.set('Set-Cookie', cookie);
  return response;
}
