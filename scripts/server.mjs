// Serves the built application: `node scripts/server.mjs HOST PORT`. A server of our own in front of Next's, since only the
// one that listens knows where a request really comes from; everything else is Next's.
import { randomBytes } from 'node:crypto';
import { createServer } from 'node:http';
import { isHere } from './here.mjs';
import { HOME } from './prepare.mjs';

process.env.NODE_ENV = 'production';
// Whoever read what it prints has gone: then nobody reads it, and telling that nobody does would never end.
for (const printed of [process.stdout, process.stderr]) printed.on('error', () => {});
/** Nobody else knows it: a client cannot say where it is. */
const key = (process.env.KVELL_PEER_KEY = randomBytes(16).toString('hex'));
const [host = '127.0.0.1', port = '3000'] = process.argv.slice(2);
const { default: next } = await import('next');
const app = next({ dev: false, dir: HOME, hostname: host, port: Number(port) });
await app.prepare();
const handle = app.getRequestHandler();

/** What a proxy would say of a client. There is none: whoever writes it makes it up. */
const MADE_UP = /^(x-forwarded-.*|forwarded|x-real-ip|x-kvell-.*|x-nonce)$/;

/** Whether an address can be read at all, and holds no sign that no address has. */
function isReadable(address) {
  try {
    return !decodeURIComponent(address).includes('\0');
  } catch {
    return false;
  }
}

/** What stands in place of an answer that Next does not get to give: it runs nothing. */
const BARE = {
  'Content-Type': 'text/plain; charset=utf-8',
  'Content-Security-Policy': "default-src 'none'; object-src 'none'; frame-ancestors 'none'; sandbox",
  'X-Content-Type-Options': 'nosniff',
};

/** Words to look for stand in an address, each sign in up to twelve; a text that was pasted there by mistake is cut by its page, with a word. */
const LONGEST_HEAD = 128 * 1024;

const server = createServer({ maxHeaderSize: LONGEST_HEAD }, (request, response) => {
  if (!isReadable(request.url.split('?')[0])) {
    response.writeHead(400, BARE).end('This is no address. Look at it again, or begin at the bench.');
    return;
  }
  const address = request.socket.remoteAddress ?? '';
  const isDesk = isHere(address);
  const told = Object.entries(request.headers).filter(([name]) => !MADE_UP.test(name));
  request.headers = Object.fromEntries([...told, ['x-kvell-peer', `${key}:${isDesk ? 'desk' : address}`]]);
  // What this machine asks of itself travels no way: packing it would only make it wait, a tenth of the whole time.
  if (isDesk) delete request.headers['accept-encoding'];
  void handle(request, response);
});
server.on('error', (failure) => {
  console.error(failure.message);
  process.exit(1);
});
server.listen(Number(port), host);
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    server.close(() => process.exit(0));
    server.closeAllConnections();
  });
