import { STAGES } from '@/core/runsheet/stages';
import { viewHref, VIEWS } from '@/core/runsheet/views';
import { expect, type Page } from './day';
import { open } from './open';

/** Ids of the restorations of the demo. */
export async function restorations(page: Page): Promise<string[]> {
  await open(page, '/restorations');
  const hrefs = await page
    .getByRole('main')
    .getByRole('link')
    .evaluateAll((links) => links.map((link) => link.getAttribute('href') ?? ''));
  const ids = [...new Set(hrefs.map((href) => /^\/restorations\/([0-9a-f-]{36})$/.exec(href)?.[1] ?? ''))];
  expect(ids.filter(Boolean).length).toBeGreaterThan(3);
  return ids.filter(Boolean);
}

/** Every screen of the demo workshop by its name, those of a restoration once: the fullest of each. */
export async function addresses(page: Page): Promise<Record<string, string>> {
  await open(page, '/restorations');
  const brimsel = (await page
    .getByRole('main')
    .getByRole('link', { name: /Brimsel Nine/ })
    .getAttribute('href'))!;
  const tovarn = (await page
    .getByRole('main')
    .getByRole('link', { name: /Tovarn Desk Two/ })
    .getAttribute('href'))!;
  const orvane = (await page
    .getByRole('main')
    .getByRole('link', { name: /Orvane Slab/ })
    .getAttribute('href'))!;
  await open(page, brimsel);
  const piece = (await page.getByRole('main').getByRole('link', { name: /K1/ }).first().getAttribute('href'))!;
  const other = (await page.getByRole('main').getByRole('link', { name: /K2/ }).first().getAttribute('href'))!;
  await open(page, `${piece}/measure?stage=brighten`);
  const photo = (await page
    .getByRole('link', { name: /K1-after-2/ })
    .first()
    .getAttribute('href'))!;
  const idOf = (href: string) => href.split('/').pop()!;
  const [restoration, wash] = [idOf(brimsel), idOf(orvane)];
  return {
    bench: '/',
    'the days': '/plan',
    'ready when': '/plan/ready',
    'what if': '/plan/what-if',
    'all tasks': '/plan/tasks',
    restorations: '/restorations',
    'open a restoration': '/restorations/new',
    'run sheet': brimsel,
    owner: `${tovarn}/owner`,
    'worth it': `${brimsel}/worth`,
    ...Object.fromEntries(
      STAGES.flatMap((stage) =>
        VIEWS[stage].map(
          ({ at, title }) =>
            [`${stage}: ${title}`, viewHref(stage === 'wash' ? wash : restoration, stage, at)] as const,
        ),
      ),
    ),
    'cleaning agents': '/stores/agents',
    donors: '/stores/donors',
    'to buy': '/stores/orders',
    'what runs out': '/stores/ahead',
    assumptions: '/sums/assumptions',
    log: `${brimsel}/log`,
    find: '/find?q=lid',
    piece,
    'what is known of a piece': `${piece}/known`,
    'side by side': `/beside?a=${idOf(piece)}&b=${idOf(other)}`,
    'beside which': `/beside?a=${idOf(piece)}`,
    'tag a piece': `${brimsel}/pieces/new`,
    'choose a photograph': `${piece}/measure?stage=brighten`,
    measure: photo,
    stores: '/stores',
    sums: '/sums',
    'a sum': '/sums/exposure-forecast',
    workshop: '/workshop',
    ...Object.fromEntries(
      ['hours', 'horizon', 'greys', 'people', 'bench', 'phone', 'learnt', 'backup', 'deleted', 'kept'].map((view) => [
        `workshop, ${view}`,
        `/workshop/${view}`,
      ]),
    ),
    enter: '/enter',
    away: '/away',
  };
}
