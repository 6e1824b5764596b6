import { deltaE00 } from '@/core/colour/difference';
import { measurePicture } from '@/core/picture/measure';
import { decodePicture } from '@/data/photos/decode';
import { toJpeg } from '@/simulators/camera/jpeg';
import { desktopFront, handheld, homeComputer } from '@/simulators/camera/machines';
import { seededRandom } from '@/simulators/camera/random';
import type { Scene } from '@/simulators/camera/scene';
import { LIGHTS, PLAIN_SHOT, takePhotograph, type Shot } from '@/simulators/camera/shot';

const PICTURES = 200;

/** A random machine with random yellow, in a random light, seen from a random side. */
function randomShot(seed: number): { scene: Scene; shot: Shot; light: string } {
  const random = seededRandom(seed);
  const between = (low: number, high: number) => low + random() * (high - low);
  const amount = between(0, 30);
  const yellowing = {
    amount,
    ...(random() < 0.4 && { oneSided: { angleDeg: between(0, 360), farShare: between(0.5, 1) } }),
  };
  const scene = [
    () => homeComputer(yellowing, { amount: amount * 1.2 }),
    () => desktopFront(yellowing),
    () => handheld(yellowing),
  ][Math.floor(random() * 3)]!();
  const names = Object.keys(LIGHTS) as (keyof typeof LIGHTS)[];
  const light = names[seed % names.length]!;
  return {
    scene,
    light,
    shot: {
      ...PLAIN_SHOT,
      width: 960,
      height: 720,
      light: LIGHTS[light],
      exposure: between(0.75, 1),
      gradient: { share: between(0, 0.1), angleDeg: between(0, 360) },
      tilt: between(0, 0.6),
      turnDeg: between(-6, 6),
      blurPx: between(0.5, 1.2),
      noiseCodes: between(1, 3),
      seed,
    },
  };
}

const quantile = (values: number[], p: number) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(p * values.length))]!;

/** Measures pictures of known truth with a grey card, and again without it. */
export async function accuracy(firstSeed = 1): Promise<void> {
  const colourErrors: number[] = [];
  const distanceErrors: number[] = [];
  const bareErrors: number[] = [];
  for (let seed = firstSeed; seed < firstSeed + PICTURES; seed++) {
    const { scene, shot } = randomShot(seed);
    const { picture, spec, truth } = takePhotograph(scene, shot);
    const seen = await decodePicture(await toJpeg(picture, { quality: 85 }));
    const withCard = measurePicture(seen, { ...spec, reference: 'hidden' }).result;
    const without = measurePicture(seen, { ...spec, card: [], reference: 'hidden' }).result;
    withCard.regions.forEach((region, i) => {
      const lab = truth[region.id]!;
      colourErrors.push(deltaE00(region.lab!, lab));
      if (region.id === 'hidden') return;
      const distance = deltaE00(lab, truth.hidden!);
      distanceErrors.push(Math.abs(region.deltaE00! - distance));
      bareErrors.push(Math.abs(without.regions[i]!.deltaE00! - distance));
    });
  }
  console.log(`${PICTURES} pictures, five lights, gradient under 10 %, noise, JPEG 85 (seeds from ${firstSeed})`);
  console.log(
    `  colour against truth, grey card:      median ΔE00 ${quantile(colourErrors, 0.5).toFixed(2)} (aim 1.0), 95th ${quantile(colourErrors, 0.95).toFixed(2)} (aim 2.5)`,
  );
  console.log(
    `  distance to hidden patch, grey card:  median error ${quantile(distanceErrors, 0.5).toFixed(2)}, 95th ${quantile(distanceErrors, 0.95).toFixed(2)}`,
  );
  console.log(
    `  distance to hidden patch, no card:    median error ${quantile(bareErrors, 0.5).toFixed(2)} (aim 1.5), 95th ${quantile(bareErrors, 0.95).toFixed(2)}`,
  );
}
