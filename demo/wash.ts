import { orvaneKeys } from './keys';
import { orvaneMend } from './mend';
import type { AgentId } from '@/core/materials/agents';
import type { Outcome } from '@/core/cleaning/outcomes';
import type { SoilId } from '@/core/cleaning/soils';
import type { Visible } from '@/core/cleaning/ladder';
import { addFinding, settleFinding } from '../src/work/findings';
import { addPiece } from '../src/work/pieces';
import { settleStage } from '../src/work/stages';
import { openRestoration } from '../src/work/restorations';
import type { Finding, Piece } from '@/data/rows';
import { findRows } from '@/data/table';
import { endTimer } from '../src/work/timers';
import { runningTimers } from '@/data/timers';
import { addTub } from '../src/work/knowledge';
import { endPass, startPass } from '../src/work/wash/pass';
import { nameSoil } from '../src/work/wash/soil';
import { homeComputer } from '@/simulators/camera/machines';
import { LIGHTS } from '@/simulators/camera/shot';
import type { Soiling } from '@/simulators/camera/scene';
import { measured, photograph } from './photographs';

type Found = Pick<Finding, 'kind' | 'severity' | 'words'> &
  Partial<Pick<Finding, 'photoId' | 'pin'>> & { soil: SoilId; visible?: Visible };

async function dirt(piece: Piece, { soil, visible = 'front', ...found }: Found, at: Date): Promise<Finding> {
  const finding = await addFinding(
    { restorationId: piece.restorationId, pieceId: piece.id, stage: 'intake', ...found },
    at,
  );
  await nameSoil(finding.id, soil, visible, at);
  return finding;
}

/** One pass from start to outcome. */
async function pass(finding: Finding, agent: AgentId, outcome: Outcome, words: string, at: Date): Promise<void> {
  await startPass([finding.id], agent, at);
  const [step] = await findRows('sink_steps', { findingId: finding.id, endedAt: null });
  await endPass(step!.id, outcome, words, new Date(at.getTime() + 20 * 60_000));
}

/** What dried long ago is not drying any more. */
async function dried(restorationId: string, at: Date): Promise<void> {
  for (const timer of await runningTimers())
    if (timer.restorationId === restorationId && timer.dueAt < at.toISOString()) await endTimer(timer.id, at);
}

/** Earlier passes, from which the workshop has learnt: degreaser did little for nicotine here, sugar soap took it. */
export async function washedBefore(
  piece: Piece,
  at: (daysAgo: number, hour: number, minute?: number) => Date,
): Promise<void> {
  const places = ['shell, left', 'shell, right', 'cell door', 'rim of the window'];
  for (const [i, words] of places.entries()) {
    const veil = await dirt(
      piece,
      { kind: 'soiled', severity: 'plain', words: `brown veil, ${words}`, soil: 'nicotine' },
      at(29, 10, 42 + i),
    );
    await pass(veil, 'kitchen-degreaser', 'no change', '', at(29, 10, 50 + 2 * i));
    await pass(veil, 'sugar-soap', 'gone', '', at(29, 11, 20 + i));
  }
  await dried(piece.restorationId, at(26, 9));
}

/** Spots on the lid as it came, of which the first two were still there after the first pass. */
const ON_THE_LID: readonly Soiling[] = [
  { at: [388, 262], radiusMm: 17, loss: 0.46, seed: 5 },
  { at: [52, 232], radiusMm: 15, loss: 0.34, seed: 6 },
  { at: [120, 118], radiusMm: 26, loss: 0.3, seed: 7 },
  { at: [300, 108], radiusMm: 21, loss: 0.38, seed: 8 },
  { at: [240, 268], radiusMm: 24, loss: 0.28, seed: 9 },
  { at: [424, 180], radiusMm: 19, loss: 0.33, seed: 10 },
];

/** The lid measured before its wash and after the first pass, in other light. */
async function lidMeasured(lid: Piece, before: Date, after: Date): Promise<void> {
  const take = (name: string, soil: readonly Soiling[], takenAt: Date, light: keyof typeof LIGHTS, seed: number) =>
    measured(
      {
        restorationId: lid.restorationId,
        stage: 'wash',
        pieceId: lid.id,
        name,
        takenAt,
        scene: homeComputer({ amount: 9 }, { amount: 12 }, { face: true, bare: true, soil }),
        shot: { light: LIGHTS[light], seed },
      },
      lid,
      'face',
    );
  await take('K2-before-wash', ON_THE_LID, before, 'north window', 33);
  await take('K2-after-soap', ON_THE_LID.slice(0, 2), after, 'daylight', 34);
}

/** A home computer at the sink: a filthy keyboard, a scuffed lid, a rust-stained bottom left as it is. */
export async function orvane(at: (daysAgo: number, hour: number, minute?: number) => Date): Promise<void> {
  const { id: restorationId } = await openRestoration(
    {
      title: 'Orvane Slab',
      machine: 'Orvane Slab home computer, keyboard in the case',
      source: 'a smoker’s hobby room',
      pricePaidMinor: 2200,
      condition:
        'Brown veil all over, keys sticky, one long scuff across the lid, rust in the bottom where a screw stood.',
      claim: 'worked, they say',
    },
    at(3, 18),
  );
  const came = await photograph({
    restorationId,
    stage: 'intake',
    pieceId: null,
    name: 'orvane-as-it-came',
    takenAt: at(3, 18, 5),
    scene: homeComputer({ amount: 9 }, { amount: 12 }),
    shot: { light: LIGHTS['warm lamp'], tilt: 0.4, seed: 31 },
  });
  await addTub({ name: 'Kitchen sink', lengthMm: 500, widthMm: 400, depthMm: 190 }, at(3, 18, 10));
  const size = (lengthMm: number, widthMm: number, heightMm: number) => ({ lengthMm, widthMm, heightMm });
  const plain = { restorationId, plastic: 'ABS', finish: 'textured', labels: '', metalInside: '' };
  const [keyboard, lid, bottom] = [
    await addPiece(
      { ...plain, tag: 'K1', name: 'Key caps', surfaces: ['legend-moulded'], hollow: true, ...size(300, 110, 15) },
      at(3, 18, 20),
    ),
    await addPiece(
      { ...plain, tag: 'K2', name: 'Lid', labels: 'paper label inside the rim', ...size(390, 210, 40) },
      at(3, 18, 22),
    ),
    await addPiece({ ...plain, tag: 'K3', name: 'Bottom shell', ...size(390, 210, 35) }, at(3, 18, 24)),
  ];
  await dirt(
    keyboard,
    {
      kind: 'soiled',
      severity: 'bad',
      words: 'brown veil on every cap',
      photoId: came.photo.id,
      pin: { x: 0.42, y: 0.58 },
      soil: 'nicotine',
    },
    at(3, 18, 30),
  );
  await dirt(
    keyboard,
    {
      kind: 'soiled',
      severity: 'bad',
      words: 'something sweet under the lower row',
      photoId: came.photo.id,
      pin: { x: 0.55, y: 0.7 },
      soil: 'sweet-drink',
    },
    at(3, 18, 31),
  );
  await dirt(
    keyboard,
    {
      kind: 'soiled',
      severity: 'plain',
      words: 'dust and hair',
      photoId: came.photo.id,
      pin: { x: 0.3, y: 0.66 },
      soil: 'dust',
    },
    at(3, 18, 32),
  );
  const scuff = await dirt(
    lid,
    {
      kind: 'scuffed',
      severity: 'plain',
      words: 'long black streak',
      photoId: came.photo.id,
      pin: { x: 0.62, y: 0.34 },
      soil: 'rubber-scuff',
    },
    at(3, 18, 33),
  );
  await dirt(
    lid,
    {
      kind: 'ink',
      severity: 'slight',
      words: 'a price in felt marker',
      photoId: came.photo.id,
      pin: { x: 0.34, y: 0.32 },
      soil: 'marker',
    },
    at(3, 18, 34),
  );
  const stain = await dirt(
    bottom,
    {
      kind: 'stained',
      severity: 'plain',
      words: 'rust in the shape of a screw',
      soil: 'rust-stain',
      visible: 'underside',
    },
    at(3, 18, 35),
  );
  await settleStage(restorationId, 'intake', 'done', null, at(3, 19));
  await settleStage(restorationId, 'teardown', 'done', null, at(2, 12));
  await settleFinding(
    stain.id,
    'left on purpose',
    'under where the foot sits; going on would cost more surface than the stain does',
    at(1, 10),
  );
  await lidMeasured(lid, at(2, 12, 20), at(1, 10, 30));
  await pass(scuff, 'isopropyl', 'better', 'half of it came off', at(1, 11));
  await orvaneKeys(restorationId, at(2, 19));
  await orvaneMend(bottom, lid, at);
}
