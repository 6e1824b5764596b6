import { CONNECTOR, type Point, type Wiring } from './board';
import { PRIOR } from './evidence';

/** Two places of a line to put the tips on. */
export interface Probe {
  line: string;
  from: Point;
  to: Point;
  /** What the reading is expected to tell of the faults. */
  informationBits: number;
  /** That the meter will show it open. */
  open: number;
}

const entropy = (p: number): number => (p <= 0 || p >= 1 ? 0 : -p * Math.log2(p) - (1 - p) * Math.log2(1 - p));

/** A probe that tells nearly as much is taken where one tip stays at the connector. */
const NEARLY = 0.985;
/** Less than this is not worth the tips. */
const LEAST_BITS = 0.001;

/**
 * The pair of places of one line whose reading tells most: the one whose chance of being open is nearest to half.
 *
 * @returns `null` where no reading would tell anything
 */
export function bestProbe(
  { lines }: Pick<Wiring, 'lines'>,
  marginals: readonly { whole: number; segments: readonly { probability: number }[] }[],
): Probe | null {
  const probes: Probe[] = [];
  lines.forEach((line, i) => {
    const places = [CONNECTOR, ...line.route];
    const { segments } = marginals[i]!;
    for (let a = 0; a < places.length - 1; a++) {
      let broken = 0;
      for (let b = a + 1; b < places.length; b++) {
        broken += segments[b - 1]!.probability;
        const open = broken * (1 - PRIOR.readWrong) + (1 - broken) * PRIOR.readWrong;
        const informationBits = entropy(open) - entropy(PRIOR.readWrong);
        probes.push({ line: line.id, from: places[a]!, to: places[b]!, informationBits, open });
      }
    }
  });
  const most = probes.reduce((best, { informationBits }) => Math.max(best, informationBits), 0);
  if (most < LEAST_BITS) return null;
  const near = probes.filter(({ informationBits }) => informationBits >= NEARLY * most);
  return near.find(({ from }) => from === CONNECTOR) ?? near[0]!;
}
