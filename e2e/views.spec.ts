import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { STAGES } from '@/core/runsheet/stages';
import { viewHref, VIEWS } from '@/core/runsheet/views';
import { addresses, restorations } from './addresses';
import { expect, test, type Page } from './day';
import { openWhole } from './open';

/** Screens that a view may be high before something is unfolded. */
const MOST_SCREENS = { desk: 2, phone: 4 } as const;
/** Share of the height that bars may take at twice the size. */
const MOST_BARRED = 0.4;
const SIZES = { desk: { width: 1280, height: 800 }, phone: { width: 390, height: 844 } } as const;

const AXE = createRequire(import.meta.url).resolve('axe-core/axe.min.js');

/** What axe finds on the page that is open, of any severity. */
async function axeFaults(page: Page, schemes: readonly ('light' | 'dark')[]): Promise<string[]> {
  // Its words go through the debugger, not through a script of the page, which the content policy refuses.
  await page.evaluate(`${await readFile(AXE, 'utf8')};0`);
  const faults: string[] = [];
  for (const scheme of schemes) {
    await page.emulateMedia({ colorScheme: scheme });
    // In the dark only colours are others.
    const asked = JSON.stringify({
      resultTypes: ['violations'],
      ...(scheme === 'dark' && { runOnly: ['color-contrast'] }),
    });
    const result = await page.evaluate(`axe.run(document, ${asked})`);
    for (const { id, nodes } of (result as { violations: { id: string; nodes: { html: string }[] }[] }).violations)
      faults.push(`${scheme}: ${id}: ${nodes[0]!.html.slice(0, 160)}`);
  }
  await page.emulateMedia({ colorScheme: null });
  return faults;
}

/** What cannot be done without a pointer: a focus that is not seen or hidden below a bar, what Tab never reaches, what only a click works. */
async function keyboardFaults(page: Page): Promise<string[]> {
  const only = await page.evaluate(() => {
    const isWorked = (node: Element) => {
      const key = Object.keys(node).find((name) => name.startsWith('__reactProps'));
      const props = key ? (node as unknown as Record<string, Record<string, unknown>>)[key]! : {};
      return typeof props.onClick === 'function' || typeof props.onPointerDown === 'function';
    };
    const REACHED = 'a[href], button, input, select, textarea, summary, label, [tabindex], [contenteditable=true]';
    (window as unknown as { kvellReached: Set<Element> }).kvellReached = new Set();
    return [...document.querySelectorAll('body *')]
      .filter((node) => isWorked(node) && !node.closest(REACHED) && !node.querySelector(REACHED))
      .map((node) => `only a pointer works ${node.outerHTML.slice(0, 120)}`);
  });
  const faults = [...only];
  for (let i = 0, still = 0; i < 400 && still < 40; i++) {
    await page.keyboard.press('Tab');
    const seen = await page.evaluate(() => {
      const { kvellReached: reached } = window as unknown as { kvellReached: Set<Element> };
      const node = document.activeElement;
      if (!node || node === document.body) return null;
      // Day, month and year of a date are stops of their own within one field.
      if (reached.has(node)) return [...reached].at(-1) === node ? 'still' : null;
      reached.add(node);
      const look = getComputedStyle(node);
      const isSeen = (look.outlineStyle !== 'none' && look.outlineWidth !== '0px') || look.boxShadow !== 'none';
      const box = node.getBoundingClientRect();
      const at = (share: number, from: number, size: number) => from + share * size;
      const isHit = [0.1, 0.5, 0.9].some((x) =>
        [0.1, 0.5, 0.9].some((y) => {
          const above = document.elementFromPoint(at(x, box.left, box.width), at(y, box.top, box.height));
          return above !== null && (node.contains(above) || above.contains(node));
        }),
      );
      // A box for a tick or a file is drawn by what stands around it.
      const isDrawn = node.matches('input[type=checkbox], input[type=radio], input[type=file]');
      const words = node.outerHTML.slice(0, 120);
      return isDrawn
        ? []
        : [isSeen ? '' : `focus is not seen on ${words}`, isHit ? '' : `focus is hidden at ${words}`].filter(Boolean);
    });
    if (seen === null) break;
    still = seen === 'still' ? still + 1 : 0;
    if (seen !== 'still') faults.push(...seen);
  }
  const missed = await page.evaluate(() => {
    const { kvellReached } = window as unknown as { kvellReached: Set<Element> };
    return [...document.querySelectorAll<HTMLElement>('a[href], button, input, select, textarea, summary')]
      .filter(
        (node) => node.tabIndex >= 0 && node.checkVisibility({ visibilityProperty: true }) && !node.closest('[inert]'),
      )
      .filter((node) => !(node as HTMLButtonElement).disabled && !node.matches('input[type=radio]'))
      .filter((node) => !kvellReached.has(node))
      .map((node) => `Tab does not reach ${node.outerHTML.slice(0, 120)}`);
  });
  return [...faults, ...missed];
}

/** At twice the size, on the same desk: what does not fit beside, and how much of the height bars take. */
async function zoomFaults(page: Page): Promise<string[]> {
  const size = page.viewportSize()!;
  await page.setViewportSize({ width: size.width / 2, height: size.height / 2 });
  const { wide, barred } = await page.evaluate(() => {
    window.scrollTo(0, document.documentElement.scrollHeight / 2);
    const rows = Array.from({ length: 40 }, (_, i) =>
      document.elementFromPoint(innerWidth / 2, ((i + 0.5) / 40) * innerHeight),
    );
    const isBar = (node: Element | null): boolean =>
      node !== null && (/fixed|sticky/.test(getComputedStyle(node).position) || isBar(node.parentElement));
    return {
      wide: document.documentElement.scrollWidth > innerWidth,
      barred: rows.filter(isBar).length / rows.length,
    };
  });
  await page.setViewportSize(size);
  return [
    ...(wide ? ['at twice the size it is wider than the screen'] : []),
    ...(barred > MOST_BARRED ? [`at twice the size bars take ${Math.round(barred * 100)} % of the height`] : []),
  ];
}

// One walk at each size sees all that is asked of every page: to open each of them takes most of the time.
for (const [name, size] of Object.entries(SIZES) as ['desk' | 'phone', { width: number; height: number }][])
  test(`on a ${name} no view is longer than ${MOST_SCREENS[name]} screens or wider than the screen, the main action of a stage is in view, nothing is logged as an error${name === 'desk' ? ', all is worked with keys and fits at twice the size' : ''}, and axe finds nothing, light or dark`, async ({
    page,
  }) => {
    test.setTimeout(1_800_000);
    // On another day other things are said; their colours are the same.
    const isOtherDay = test.info().project.name !== 'demo workshop';
    const wrong: string[] = [];
    let at = '';
    page.on('console', (entry) => entry.type() === 'error' && wrong.push(`${at}: ${entry.text()}`));
    page.on('pageerror', (error) => wrong.push(`${at}: ${error.message}`));
    const ids = await restorations(page);
    await page.setViewportSize(size);
    const look = async (address: string, needsAction = false, closely = false) => {
      at = address;
      await openWhole(page, address);
      const { screens, wide, action, unknown } = await page.evaluate(() => {
        const boxes = [...document.querySelectorAll('[data-main-action]')].map((node) => node.getBoundingClientRect());
        return {
          screens: document.documentElement.scrollHeight / window.innerHeight,
          wide: document.documentElement.scrollWidth > window.innerWidth,
          // A name that the theme does not have stays as it is, and the browser passes over it.
          unknown: [...document.querySelectorAll('style')].flatMap(
            ({ textContent }) => textContent.match(/:\s*[a-zA-Z]+\.(\d{2,3}|[a-zA-Z]{2,})\s*[;}]/g) ?? [],
          ),
          action: boxes.some(({ top, height }) => height > 0 && top >= 0 && top < window.innerHeight - 60),
        };
      });
      if (screens > MOST_SCREENS[name]) wrong.push(`${address}: ${screens.toFixed(2)} screens`);
      if (wide) wrong.push(`${address}: wider than the screen`);
      if (unknown.length > 0) wrong.push(`${address}: looks that nobody knows, ${[...new Set(unknown)].join(' ')}`);
      if (needsAction && !action) wrong.push(`${address}: its main action is out of sight`);
      if (!closely) return;
      const faults = await axeFaults(page, isOtherDay ? ['light'] : ['light', 'dark']);
      if (name === 'desk') faults.push(...(await zoomFaults(page)), ...(await keyboardFaults(page)));
      wrong.push(...faults.map((fault) => `${address}: ${fault}`));
    };
    const each = new Set(Object.values(await addresses(page)));
    const firstViews = new Set(STAGES.flatMap((stage) => ids.map((id) => viewHref(id, stage, ''))));
    for (const address of each) await look(address, firstViews.has(address), true);
    // On a second day one of each kind does.
    for (const id of isOtherDay ? [] : ids)
      for (const stage of STAGES)
        for (const view of VIEWS[stage]) {
          const address = viewHref(id, stage, view.at);
          // On a desk there is room: of the others the first views do.
          if (!each.has(address) && (name === 'phone' || view.at === '')) await look(address, view.at === '');
        }
    expect(wrong).toEqual([]);
  });
