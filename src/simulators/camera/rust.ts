import type { Lab, Srgb } from '@/core/colour/types';
import { seededRandom } from './random';
import { withPatches } from './rooms';
import type { RustedFace } from './rustedFace';
import type { Scene } from './scene';

/** A face of some seed: which metal, how much rust, how it was brushed, and what else lies on it. */
export function someRustedFace(seed: number): RustedFace {
  const random = seededRandom(seed * 13 + 1);
  const between = (low: number, high: number) => low + (high - low) * random();
  const [widthMm, heightMm] = [between(60, 150), between(40, 90)];
  const at = (): [number, number] => [between(0, widthMm), between(0, heightMm)];
  const many = Math.floor(between(1, 7));
  const patches = Array.from({ length: many }, (_, i) => ({
    ...{ at: at(), radiusMm: between(3, 0.35 * heightMm), loss: between(0.55, 1), seed: seed * 17 + i },
  }));
  return {
    ...{ widthMm, heightMm, patches, seed },
    metal: [between(52, 78), between(-1, 1), between(-2, 3)],
    rust: { dark: between(0, 0.9), mottled: between(0.1, 0.5) },
    pits: Array.from({ length: Math.floor(between(0, 25)) }, () => {
      const patch = patches[Math.floor(random() * patches.length)]!;
      const far = between(0, patch.radiusMm);
      const angle = between(0, 2 * Math.PI);
      return {
        at: [patch.at[0] + far * Math.cos(angle), patch.at[1] + far * Math.sin(angle)] as [number, number],
        radiusMm: between(0.25, 0.7),
      };
    }),
    brushed: { share: between(0.01, 0.12), angleDeg: between(0, 180) },
    passivated: random() < 0.3 ? between(4, 16) : 0,
    marks: Array.from({ length: Math.floor(between(0, 5)) }, () => ({
      ...{ at: at(), radiusMm: between(1, 5) },
      lab: (random() < 0.5 ? [12, 0, 0] : [between(30, 60), between(-3, 2), between(-4, 4)]) as Lab,
    })),
  };
}

/** A rusted face on the bench with a card beside it; the face is the region “metal”. */
export function rustScene(face: RustedFace, card: readonly Srgb[]): Scene {
  const [left, top] = [20, 60] as const;
  const box = [left, top, face.widthMm, face.heightMm] as const;
  return withPatches(
    {
      ...{ widthMm: Math.max(230, face.widthMm + 40), heightMm: Math.max(150, face.heightMm + 80), bench: [36, 2, 5] },
      plates: [{ id: 'metal', box, radiusMm: 1, lab: face.metal, shadowMm: 3 }],
      regions: [{ id: 'metal', plate: 'metal', box }],
      rusted: [{ at: [left, top], face }],
      card: [{ box: [24, 14, 28, 30], srgb: card[0]! }],
    },
    card,
  );
}
