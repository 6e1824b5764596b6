import os from 'node:os';

/** Whether this server was started for the local network. */
export const isOnLan = (): boolean => process.env.KVELL_LAN === '1';

/** The addresses of this machine in its networks, IPv4. */
export function ownAddresses(): string[] {
  return Object.values(os.networkInterfaces()).flatMap((addresses) =>
    (addresses ?? []).flatMap(({ family, internal, address }) => (family === 'IPv4' && !internal ? [address] : [])),
  );
}

const port = (host: string | null) => /:(\d+)$/.exec(host ?? '')?.[1] ?? '3000';

/** Where a phone in the same network finds Kvell. */
export const networkOrigins = (host: string | null): string[] =>
  ownAddresses().map((address) => `http://${address}:${port(host)}`);

/** The address that goes onto a label: the network's where it is let in, else the one that was asked. */
export function originFor(request: { headers: { get: (name: string) => string | null } }): string {
  const host = request.headers.get('host');
  return (isOnLan() ? networkOrigins(host)[0] : undefined) ?? `http://${host ?? '127.0.0.1:3000'}`;
}
