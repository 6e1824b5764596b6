import { rustShare } from '@/core/finish/rustShare';
import type { PaintSheet } from '@/core/finish/coat';
import { decodePicture } from '@/data/photos/decode';
import { coatingsOf } from '@/data/coats';
import { findingsOf } from '@/data/findings';
import { rustsOf } from '@/data/rust';
import { rustScene } from '@/simulators/camera/rust';
import type { RustedFace } from '@/simulators/camera/rustedFace';
import { layCoat, planCoating } from '../src/work/finish/coats';
import { beginRung, endRung, keepRustShare, readOhm, tellRust } from '../src/work/finish/rust';
import { photograph } from './photographs';

type Clock = (daysAgo: number, hour: number, minute?: number) => Date;

/** The workshop’s grey card. */
const CARD = [160, 160, 160] as const;

/** The edge of the shield as it came: three patches that run along its rim. */
const EDGE: RustedFace = {
  ...{ widthMm: 150, heightMm: 44, metal: [66, 0, 1], seed: 41 },
  patches: [
    { at: [22, 40], radiusMm: 15, loss: 0.95, seed: 3 },
    { at: [64, 42], radiusMm: 11, loss: 0.8, seed: 4 },
    { at: [118, 38], radiusMm: 17, loss: 0.9, seed: 5 },
  ],
  rust: { dark: 0.4, mottled: 0.3 },
  pits: [
    { at: [20, 36], radiusMm: 0.5 },
    { at: [116, 34], radiusMm: 0.6 },
    { at: [122, 39], radiusMm: 0.5 },
  ],
  ...{ brushed: { share: 0.04, angleDeg: 4 }, passivated: 0 },
  marks: [
    { at: [8, 8], radiusMm: 3, lab: [12, 0, 0] },
    { at: [142, 8], radiusMm: 3, lab: [12, 0, 0] },
  ],
};
/** After the bath and the papers: a trace along the rim, the specks in the pits. */
const SANDED: RustedFace = {
  ...EDGE,
  patches: EDGE.patches.map((patch) => ({ ...patch, radiusMm: 0.22 * patch.radiusMm, loss: 0.6 })),
  brushed: { share: 0.08, angleDeg: 4 },
};

/** A zinc-rich primer whose sheet knows a bad time. */
const SHEET: PaintSheet = {
  ...{ lowestC: 8, highestC: 30, highestHumidityPercent: 80, touchH: 1, throughH: 24, keyed: false },
  ...{ soonestH: 1, latestH: 4, againFromH: 16 },
};

/** The inner shield of the Brimsel: measured, brought down the ladder, read, and primed once; the second coat missed its window. */
export async function brimselFinish(restorationId: string, at: Clock): Promise<void> {
  const finding = (await findingsOf(restorationId)).find(({ kind }) => kind === 'rust')!;
  const rustId = await tellRust(
    {
      ...{ restorationId, findingId: finding.id, name: 'Edge of the inner shield' },
      patch: {
        ...{ metal: 'steel', kind: 'scale', task: 'shield and conduct', touches: 'nothing' },
        ...{ areaCm2: 14, thickMm: 0.8, pitMm: 0.05, comesOff: true },
      },
    },
    at(4, 17),
  );
  const measured = async (name: string, face: RustedFace, when: Date, seed: number) => {
    const { photo, bytes, spec } = await photograph({
      ...{ restorationId, stage: 'finish', pieceId: null, name, takenAt: when },
      scene: rustScene(face, [CARD]),
      shot: { seed, tilt: 0.15 },
    });
    const seen = rustShare(await decodePicture(bytes), spec, 'metal');
    const { share, low, high, pits } = seen;
    await keepRustShare({ rustId, photoId: photo.id, share, low, high, pits }, when);
  };
  const rung = async (
    way: 'acid bath' | 'sanding',
    outcome: 'some left' | 'gone',
    words: string,
    from: Date,
    to: Date,
  ) => {
    await beginRung({ rustId, way, acid: 'citric acid', percent: 5, bathC: 20, masked: false }, from);
    const { steps } = (await rustsOf(restorationId)).find(({ id }) => id === rustId)!;
    await endRung({ stepId: steps.at(-1)!.id, outcome, words }, to);
  };
  await measured('shield-edge-as-it-came', EDGE, at(4, 17, 10), 81);
  await readOhm({ rustId, when: 'before', ohm: 46 }, at(4, 17, 15));
  await rung('acid bath', 'some left', 'grey but for the rim', at(4, 17, 30), at(3, 17, 30));
  await rung('sanding', 'gone', 'black specks stay in two pits', at(3, 17, 50), at(3, 18, 20));
  await measured('shield-edge-sanded', SANDED, at(3, 18, 30), 82);
  await readOhm({ rustId, when: 'after', ohm: 0.4 }, at(3, 18, 40));
  const jobId = await planCoating(
    {
      ...{
        restorationId,
        pieceId: null,
        name: 'Inner shield, both faces',
        areaCm2: 620,
        way: 'sprayed',
        inside: false,
      },
      ...{ coverageM2PerL: 6, masks: 'four contact lands, the earth screw', sheet: SHEET },
      kinds: ['zinc-rich primer', 'zinc-rich primer'],
    },
    at(2, 9),
  );
  const [job] = await coatingsOf(restorationId);
  if (job?.id !== jobId) throw new Error('The coating of the shield is not there.');
  const readings = { airC: 19, surfaceC: 18.5, humidityPercent: 58, windMs: 1.5 };
  await layCoat({ jobId, readings, airDrawn: false, words: 'thin, both faces' }, at(1, 10));
}
