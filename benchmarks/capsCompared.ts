import { compareCaps, type CapChange } from '@/core/keyboard/photo/compareCaps';
import type { Corners } from '@/core/picture/corners';
import { decodePicture } from '@/data/photos/decode';
import { toJpeg } from '@/simulators/camera/jpeg';
import { CAPS_ON, KEYBOARDS, keyboardScene, type CapsOff } from '@/simulators/camera/keyboards';
import { seededRandom } from '@/simulators/camera/random';
import { someQuality, someShot } from '@/simulators/camera/rooms';
import { takePhotograph } from '@/simulators/camera/shot';

const FIRST_SEED = Number(process.env.SEED ?? 160_000);
const WIDTH = Number(process.env.WIDTH ?? 1600);
const EACH = Number(process.env.EACH ?? 6);
const VIEWS = [0, 0.35, 0.7] as const;
/** A hand that marks corners is off by so many pixels. */
const HAND_PX = 3;

/** How many caps that were swapped, turned or lost are named by two photographs, and how many of the others wrongly. */
export async function capsCompared(): Promise<void> {
  const names = Object.keys(KEYBOARDS) as (keyof typeof KEYBOARDS)[];
  console.log(
    `Caps before and after, ${EACH} pairs of each of ${names.length} keyboards (seeds from ${FIRST_SEED}, ${WIDTH} px wide)`,
  );
  const sum = { changed: 0, named: 0, same: 0, alarms: 0, unclear: 0 };
  const kinds: Record<string, [number, number]> = {};
  for (const name of names) {
    const own = { changed: 0, named: 0, same: 0, alarms: 0, unclear: 0 };
    for (let i = 0; i < EACH; i++) {
      const seed = FIRST_SEED + 97 * names.indexOf(name) + i;
      const random = seededRandom(seed);
      const board = KEYBOARDS[name];
      // Only caps of one size fit in each other’s place.
      const [{ w, h }] = board.keys.slice(20) as [(typeof board.keys)[number]];
      const some = board.keys
        .filter((key) => key.w === w && key.h === h)
        .map(({ id }) => ({ id, at: random() }))
        .sort((a, b) => a.at - b.at)
        .map(({ id }) => id);
      const caps: CapsOff = {
        swapped: [
          [some[0]!, some[1]!],
          [some[2]!, some[3]!],
        ],
        turned: [some[4]!],
        missing: [some[5]!],
      };
      const shoot = async (off: CapsOff, view: number, shotSeed: number) => {
        const tilt = VIEWS[view % 3]!;
        const scene = keyboardScene(board, { tilt, seed, caps: off });
        const taken = takePhotograph(scene, { ...someShot('ordinary', shotSeed, WIDTH), tilt });
        const near = () => HAND_PX * (2 * random() - 1);
        return {
          picture: await decodePicture(await toJpeg(taken.picture, { quality: someQuality(shotSeed) })),
          corners: taken.spec.regions[0]!.polygon.map(([x, y]) => [x + near(), y + near()]) as unknown as Corners,
        };
      };
      const found = compareCaps(
        board.keys,
        board,
        await shoot(CAPS_ON, i, seed),
        await shoot(caps, i + (seed % 2), seed + 7919),
      );
      const truth = new Map<string, CapChange>([
        ...caps.swapped.flatMap(([a, b]): [string, CapChange][] => [
          [a, { kind: 'swapped', from: b }],
          [b, { kind: 'swapped', from: a }],
        ]),
        ...caps.turned.map((id): [string, CapChange] => [id, { kind: 'turned' }]),
        ...caps.missing.map((id): [string, CapChange] => [id, { kind: 'missing' }]),
      ]);
      for (const { id } of board.keys) {
        const [is, should] = [found[id]!, truth.get(id)];
        const right = should !== undefined && JSON.stringify(is) === JSON.stringify(should);
        if (is.kind === 'unclear') own.unclear++;
        if (should) {
          own.changed++;
          if (right) own.named++;
          const kind = (kinds[should.kind] ??= [0, 0]);
          kind[1]++;
          if (right) kind[0]++;
        } else {
          own.same++;
          if (is.kind !== 'same' && is.kind !== 'unclear') own.alarms++;
        }
        if (process.env.WHY && (should ? !right : is.kind !== 'same'))
          console.log(
            `    ${name} ${seed}: ${id} is ${JSON.stringify(is)}, should be ${JSON.stringify(should ?? 'same')}`,
          );
      }
    }
    console.log(
      `  ${name}: ${own.named} of ${own.changed} changed caps named, ${own.alarms} of ${own.same} others wrongly, ${own.unclear} left unclear`,
    );
    for (const key of Object.keys(sum) as (keyof typeof sum)[]) sum[key] += own[key];
  }
  console.log(
    `  all: ${((100 * sum.named) / sum.changed).toFixed(1)} % of ${sum.changed} named (aim 95 %; ${Object.entries(kinds)
      .map(([kind, [right, of]]) => `${kind} ${right} of ${of}`)
      .join(
        ', ',
      )}), ${((100 * sum.alarms) / sum.same).toFixed(2)} % of ${sum.same} wrongly (aim 1 %), ${sum.unclear} left unclear`,
  );
}
