import sharp from 'sharp';
import { refineCorners, type Corners } from '@/core/picture/corners';
import type { Correction } from '@/core/picture/correction';
import { correctionOf, measurePicture } from '@/core/picture/measure';
import type { Point } from '@/core/picture/picture';
import { changeBetween, onPlane, shapeOf } from '@/core/picture/plane';
import { correctionAsFirst, type Shown } from '@/core/picture/relight';
import { decodePicture } from '@/data/photos/decode';
import { desktopFront, handheld, homeComputer } from '@/simulators/camera/machines';
import { toJpeg } from '@/simulators/camera/jpeg';
import { seededRandom } from '@/simulators/camera/random';
import type { Scene } from '@/simulators/camera/scene';
import { LIGHTS, PLAIN_SHOT, takePhotograph, type Shot } from '@/simulators/camera/shot';

type Seen = Shown & { correction: Correction };

const FACES = 24;
const HAND_PX = 14;
const COLUMNS = 300;
/** Corners agree within so many pixels where the picture is this wide. */
const WIDTH_PX = 1500;

const quantile = (values: number[], p: number) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(p * values.length))]!;

/** The whole face of the machine as a region of its own. */
function withFace(scene: Scene): Scene {
  const face = scene.plates.find(({ id }) => id === scene.regions[0]!.plate)!;
  return { ...scene, regions: [{ id: 'face', plate: face.id, box: face.box }, ...scene.regions] };
}

function scenes(random: () => number): Scene {
  const yellowing = { amount: 5 + 20 * random() };
  return withFace(
    [() => homeComputer(yellowing, { amount: 20 }), () => desktopFront(yellowing), () => handheld(yellowing)][
      Math.floor(3 * random())
    ]!(),
  );
}

function view(random: () => number, seed: number): Shot {
  const names = Object.keys(LIGHTS) as (keyof typeof LIGHTS)[];
  const between = (low: number, high: number) => low + (high - low) * random();
  return {
    ...PLAIN_SHOT,
    width: 1500,
    height: 1125,
    light: LIGHTS[names[Math.floor(names.length * random())]!],
    exposure: between(0.8, 0.98),
    gradient: { share: between(0, 0.1), angleDeg: between(0, 360) },
    tilt: between(0, 0.5),
    turnDeg: between(-6, 6),
    blurPx: between(0.5, 1),
    noiseCodes: between(1, 2),
    seed,
  };
}

/** A face of a picture, its corners set by an unsure hand and moved onto its edges. */
async function taken(scene: Scene, shot: Shot, quality: number, random: () => number) {
  const { picture, spec } = takePhotograph(scene, shot);
  const seen = await decodePicture(await toJpeg(picture, { quality }));
  const truth = spec.regions.find(({ id }) => id === 'face')!.polygon as unknown as Corners;
  const byHand = truth.map(([x, y]): Point => [
    x + 2 * HAND_PX * (random() - 0.5),
    y + 2 * HAND_PX * (random() - 0.5),
  ]) as unknown as Corners;
  return { seen, spec, truth, byHand, found: refineCorners(seen, byHand, 2 * HAND_PX) };
}

/** A phone's usual JPEG, and a poor one: its chroma is rounded so coarsely that plain plastic changes hue. */
const QUALITIES = [95, 88];

/** Corners and change maps of the same face seen from different sides in different light. */
export async function registration(): Promise<void> {
  console.log(
    `Registration, ${FACES} faces, each seen twice from different sides in different light, corners set by hand within ${HAND_PX} px`,
  );
  for (const quality of QUALITIES) await faces(quality);
  await speed();
}

async function faces(quality: number): Promise<void> {
  const random = seededRandom(Number(process.env.SEED ?? 20_261_301));
  const corners: number[] = [];
  const hand: number[] = [];
  const changes: number[] = [];
  const kept: number[] = [];
  for (let i = 0; i < FACES; i++) {
    const scene = scenes(random);
    const [first, later] = [
      await taken(scene, view(random, 2 * i + 1), quality, random),
      await taken(scene, view(random, 2 * i + 2), quality, random),
    ];
    for (const { seen, truth, byHand, found } of [first, later])
      truth.forEach(([x, y], k) => {
        corners.push((Math.hypot(found[k]![0] - x, found[k]![1] - y) * WIDTH_PX) / seen.width);
        hand.push((Math.hypot(byHand[k]![0] - x, byHand[k]![1] - y) * WIDTH_PX) / seen.width);
      });
    const shape = shapeOf(first.found);
    const [one, two] = [first, later].map(({ seen, spec }) => ({
      picture: seen,
      spec,
      correction: correctionOf(seen, spec).correction,
    })) as [Seen, Seen];
    const lights = [one.correction, correctionAsFirst(one, two, 'hidden')] as const;
    const [a, b] = [
      onPlane(one.picture, first.found, lights[0], COLUMNS, shape),
      onPlane(two.picture, later.found, lights[1], COLUMNS, shape),
    ];
    // Both show the card and the hidden patch: the light is told by all of them.
    const change = [...changeBetween(a, b).deltaE].filter((value) => !Number.isNaN(value));
    kept.push(change.length / (a.columns * a.rows));
    changes.push(quantile(change, 0.95));
    if (process.env.SHOW)
      console.log(
        i,
        first.found
          .map(([x, y], k) => `${(x - first.truth[k]![0]).toFixed(1)},${(y - first.truth[k]![1]).toFixed(1)}`)
          .join(' '),
        changes[i]!.toFixed(2),
      );
  }
  console.log(`  JPEG quality ${quality}`);
  console.log(
    `  corners off by ${quantile(corners, 0.5).toFixed(2)} px at the median, ${quantile(corners, 0.95).toFixed(2)} at the 95th percentile (aim 2; by hand ${quantile(hand, 0.5).toFixed(1)})`,
  );
  console.log(
    `  change of an unchanged face, ΔE00 at the 95th percentile of its cells: median ${quantile(changes, 0.5).toFixed(2)}, worst face ${quantile(changes, 1).toFixed(2)} (aim 1.5); ${(100 * quantile(kept, 0.5)).toFixed(0)} % of the cells speak; ${changes.filter((change) => change < 1.5).length} of ${FACES} faces under it`,
  );
}

/** A 12-megapixel picture registered, measured and mapped, against libvips' conversion to Lab alone. */
async function speed(): Promise<void> {
  const random = seededRandom(5);
  const { picture, spec } = takePhotograph(withFace(homeComputer({ amount: 14 }, { amount: 20 })), {
    ...PLAIN_SHOT,
    width: 4000,
    height: 3000,
  });
  const corners = spec.regions.find(({ id }) => id === 'face')!.polygon as unknown as Corners;
  const { correction } = correctionOf(picture, spec);
  const base = onPlane(picture, corners, correction, COLUMNS, shapeOf(corners));
  const raw = { raw: { width: 4000, height: 3000, channels: 4 as const } };
  const [ours, theirs]: [number[], number[]] = [[], []];
  for (let i = 0; i < 9; i++) {
    let start = performance.now();
    const found = refineCorners(
      picture,
      corners.map(([x, y]): Point => [x + 20 * random(), y]) as unknown as Corners,
      60,
    );
    measurePicture(picture, { ...spec, reference: 'hidden' });
    changeBetween(base, onPlane(picture, found, correction, COLUMNS, shapeOf(corners)));
    ours.push(performance.now() - start);
    start = performance.now();
    await sharp(picture.data, raw).removeAlpha().toColourspace('lab').raw().toBuffer();
    theirs.push(performance.now() - start);
  }
  const [a, b] = [quantile(ours, 0.5), quantile(theirs, 0.5)];
  console.log(
    `  12 million pixels registered, measured and mapped: ${a.toFixed(0)} ms, libvips Lab alone ${b.toFixed(0)} ms: ratio ${(a / b).toFixed(2)} (aim under 4)`,
  );
}
