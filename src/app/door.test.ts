import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { queriesSoFar } from '@/data/connection';
import { setDoor, setPassphrase } from '@/data/door';
import { inTrialWorkshop, tick } from '@/work/trial';
import { ask } from '@/edge/request.testing';

jest.mock('next/cache', () => ({ revalidatePath: () => {} }));
jest.mock('@fontsource-variable/bricolage-grotesque', () => ({}));
jest.mock('@fontsource-variable/atkinson-hyperlegible-next', () => ({}));
jest.mock('@fontsource/atkinson-hyperlegible-mono', () => ({}));

inTrialWorkshop();

const ROOT = process.cwd();
const files = readdirSync(path.join(ROOT, 'src'), { recursive: true, encoding: 'utf8' })
  .map((file) => `src/${file.replaceAll(path.sep, '/')}`)
  .sort();
type Module = Record<string, (...given: unknown[]) => unknown>;
const load = (file: string) => import(path.join(ROOT, file)) as Promise<Module>;

/**
 * What is asked before one has entered, and the page that stands in while Kvell is away: it lists
 * what the browser itself kept, and is the same file for everyone. All else has to be shut.
 */
const OPEN = ['src/app/enter/page.tsx', 'src/app/away/page.tsx', 'src/app/api/enter/route.ts'];
const pages = files.filter((file) => /^src\/app\/.*\/?page\.tsx$/.test(file) && !OPEN.includes(file));
const routes = files.filter((file) => /^src\/app\/.*\/route\.ts$/.test(file) && !OPEN.includes(file));
const actions = files.filter(
  (file) => file.endsWith('.ts') && readFileSync(path.join(ROOT, file), 'utf8').startsWith("'use server'"),
);

const ANY = { id: 'x', stage: 'wash', pieceId: 'y', requestId: 'z', name: 'peroxide-dilution' };
const props = () => ({ params: Promise.resolve(ANY), searchParams: Promise.resolve({}), children: 'child' });

const CALLERS = [
  ['under a foreign name', { host: 'elsewhere.example' }, false],
  ['under a foreign name on the network', { host: 'elsewhere.example' }, true],
  ['without a pass', { host: '127.0.0.1:3000' }, true],
  ['with a made-up pass', { host: '127.0.0.1:3000', pass: 'Fe26.2*1*made*up' }, true],
] as const;

beforeAll(async () => {
  await setPassphrase('twelve blue screws', null, tick());
  await setDoor(true, tick());
});
afterEach(() => {
  delete process.env.KVELL_LAN;
  ask();
});

describe.each(CALLERS)('a device %s', (_, request, onLan) => {
  beforeEach(() => {
    if (onLan) process.env.KVELL_LAN = '1';
    ask(request);
  });
  /** Queries beside the one that asks the door who may come in. */
  const asked = async (work: () => unknown): Promise<{ came: unknown; queries: number }> => {
    const before = queriesSoFar();
    const came = await Promise.resolve()
      .then(work)
      .catch((failure: unknown) => failure);
    return { came, queries: queriesSoFar() - before - (onLan ? 1 : 0) };
  };

  it.each(pages)('gets nothing from %s', async (file) => {
    const page = await load(file);
    for (const make of [page.default!, ...(page.generateMetadata ? [page.generateMetadata] : [])]) {
      const { came, queries } = await asked(() => make(props()));
      expect(came).toMatchObject({
        digest: expect.stringMatching(/^NEXT_(REDIRECT|HTTP_ERROR_FALLBACK;404)/) as string,
      });
      expect(queries).toBeLessThanOrEqual(0);
    }
  });

  it('sees a frame without anything that runs', async () => {
    const { default: frame } = await load('src/app/layout.tsx');
    const { queries } = await asked(() => frame!(props()));
    expect(queries).toBeLessThanOrEqual(0);
  });

  it.each(routes)('is refused by %s, with the headers that every answer carries', async (file) => {
    const route = await load(file);
    const methods = Object.keys(route).filter((name) => /^[A-Z]+$/.test(name));
    expect(methods.length).toBeGreaterThan(0);
    for (const method of methods) {
      const { came, queries } = await asked(() =>
        route[method]!(new Request('http://127.0.0.1:3000/', { method }), { params: Promise.resolve(ANY) }),
      );
      const answer = came as Response;
      expect([401, 403]).toContain(answer.status);
      expect(answer.headers.get('Content-Security-Policy')).toContain("default-src 'self'");
      expect(queries).toBeLessThanOrEqual(0);
    }
  });

  it.each(actions)('reads and writes nothing by an action of %s', async (file) => {
    for (const [name, act] of Object.entries(await load(file))) {
      const { came, queries } = await asked(() => act({}, {}, {}));
      expect({ name, queries: Math.max(0, queries) }).toEqual({ name, queries: 0 });
      if (!Array.isArray(came))
        expect(came).toMatchObject({
          ok: false,
          errors: [{ message: expect.stringMatching(/own address|not entered/) as string }],
        });
      else expect(came).toEqual([]);
    }
  });
});

it('a write of another site is refused where the proxy is not', async () => {
  const beside = /matcher: '\/\(\(\?!(.*)\)\.\*\)'/
    .exec(readFileSync(path.join(ROOT, 'src/proxy.ts'), 'utf8'))![1]!
    .split('|');
  expect(beside).toEqual(['api/photos$', 'api/restorations/import$', 'api/workshop/restore$']);
  for (const name of beside) {
    const { POST } = await load(`src/app/${name.replace('$', '')}/route.ts`);
    const headers = { origin: 'https://elsewhere.example', host: '127.0.0.1:3000' };
    const answer = (await POST!(new Request('http://127.0.0.1:3000/', { method: 'POST', headers }))) as Response;
    expect([answer.status, answer.headers.get('X-Frame-Options')]).toEqual([403, 'DENY']);
  }
});

it('walks what there is', () => {
  expect([pages.length > 20, routes.length > 10, actions.length > 8]).toEqual([true, true, true]);
});
