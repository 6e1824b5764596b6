import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { STAGES } from '@/core/runsheet/stages';
import { viewHref, VIEWS } from '@/core/runsheet/views';
import { addresses, restorations } from './addresses';
import { expect, test, type Page } from './day';
import { openWhole } from './open';

/** Screens that a view may be high before something is unfolded. */
const MOST_SCREENS = { desk: 2, phone: 4 } as const;
const SIZES = { desk: { width: 1280, height: 800 }, phone: { width: 390, height: 844 } } as const;

const AXE = createRequire(import.meta.url).resolve('axe-core/axe.min.js');

/** What axe finds on the page that is open, light and dark. */
async function seriousFaults(page: Page): Promise<string[]> {
  const axe = await readFile(AXE, 'utf8');
  const faults: string[] = [];
  for (const scheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme: scheme });
    // In the dark only colours are others.
    const asked = JSON.stringify({
      resultTypes: ['violations'],
      ...(scheme === 'dark' && { runOnly: ['color-contrast'] }),
    });
    // Its words go through the debugger, not through a script of the page, which the content policy refuses.
    const result = await page.evaluate(`${axe};axe.run(document, ${asked})`);
    for (const { id, impact, nodes } of (
      result as { violations: { id: string; impact: string; nodes: { html: string }[] }[] }
    ).violations)
      if (impact === 'serious' || impact === 'critical')
        faults.push(`${scheme}: ${id}: ${nodes[0]!.html.slice(0, 160)}`);
  }
  await page.emulateMedia({ colorScheme: null });
  return faults;
}

// One walk at each size sees all that is asked of every page: to open each of them takes most of the time.
for (const [name, size] of Object.entries(SIZES) as ['desk' | 'phone', { width: number; height: number }][])
  test(`on a ${name} no view is longer than ${MOST_SCREENS[name]} screens or wider than the screen, the main action of a stage is in view, nothing is logged as an error${name === 'desk' ? ', and axe finds nothing serious, light or dark' : ''}`, async ({
    page,
  }) => {
    test.setTimeout(1_800_000);
    const wrong: string[] = [];
    let at = '';
    page.on('console', (entry) => entry.type() === 'error' && wrong.push(`${at}: ${entry.text()}`));
    page.on('pageerror', (error) => wrong.push(`${at}: ${error.message}`));
    const ids = await restorations(page);
    await page.setViewportSize(size);
    const look = async (address: string, needsAction = false, axe = false) => {
      at = address;
      await openWhole(page, address);
      const { screens, wide, action } = await page.evaluate(() => {
        const boxes = [...document.querySelectorAll('[data-main-action]')].map((node) => node.getBoundingClientRect());
        return {
          screens: document.documentElement.scrollHeight / window.innerHeight,
          wide: document.documentElement.scrollWidth > window.innerWidth,
          action: boxes.some(({ top, height }) => height > 0 && top >= 0 && top < window.innerHeight - 60),
        };
      });
      if (screens > MOST_SCREENS[name]) wrong.push(`${address}: ${screens.toFixed(2)} screens`);
      if (wide) wrong.push(`${address}: wider than the screen`);
      if (needsAction && !action) wrong.push(`${address}: its main action is out of sight`);
      if (axe) wrong.push(...(await seriousFaults(page)).map((fault) => `${address}: ${fault}`));
    };
    const each = new Set(Object.values(await addresses(page)));
    const firstViews = new Set(STAGES.flatMap((stage) => ids.map((id) => viewHref(id, stage, ''))));
    for (const address of each) await look(address, firstViews.has(address), name === 'desk');
    // On a second day one of each kind does.
    for (const id of test.info().project.name === 'demo workshop' ? ids : [])
      for (const stage of STAGES)
        for (const view of VIEWS[stage]) {
          const address = viewHref(id, stage, view.at);
          // On a desk there is room: of the others the first views do.
          if (!each.has(address) && (name === 'phone' || view.at === '')) await look(address, view.at === '');
        }
    expect(wrong).toEqual([]);
  });
