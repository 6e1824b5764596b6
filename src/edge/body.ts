import { Refusal } from '@/core/refusal';
import type { Answer } from './answer';

/** What a body of so many bytes may be at most, in words. */
const sizeWords = (bytes: number) =>
  bytes < 1_048_576 ? `${Math.round(bytes / 1024)} KB` : `${Math.round(bytes / 1_048_576)} MB`;

/**
 * Refuses a body by what it says of its own length, before any of it is read. Browsers always say it.
 *
 * @throws Refusal for one that is too long, or does not say how long it is
 */
export function needsLength(request: Request, mostBytes: number, field: string, name: string): void {
  const said = request.headers.get('content-length');
  if (said === null || !/^\d+$/.test(said))
    throw new Refusal(field, `${name} came without its length. Send it from Kvell’s own pages.`);
  if (Number(said) > mostBytes)
    throw new Refusal(field, `${name} is ${sizeWords(Number(said))}. Send up to ${sizeWords(mostBytes)}.`);
}

/**
 * Reads a JSON body, and stops reading where it grows too long, whatever it says of its length.
 *
 * @throws Refusal for a longer one, and for what is not JSON
 */
export async function readJson(request: Request, mostBytes: number): Promise<unknown> {
  const parts: Uint8Array[] = [];
  let length = 0;
  const reader = request.body?.getReader();
  for (let part = await reader?.read(); part && !part.done; part = await reader!.read()) {
    length += part.value.byteLength;
    if (length > mostBytes) {
      await reader!.cancel();
      throw new Refusal('', `The body is longer than ${sizeWords(mostBytes)}. Nothing of it was taken in.`);
    }
    parts.push(part.value);
  }
  try {
    return JSON.parse(Buffer.concat(parts).toString('utf8')) as unknown;
  } catch {
    throw new Refusal('', 'The body is not JSON.');
  }
}

/** A multipart form with a file, or why it is not taken in. */
export async function readForm(
  request: Request,
  mostBytes: number,
  field: string,
  name: string,
): Promise<FormData | Extract<Answer<never>, { ok: false }>> {
  const refused = (message: string) => ({ ok: false as const, errors: [{ field, message }] });
  try {
    needsLength(request, mostBytes, field, name);
  } catch (failure) {
    if (failure instanceof Refusal) return refused(failure.message);
    throw failure;
  }
  return request.formData().catch(() => refused(`${name} did not arrive whole. Nothing was kept; send it again.`));
}
