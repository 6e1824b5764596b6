import { FAMILIES, FAMILY_NAMES, type FamilyName } from '@/core/mending/part/families';
import { partOf, skinOf } from '@/core/mending/part/part';
import { AS_DRAWN } from '@/core/mending/part/fitted';
import { printAdvice } from '@/core/mending/part/printAdvice';

/** So many corners come to 20,000 triangles: two of the wall and about two of floor and roof each. */
const CORNERS = [3999, 1001];

/** A ring of teeth, and a toothed hole in it. */
function toothed(): object {
  const ring = (corners: number, mm: number) =>
    Array.from({ length: corners }, (_, i): [number, number] => {
      const at = (2 * Math.PI * i) / corners;
      const r = mm + (i % 2) * 0.3;
      return [r * Math.cos(at), r * Math.sin(at)];
    });
  return { outline: ring(CORNERS[0]!, 100), holes: [ring(CORNERS[1]!, 60)], thicknessMm: 4 };
}

/** How long a solid of many triangles takes, against the volume of the same triangles by a plain sum. */
export async function solids(): Promise<void> {
  const sizes = toothed();
  const timed = <T>(work: () => T): [number, T] => {
    const from = performance.now();
    const made = work();
    return [performance.now() - from, made];
  };
  partOf('plate', sizes);
  const [ms, { solid }] = timed(() => partOf('plate', sizes));
  const skin = skinOf('plate', sizes);
  const [plainMs] = timed(() =>
    skin.reduce(
      (sum, [a, b, c]) =>
        sum +
        (a[0] * (b[1] * c[2] - b[2] * c[1]) + a[1] * (b[2] * c[0] - b[0] * c[2]) + a[2] * (b[0] * c[1] - b[1] * c[0])) /
          6,
      0,
    ),
  );
  console.log(
    `Solid of ${solid.triangles} triangles, written as STL and checked: ${ms.toFixed(0)} ms (aim under 1000), ${(ms / plainMs).toFixed(0)} times a plain sum over its triangles; watertight: ${solid.watertight}`,
  );
  const slowest = FAMILY_NAMES.map((name: FamilyName) => {
    printAdvice(name, FAMILIES[name].example, AS_DRAWN);
    return { name, ms: timed(() => printAdvice(name, FAMILIES[name].example, AS_DRAWN))[0] };
  }).sort((a, b) => b.ms - a.ms)[0]!;
  console.log(`Advice for the printer: ${slowest.ms.toFixed(0)} ms at most (${slowest.name})`);
}
