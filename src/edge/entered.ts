import { cookies, headers } from 'next/headers';
import { notFound, redirect } from 'next/navigation';
import { doorState, opens } from '@/data/door';
import { faultOf } from '@/data/fault';
import { clock } from './clock';
import { faultSentence, tellFault } from './faults';
import { isOnLan, ownAddresses } from './network';
import { isOwnHost, isSameOrigin, securityHeaders } from './origin';
import { holdsPass, PASS_COOKIE } from './pass';

/** How whoever asks stands to this workshop: `foreign` came under a name that is not this machine's. */
export type Standing = 'inside' | 'outside' | 'foreign';

/** Where a device enters. */
export const OUTSIDE = '/enter';

/**
 * Whether a request may be answered: the one function that stands before pages, routes and actions, in the proxy and once
 * more where something is read or written.
 *
 * @param host of the request
 * @param pass the cookie of a device that has entered
 */
export async function standingOf(host: string | null, pass: string | undefined): Promise<Standing> {
  const door = isOnLan() ? await doorState() : null;
  const letsIn = door !== null && door.open && door.hasPassphrase;
  if (!isOwnHost(host, letsIn ? ownAddresses() : [])) return 'foreign';
  // A server that the network can reach cannot tell the desk from the network: every device has to enter.
  return door === null || (await holdsPass(pass, door.seal)) ? 'inside' : 'outside';
}

/** How the request at hand stands. */
export async function standing(): Promise<Standing> {
  const [given, jar] = await Promise.all([headers(), cookies()]);
  return standingOf(given.get('host'), jar.get(PASS_COOKIE)?.value);
}

/** Why a request is not answered, and with which status. */
export const REFUSED: Record<Exclude<Standing, 'inside'>, { status: number; message: string }> = {
  foreign: { status: 403, message: 'Kvell answers only at its own address. Open it there.' },
  outside: { status: 401, message: 'This device has not entered. Open Kvell and type the passphrase.' },
};

/** Before a page reads anything: whoever has not entered is led to where one enters, and a foreign name finds nothing. */
export async function needsEntered(): Promise<void> {
  const how = await standing();
  if (how === 'outside') redirect(OUTSIDE);
  if (how === 'foreign') notFound();
  // What cannot be opened the layout says already, in its own words and one line of output.
  await opens().catch((failure: unknown) => {
    if (faultOf(failure)) notFound();
    throw failure;
  });
}

/** The headers of an answer that nobody else gives them to. */
const ownHeaders = () =>
  securityHeaders(crypto.randomUUID().replaceAll('-', ''), process.env.NODE_ENV === 'development');

/** A refusal as a route gives it, with the headers that every answer carries. */
export const refusal = (message: string, status: number): Response =>
  Response.json({ ok: false, errors: [{ field: '', message }] }, { status, headers: ownHeaders() });

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Why a write is refused by where it comes from; `null` for a read, and for one of Kvell's own pages. */
export const foreignWrite = (request: Request): Response | null =>
  READS.has(request.method) || isSameOrigin(request.headers)
    ? null
    : refusal('This write came from another site and was refused. Use Kvell’s own pages.', 403);

/** What is answered where a route fails, and not for what was asked. */
export function failed(failure: unknown): Response {
  const fault = tellFault(failure, clock());
  return fault
    ? refusal(faultSentence(fault), 503)
    : refusal('Something failed inside Kvell. The server’s output says more.', 500);
}

/** A route that answers only whoever has entered. */
export const insideOnly =
  <Given extends unknown[]>(route: (...given: Given) => Response | Promise<Response>) =>
  async (...given: Given): Promise<Response> => {
    try {
      const how = await standing();
      return how === 'inside' ? await route(...given) : refusal(REFUSED[how].message, REFUSED[how].status);
    } catch (failure) {
      return failed(failure);
    }
  };

/**
 * The same for a route that takes large files. The proxy keeps what it passes on in memory, whoever sends it: such a
 * route stands beside it, and does for itself what the proxy does for all others.
 */
export const insideBesideProxy = <Given extends unknown[]>(
  route: (request: Request, ...given: Given) => Promise<Response>,
) => {
  const inside = insideOnly(route);
  return async (request: Request, ...given: Given): Promise<Response> => {
    const response = foreignWrite(request) ?? (await inside(request, ...given));
    for (const [name, value] of Object.entries(ownHeaders()))
      if (!response.headers.has(name)) response.headers.set(name, value);
    return response;
  };
};

/** What such a route answers to anything else: it carries the headers too. */
export const onlyPost = insideBesideProxy(() =>
  Promise.resolve(refusal('A file is sent here, by POST. Use Kvell’s own pages.', 405)),
);
