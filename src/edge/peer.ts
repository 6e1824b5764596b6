import { headers } from 'next/headers';

/** How the server that listens tells who asks; what a client writes there itself, it takes away. */
const PEER_HEADER = 'x-kvell-peer';

/**
 * Where a request comes from: the desk, or an address of the network. Only what the server of our own wrote is believed
 * (`scripts/server.mjs`, which alone knows the key); anything else is one place.
 */
export function peerOf(told: string | null): string {
  const key = process.env.KVELL_PEER_KEY;
  if (!key || !told?.startsWith(`${key}:`)) return 'somewhere';
  return told.slice(key.length + 1);
}

/** Where the request at hand comes from. */
export const peer = async (): Promise<string> => peerOf((await headers()).get(PEER_HEADER));
