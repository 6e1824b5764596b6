import { deltaE00 } from '@/core/colour/difference';
import { linearToLab } from '@/core/colour/lab';
import type { LinearRgb } from '@/core/colour/types';
import { recipeByDrops, targetOf, type TestDrop } from '@/core/finish/testDrops';
import { quantile } from '@/core/numbers';
import { dropOnPlastic } from '@/core/picture/dropOnPlastic';
import { Refusal } from '@/core/refusal';
import { decodePicture } from '@/data/photos/decode';
import { dropScene, middleOf } from '@/simulators/camera/drops';
import { toJpeg } from '@/simulators/camera/jpeg';
import { seededRandom } from '@/simulators/camera/random';
import { PATCHES, someQuality, someShot } from '@/simulators/camera/rooms';
import { takePhotograph } from '@/simulators/camera/shot';
import { dosed, somePigments, trueMixture } from '@/simulators/pigments';

const FIRST_SEED = Number(process.env.SEED ?? 510_000);
const EACH = Number(process.env.EACH ?? 100);
const WIDTH = Number(process.env.WIDTH ?? 1400);
/** A hand that counts drops is off by so large a share. */
const DOSING = Number(process.env.DOSING ?? 0.04);
const RECIPES = 3;
/** Nobody tells drop and plastic apart across a bench. */
const GOOD = 1.5;

/** A picture that is refused is taken again, so often at most. */
const TAKES = 8;
let retaken = 0;

/** Drops on the plastic with a card, photographed in an ordinary room, their colours as Kvell reads them. */
async function readOff(
  drops: readonly LinearRgb[],
  piece: LinearRgb,
  seed: number,
): Promise<Pick<TestDrop, 'srgb' | 'beside'>[]> {
  const card = PATCHES[([1, 2, 3, 7] as const)[seed % 4]!];
  for (let take = 0; ; take++) {
    const shot = someShot('ordinary', seed + 7_000_000 * take, WIDTH);
    const { picture, spec } = takePhotograph(dropScene(drops, linearToLab(piece), card), shot);
    const photo = await decodePicture(await toJpeg(picture, { quality: someQuality(seed) }));
    try {
      const middles = spec.regions.map(({ polygon }) => middleOf(polygon));
      return drops.map((_, i) => dropOnPlastic(photo, spec.card, middles[2 * i]!, middles[2 * i + 1]!));
    } catch (error) {
      if (!(error instanceof Refusal) || take === TAKES) throw error;
      retaken++;
    }
  }
}

/** How near to the true colour the first, second and third recipe come, on pigments that no sum of three bands is right about. */
export async function tints(): Promise<void> {
  const off: number[][] = Array.from({ length: RECIPES }, () => []);
  const [said, held]: [number[][], number[]] = [off.map(() => []), off.map(() => 0)];
  for (let i = 0; i < EACH; i++) {
    const seed = FIRST_SEED + i;
    const random = seededRandom(seed);
    const set = somePigments(seed);
    const between = (low: number, high: number) => low + (high - low) * random();
    // Plastic of old machines: from warm white through putty and beige to brown and dark grey.
    const dark = random() < 0.25;
    const truth = trueMixture(set, {
      ochre: between(0, dark ? 1 : 0.4),
      'red-brown': between(0, dark ? 0.6 : 0.08),
      black: between(0, dark ? 0.8 : 0.12),
      yellow: between(0, 0.1),
      blue: random() < 0.3 ? between(0, 0.1) : 0,
    });
    const made = async (each: readonly Readonly<Record<string, number>>[], picture: number) => {
      const colours = each.map((amounts) => trueMixture(set, dosed(amounts, DOSING, random)));
      const seen = await readOff(colours, truth, 10 * seed + picture);
      return { colours, drops: each.map((amounts, k): TestDrop => ({ amounts, ...seen[k]! })) };
    };
    const { drops } = await made([{}, ...set.pigments.map(({ id }) => ({ [id]: id === 'black' ? 0.1 : 0.2 }))], 0);
    for (let k = 0; k < RECIPES; k++) {
      const target = targetOf(drops)!;
      const { recipe, mayBeOff } = recipeByDrops({ drops, target, maxPigments: 4 });
      const next = await made([Object.fromEntries(recipe.map(({ id, concentration }) => [id, concentration]))], k + 1);
      const error = deltaE00(linearToLab(next.colours[0]!), linearToLab(truth));
      off[k]!.push(error);
      said[k]!.push(mayBeOff);
      if (error <= mayBeOff) held[k]!++;
      drops.push(next.drops[0]!);
    }
  }
  console.log(
    `tint: ${EACH} colours of plastic, five pigments, from seed ${FIRST_SEED}; ${retaken} pictures taken again`,
  );
  for (const [k, all] of off.entries())
    console.log(
      `  recipe ${k + 1}: ΔE00 ${quantile(all, 0.5)!.toFixed(2)} at the median, ${quantile(all, 0.9)!.toFixed(2)} nine times in ten, under ${GOOD}: ${((100 * all.filter((one) => one < GOOD).length) / all.length).toFixed(0)} %; said to be within ${quantile(said[k]!, 0.5)!.toFixed(1)}, which held ${((100 * held[k]!) / all.length).toFixed(0)} %`,
    );
}
