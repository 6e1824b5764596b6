import { findMarks } from '@/core/mending/marks/findMarks';
import { MARK_SHEETS } from '@/core/mending/marks/sheet';
import { outlineOf } from '@/core/mending/outline/outline';
import { median, NINE_IN_TEN_SD, quantile } from '@/core/numbers';
import { decodePicture } from '@/data/photos/decode';
import { toJpeg } from '@/simulators/camera/jpeg';
import { FIRST_DOT, heldPhone, markScene, placeFor, reachOf, seenAt } from '@/simulators/camera/markSheets';
import { seededRandom } from '@/simulators/camera/random';
import { someQuality, someShot } from '@/simulators/camera/rooms';
import { takePhotograph } from '@/simulators/camera/shot';

const FIRST_SEED = Number(process.env.SEED ?? 410_000);
const PICTURES = Number(process.env.EACH ?? 200);
const WIDTH = Number(process.env.WIDTH ?? 2000);
/** A phone that is held straight above is aslant by so many degrees at most. */
const ASLANT_DEG = Number(process.env.ASLANT ?? 12);
/** A bar of 100 mm is read to so many mm. */
const READ_MM = 0.3;
const THICK_MM = [0, 2, 5, 10] as const;

/** How far lengths of parts on the sheet of marks are off on photographs in ordinary rooms, and whether the stated band holds them. */
export async function marks(): Promise<void> {
  const off: { mm: number; share: number; held: boolean; thick: number }[] = [];
  let [found, refused] = [0, 0];
  for (let i = 0; i < PICTURES; i++) {
    const seed = FIRST_SEED + i;
    const random = seededRandom(seed);
    const between = (low: number, high: number) => low + (high - low) * random();
    const sheet = MARK_SHEETS[i % MARK_SHEETS.length]!;
    const size = { width: WIDTH, height: Math.round(0.75 * WIDTH) };
    const small = sheet.name === 'small';
    const [widthMm, heightMm] = [between(10, small ? 45 : 90), between(8, small ? 40 : 60)];
    const thicknessMm = THICK_MM[Math.floor(random() * THICK_MM.length)]!;
    const shape = { widthMm, heightMm };
    const part = {
      ...{ ...shape, thicknessMm, radiusMm: between(0.5, 0.3 * heightMm) },
      lab: [between(35, 80), between(-2, 4), between(0, 24)] as [number, number, number],
      holes: widthMm > 20 && heightMm > 14 ? [{ box: [0.2 * widthMm, 4, 5, 5] as const, radiusMm: 2.5 }] : [],
      at: placeFor(sheet, shape, random),
    };
    const printed = between(0.985, 1.01);
    const phone = heldPhone(seed, size, reachOf(sheet), ASLANT_DEG);
    const { picture } = takePhotograph(
      markScene(sheet, part, phone.standing, { printed, shadowMm: between(0.1, 0.2) * thicknessMm + 0.01 }),
      { ...someShot('ordinary', seed, WIDTH), pinhole: phone },
    );
    const photo = await decodePicture(await toJpeg(picture, { quality: someQuality(seed) }));
    const scale = {
      barMm: 100 * printed + between(-READ_MM, READ_MM),
      ...(random() < 0.5 && { focal35Mm: Math.round(phone.focal35Mm) }),
    };
    try {
      if (!findMarks(photo, scale)) continue;
      found++;
      const [x, y] = [FIRST_DOT[0] + part.at[0] + 0.65 * widthMm, FIRST_DOT[1] + part.at[1] + 0.8 * heightMm];
      const { outline, sdMm } = outlineOf(photo, { ...scale, thicknessMm, inside: seenAt(phone, size, [x, y]) });
      for (const [axis, should] of [widthMm, heightMm].entries()) {
        const along = outline.map((point) => point[axis as 0 | 1]);
        const mm = Math.abs(Math.max(...along) - Math.min(...along) - should);
        // A length lies between two places, each as unsure as is said.
        off.push({ mm, share: mm / should, held: mm < NINE_IN_TEN_SD * Math.SQRT2 * sdMm, thick: thicknessMm });
      }
    } catch {
      refused++;
    }
  }
  const line = (some: typeof off) =>
    `off by ${median(some.map(({ mm }) => mm))!.toFixed(2)} mm at the median (${(100 * median(some.map(({ share }) => share))!).toFixed(2)} %), ${quantile(
      some.map(({ mm }) => mm),
      0.9,
    )!.toFixed(
      2,
    )} mm at nine in ten; the stated band of nine in ten holds ${((100 * some.filter(({ held }) => held).length) / some.length).toFixed(0)} %`;
  console.log(
    `Lengths on ${PICTURES} photographs of parts on a sheet of marks (seeds from ${FIRST_SEED}, ${WIDTH} px wide, up to ${ASLANT_DEG}° aslant): the sheet found on ${found}, ${refused} outlines refused`,
  );
  for (const thick of THICK_MM) console.log(`  ${thick} mm thick: ${line(off.filter((one) => one.thick === thick))}`);
  console.log(`  all: ${line(off)} (aim 0.3 mm or 0.5 %, and 90 %)`);
}
