import { chromium } from '@playwright/test';
import { MARK_SHEETS } from '@/core/mending/marks/sheet';
import { outlineOf } from '@/core/mending/outline/outline';
import { median, NINE_IN_TEN_SD } from '@/core/numbers';
import type { Point } from '@/core/picture/picture';
import { decodePicture } from '@/data/photos/decode';
import { placeFor } from '@/simulators/camera/markSheets';
import { seededRandom } from '@/simulators/camera/random';
import { markSheetSvg } from '@/stages/mend/markSheetPdf';

const FIRST_SEED = Number(process.env.SEED ?? 430_000);
const PICTURES = Number(process.env.EACH ?? 40);
const [WIDTH, HEIGHT] = [1600, 1200];

/** Lengths on drawings by another maker’s code: the sheet and parts drawn and turned in perspective by a browser. */
export async function drawings(): Promise<void> {
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--force-color-profile=srgb'],
  });
  const off: { mm: number; share: number; held: boolean }[] = [];
  let refused = 0;
  try {
    const page = await browser.newPage({ viewport: { width: WIDTH, height: HEIGHT } });
    for (let i = 0; i < PICTURES; i++) {
      const random = seededRandom(FIRST_SEED + i);
      const between = (low: number, high: number) => low + (high - low) * random();
      const sheet = MARK_SHEETS[i % MARK_SHEETS.length]!;
      const small = sheet.name === 'small';
      const part = { widthMm: between(12, small ? 45 : 90), heightMm: between(9, small ? 40 : 60) };
      const [x, y] = placeFor(sheet, part, random);
      const { svg } = markSheetSvg(sheet);
      // As high as the picture, however large its sheet is.
      const fits = svg.replace(/ width="[^"]*" height="[^"]*"/, ' height="1000"');
      const fill = `hsl(${between(20, 60).toFixed(0)} 18% ${between(35, 60).toFixed(0)}%)`;
      const drawn = fits.replace(
        '</svg>',
        `<rect x="${x}" y="${y}" width="${part.widthMm}" height="${part.heightMm}" rx="${between(0.5, 2)}" fill="${fill}"/><circle id="inside" cx="${x + 0.6 * part.widthMm}" cy="${y + 0.6 * part.heightMm}" r="0.01" fill="none"/></svg>`,
      );
      const turn = `perspective(${between(1800, 3200).toFixed(0)}px) rotateX(${between(-12, 12).toFixed(2)}deg) rotateY(${between(-12, 12).toFixed(2)}deg) rotateZ(${between(-20, 20).toFixed(2)}deg)`;
      await page.setContent(
        `<body style="margin:0;background:#8a8378;display:grid;place-items:center;height:100vh;overflow:hidden"><div style="transform:${turn};background:#fff;display:flex">${drawn}</div></body>`,
      );
      const inside = await page.locator('#inside').evaluate((dot): [number, number] => {
        const { left, top, width, height } = dot.getBoundingClientRect();
        return [left + width / 2, top + height / 2];
      });
      const photo = await decodePicture(await page.screenshot({ type: 'png' }));
      try {
        const { outline, sdMm } = outlineOf(photo, { barMm: 100, inside: inside as Point, thicknessMm: 0 });
        for (const [axis, should] of [part.widthMm, part.heightMm].entries()) {
          const along = outline.map((point) => point[axis as 0 | 1]);
          const mm = Math.abs(Math.max(...along) - Math.min(...along) - should);
          off.push({ mm, share: mm / should, held: mm < NINE_IN_TEN_SD * Math.SQRT2 * sdMm });
        }
      } catch (error) {
        refused++;
        console.log(`  refused: ${error instanceof Error ? error.message : String(error)}`);
      }
    }
  } finally {
    await browser.close();
  }
  console.log(
    `Lengths on ${PICTURES} drawings by a browser, turned in perspective (seeds from ${FIRST_SEED}): off by ${median(off.map(({ mm }) => mm))!.toFixed(3)} mm at the median (${(100 * median(off.map(({ share }) => share))!).toFixed(2)} %; aim 0.3 mm or 0.5 %); the stated band holds ${((100 * off.filter(({ held }) => held).length) / off.length).toFixed(0)} % (aim 90); ${refused} refused`,
  );
}
