import { STAGES } from '@/core/runsheet/stages';
import { viewHref, VIEWS } from '@/core/runsheet/views';
import { expect, test, type Page } from './day';
import { open } from './open';

/** Screens that a view may be high before something is unfolded. */
const MOST_SCREENS = { desk: 2, phone: 4 } as const;
const SIZES = { desk: { width: 1280, height: 800 }, phone: { width: 390, height: 844 } } as const;

async function restorations(page: Page): Promise<string[]> {
  await open(page, '/restorations');
  const hrefs = await page
    .getByRole('main')
    .getByRole('link')
    .evaluateAll((links) => links.map((link) => link.getAttribute('href') ?? ''));
  const ids = [...new Set(hrefs.map((href) => /^\/restorations\/([0-9a-f-]{36})$/.exec(href)?.[1] ?? ''))].filter(
    Boolean,
  );
  expect(ids.length).toBeGreaterThan(3);
  return ids;
}

const PLACES = [
  '/',
  '/restorations',
  '/restorations/new',
  '/stores',
  '/stores/agents',
  '/sums',
  '/sums/exposure-forecast',
  '/sums/assumptions',
  '/workshop',
  '/workshop/hours',
  '/workshop/horizon',
  '/workshop/greys',
  '/workshop/people',
  '/workshop/phone',
  '/workshop/kept',
];

for (const [name, size] of Object.entries(SIZES) as ['desk' | 'phone', { width: number; height: number }][])
  test(`on a ${name} no view is longer than ${MOST_SCREENS[name]} screens, and the main action of a stage is in view`, async ({
    page,
  }) => {
    test.setTimeout(900_000);
    const ids = await restorations(page);
    await page.setViewportSize(size);
    const wrong: string[] = [];
    const look = async (address: string, needsAction: boolean) => {
      await open(page, address);
      const { screens, action } = await page.evaluate(() => {
        const boxes = [...document.querySelectorAll('[data-main-action]')].map((node) => node.getBoundingClientRect());
        return {
          screens: document.documentElement.scrollHeight / window.innerHeight,
          action: boxes.some(({ top, height }) => height > 0 && top >= 0 && top < window.innerHeight - 60),
        };
      });
      if (screens > MOST_SCREENS[name]) wrong.push(`${address}: ${screens.toFixed(2)} screens`);
      if (needsAction && !action) wrong.push(`${address}: its main action is out of sight`);
    };
    for (const place of PLACES) await look(place, false);
    for (const id of ids) {
      for (const part of ['', '/owner', '/worth', '/log', '/pieces/new'])
        await look(`/restorations/${id}${part}`, false);
      for (const stage of STAGES) for (const { at } of VIEWS[stage]) await look(viewHref(id, stage, at), at === '');
    }
    await open(page, `/restorations/${ids[0]!}`);
    const pieces = await page
      .getByRole('main')
      .locator('a[href*="/pieces/"]')
      .evaluateAll((links) => links.map((link) => link.getAttribute('href')!));
    for (const piece of pieces.filter((href) => !href.endsWith('/new')))
      for (const view of ['', '/known']) await look(`${piece}${view}`, false);
    expect(wrong).toEqual([]);
  });
