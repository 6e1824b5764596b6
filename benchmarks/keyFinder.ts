import { findKeys } from '@/core/keyboard/photo/findKeys';
import { SURE_KEY, type FoundKey } from '@/core/keyboard/photo/found';
import { overlapMm } from '@/core/keyboard/photo/photo.testing';
import type { Corners } from '@/core/picture/corners';
import { homographyThrough, project } from '@/core/picture/homography';
import { rectPolygon } from '@/core/picture/polygon';
import { Refusal } from '@/core/refusal';
import { decodePicture } from '@/data/photos/decode';
import { toJpeg } from '@/simulators/camera/jpeg';
import { CAPS_ON, KEYBOARDS, keyboardScene } from '@/simulators/camera/keyboards';
import { seededRandom } from '@/simulators/camera/random';
import { someQuality, someShot } from '@/simulators/camera/rooms';
import { takePhotograph } from '@/simulators/camera/shot';

const FIRST_SEED = Number(process.env.SEED ?? 150_000);
const WIDTH = Number(process.env.WIDTH ?? 1600);
const EACH = Number(process.env.EACH ?? 15);
/** From above, from a chair, and from far in front; a hand that marks corners is off by so many pixels. */
const VIEWS = [0, 0.35, 0.7] as const;
const HAND_PX = 4;
const OVERLAP = 0.8;

type Key = Pick<FoundKey, 'x' | 'y' | 'w' | 'h'>;

/** Where keys lie on the plane that somebody's marks span, which is not quite that of the field. */
function asMarked(
  keys: readonly (Key & { id: string })[],
  truth: Corners,
  marked: Corners,
  widthMm: number,
  heightMm: number,
) {
  const plane = rectPolygon([0, 0, widthMm, heightMm]);
  const [out, back] = [homographyThrough(plane, truth), homographyThrough(marked, plane)];
  return keys.map(({ id, x, y, w, h }) => {
    const place = (u: number, v: number) => project(back, project(out, [u, v]));
    const [a, b, c, d] = [place(x, y), place(x + w, y), place(x + w, y + h), place(x, y + h)];
    const [left, top] = [(a[0] + d[0]) / 2, (a[1] + b[1]) / 2];
    return { id, x: left, y: top, w: (b[0] + c[0]) / 2 - left, h: (c[1] + d[1]) / 2 - top };
  });
}

/** How many keys of photographed keyboards are found in their place, and how many are invented. */
export async function keyFinder(): Promise<void> {
  const names = Object.keys(KEYBOARDS) as (keyof typeof KEYBOARDS)[];
  console.log(
    `Keys on photographs, ${EACH} pictures of each of ${names.length} keyboards (seeds from ${FIRST_SEED}, ${WIDTH} px wide)`,
  );
  const all = { keys: 0, found: 0, given: 0, invented: 0, bare: 0, bareFound: 0, asked: 0, inventedSure: 0 };
  const times: number[] = [];
  for (const name of names) {
    const own = { ...all, keys: 0, found: 0, given: 0, invented: 0, bare: 0, bareFound: 0, asked: 0, inventedSure: 0 };
    for (let i = 0; i < EACH; i++) {
      const seed = FIRST_SEED + 97 * names.indexOf(name) + i;
      const random = seededRandom(seed);
      const board = KEYBOARDS[name];
      // A third of the pictures with all caps on, a third with a few off, a third with many.
      const share = [0, 0.05, 0.2][i % 3]!;
      const missing = board.keys.filter(() => random() < share).map(({ id }) => id);
      const tilt = VIEWS[Math.floor(i / 3) % 3]!;
      const scene = keyboardScene(board, { tilt, seed, caps: { ...CAPS_ON, missing } });
      const shot = { ...someShot('ordinary', seed, WIDTH), tilt };
      const taken = takePhotograph(scene, shot);
      const picture = await decodePicture(await toJpeg(taken.picture, { quality: someQuality(seed) }));
      const near = () => HAND_PX * (2 * random() - 1);
      const corners = taken.spec.regions[0]!.polygon.map(([x, y]) => [x + near(), y + near()]) as unknown as Corners;
      const keys = asMarked(
        board.keys,
        taken.spec.regions[0]!.polygon as unknown as Corners,
        corners,
        board.widthMm,
        board.heightMm,
      );
      let found: FoundKey[] = [];
      const before = performance.now();
      try {
        found = findKeys(picture, corners, board.widthMm, board.heightMm);
      } catch (failure) {
        if (!(failure instanceof Refusal)) throw failure;
      }
      times.push(performance.now() - before);
      const hit = keys.filter((key) => found.some((one) => overlapMm(one, key) >= OVERLAP));
      const stray = found.filter((one) => !keys.some((key) => overlapMm(one, key) >= 0.5));
      own.keys += board.keys.length;
      own.found += hit.length;
      own.given += found.length;
      own.invented += stray.length;
      own.inventedSure += stray.filter(({ confidence }) => confidence >= SURE_KEY).length;
      own.asked += found.filter(({ confidence }) => confidence < SURE_KEY).length;
      own.bare += missing.length;
      own.bareFound += hit.filter(({ id }) => missing.includes(id)).length;
      if (process.env.WHY) {
        const lost = keys.filter((key) => !hit.includes(key)).map(({ id }) => (missing.includes(id) ? `(${id})` : id));
        if (lost.length + stray.length > 0)
          console.log(
            `    ${name} ${seed} tilt ${tilt}: lost ${lost.join(' ')}; invented ${stray.map((s) => [s.x, s.y, s.w, s.h, s.confidence].map((v) => v.toFixed(1)).join('/')).join(' ')}`,
          );
      }
    }
    const share = (n: number, of: number) => `${((100 * n) / Math.max(1, of)).toFixed(1)} %`;
    console.log(
      `  ${name}: ${share(own.found, own.keys)} of ${own.keys} found (without a cap ${own.bareFound} of ${own.bare}), invented ${share(own.invented, own.given)}, asked about ${share(own.asked, own.given)}`,
    );
    for (const key of Object.keys(all) as (keyof typeof all)[]) all[key] += own[key];
  }
  const share = (n: number, of: number) => `${((100 * n) / Math.max(1, of)).toFixed(1)} %`;
  console.log(
    `  all: ${share(all.found, all.keys)} of ${all.keys} keys with an overlap of ${OVERLAP} (aim 97 %), invented ${share(all.invented, all.given)} (aim 2 %), of them taken for sure ${all.inventedSure}; asked about ${share(all.asked, all.given)}; at most ${Math.max(...times).toFixed(0)} ms a picture`,
  );
}
