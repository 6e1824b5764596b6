import type { Block } from '@/core/teardown/order';
import { rebuildOrder } from '@/core/teardown/rebuildOrder';
import { seededRandom } from '@/simulators/camera/random';

const TEARDOWNS = 15;
const STEPS = 500;
const BLOCKS = 2000;

/** Random blocks that agree with a hidden order, in which a share of the steps lies far from the plain reverse. */
function teardown(seed: number, displaced: number): { steps: string[]; blocks: Block[] } {
  const random = seededRandom(seed);
  const steps = Array.from({ length: STEPS }, (_, i) => `s${i}`);
  const hidden = [...steps]
    .reverse()
    .map((step, i) => ({ step, place: i + (random() < displaced ? (random() - 0.5) * STEPS : 0) }))
    .sort((a, b) => a.place - b.place);
  const blocks: Block[] = [];
  while (blocks.length < BLOCKS) {
    const [a, b] = [Math.floor(random() * STEPS), Math.floor(random() * STEPS)].sort((x, y) => x - y) as [
      number,
      number,
    ];
    if (a < b) blocks.push({ first: hidden[a]!.step, then: hidden[b]!.step });
  }
  return { steps, blocks };
}

/** The way back of large random teardowns: time, and how far the order is from the proven bound. */
export async function rebuildOrders(): Promise<void> {
  console.log(`Rebuild order, ${STEPS} steps and ${BLOCKS} blocks, ${TEARDOWNS} random teardowns each`);
  for (const displaced of [0, 0.02, 0.2, 1]) {
    const times: number[] = [];
    let [inversions, bound] = [0, 0];
    for (let seed = 1; seed <= TEARDOWNS; seed++) {
      const { steps, blocks } = teardown(seed, displaced);
      const start = performance.now();
      const found = rebuildOrder(steps, blocks);
      times.push(performance.now() - start);
      inversions += found.inversions;
      bound += found.lowerBound;
    }
    times.sort((a, b) => a - b);
    console.log(
      `  ${(100 * displaced).toFixed(0).padStart(3)} % displaced: median ${times[TEARDOWNS >> 1]!.toFixed(0)} ms, slowest ${times[TEARDOWNS - 1]!.toFixed(0)} ms (aim under 100); inversions ${inversions}, proven at least ${bound}`,
    );
  }
  await Promise.resolve();
}
