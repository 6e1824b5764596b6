/** @jest-environment node */
import { addFinding } from '@/work/findings';
import { PIECE_REGION } from '@/data/measurements';
import { keepMeasurement } from '@/work/measurements';
import { addPhoto } from '@/work/photos';
import { ledgerOf } from '@/data/ledger';
import { addStock } from '@/work/stock';
import { addPiece } from '@/work/pieces';
import { runningTimers } from '@/data/timers';
import { inTrialWorkshop, TRIAL_PIECE, trialPhoto, trialPiece, trialRestoration, tick } from '@/work/trial';
import { NOTHING_OWN } from '@/core/cleaning/ladder';
import { ownKnowledge } from '@/data/cleaning';
import { washSpots } from '@/work/wash/spots';
import { wrongs } from '@/edge/wrongs';
import { measurePicture } from '@/core/picture/measure';
import type { Picture, Point } from '@/core/picture/picture';
import { toJpeg } from '@/simulators/camera/jpeg';
import {
  endAtSink,
  nameWhatItIs,
  leaveSpot,
  findHowClean,
  markWhatIsLeft,
  addOwnTub,
  addHarmPhoto,
  startAtSink,
  addUsed,
} from './actions';
import { loadViews } from './loadViews';
import { washSheetPdf } from './sheetPdf';
import { passes, spotView } from './view';

jest.mock('next/cache', () => ({ revalidatePath: () => {} }));

inTrialWorkshop();

const SIZE = { lengthMm: 300, widthMm: 120, heightMm: 20 };

async function keyboard() {
  const { id: restorationId } = await trialRestoration();
  const piece = await addPiece({ restorationId, ...TRIAL_PIECE, ...SIZE }, tick());
  const found = async (words: string, soil: string) => {
    const finding = await addFinding(
      { restorationId, pieceId: piece.id, stage: 'intake', kind: 'soiled', severity: 'plain', words },
      tick(),
    );
    expect(wrongs(await nameWhatItIs({ findingId: finding.id, soil, visible: 'front' }))).toBe('');
    return finding.id;
  };
  return {
    restorationId,
    piece,
    grease: await found('grease', 'hand-grease'),
    drink: await found('drink', 'sweet-drink'),
  };
}
const viewOf = async (restorationId: string) =>
  passes(await washSpots(restorationId), await runningTimers(), await ownKnowledge(), 'metric');

describe('the screen of the sink', () => {
  it('gathers the spots of a piece under a bath, asks for the cautions, and shows what runs', async () => {
    const { restorationId, grease, drink } = await keyboard();
    const before = await viewOf(restorationId);
    expect(before.running).toEqual([]);
    const soak = before.next.find(({ agent }) => agent === 'soap-soak') ?? before.next[0]!;
    expect(wrongs(await startAtSink({ findingIds: [grease, drink], agent: 'soap-soak', confirmed: false }))).toMatch(
      /confirmed: Read the cautions/,
    );
    expect(wrongs(await startAtSink({ findingIds: [grease, drink], agent: 'soap-soak', confirmed: true }))).toBe('');
    const { running } = await viewOf(restorationId);
    expect(running).toHaveLength(1);
    expect(running[0]!.spots.map(({ name }) => name)).toEqual(['grease', 'drink']);
    expect(running[0]!.dueAt).not.toBeNull();
    expect(soak.handsMin).toBeGreaterThan(0);
    const [one, two] = running[0]!.spots.map(({ stepId }) => stepId!);
    expect(wrongs(await endAtSink({ stepId: one, outcome: 'gone' }))).toBe('');
    expect(wrongs(await endAtSink({ stepId: two, outcome: 'no change' }))).toBe('');
    const spots = (await washSpots(restorationId)).map((spot) => spotView(spot, NOTHING_OWN));
    expect(spots[0]!.settled).toBe('done: Warm water and dish soap');
    expect(spots[1]!.rungs.find(({ agent }) => agent === 'soap-soak')).toMatchObject({
      state: 'done',
      outcomes: ['no change'],
    });
    expect(spots[1]!.rungs.find(({ state }) => state === 'next')).toBeDefined();
    // One bath over two spots took the hands once.
    expect(
      (await ledgerOf(restorationId)).filter(({ kind, stage }) => kind === 'minutes' && stage === 'wash'),
    ).toMatchObject([{ minutes: 5, words: 'Warm water and dish soap, K1, about' }]);
  });

  it('a bath that runs shows only what is in it, not what could have been', async () => {
    const { restorationId, grease } = await keyboard();
    expect(wrongs(await startAtSink({ findingIds: [grease], agent: 'soap-soak', confirmed: true }))).toBe('');
    expect((await viewOf(restorationId)).running[0]!.spots.map(({ name }) => name)).toEqual(['grease']);
  });

  it('harm needs words, takes a photograph, and stops the spot; what is left has its reason', async () => {
    const { restorationId, grease, drink } = await keyboard();
    await startAtSink({ findingIds: [grease], agent: 'soap-wipe', confirmed: true });
    const stepId = (await viewOf(restorationId)).running[0]!.spots[0]!.stepId!;
    expect(wrongs(await endAtSink({ stepId, outcome: 'harmed', words: '' }))).toMatch(/words: Say what it harmed/);
    expect(wrongs(await endAtSink({ stepId, outcome: 'harmed', words: 'took the gloss' }))).toBe('');
    expect(wrongs(await addHarmPhoto({ stepId, photoId: (await trialPhoto(restorationId)).id }))).toBe('');
    expect((await washSpots(restorationId))[0]!.next).toBeNull();
    expect(wrongs(await leaveSpot({ findingId: drink, words: '' }))).toMatch(
      /words: Say in a few words why it is left/,
    );
    expect(wrongs(await leaveSpot({ findingId: drink, words: 'nobody sees it' }))).toBe('');
    expect(wrongs(await startAtSink({ findingIds: [drink], agent: 'no-such-thing', confirmed: true }))).toMatch(
      /agent: /,
    );
  });
});

it('loads, tubs and the sheet for the wall', async () => {
  const { restorationId } = await keyboard();
  expect(await loadViews(restorationId, [], NOTHING_OWN, 'metric')).toEqual([]);
  expect(wrongs(await addOwnTub({ name: '', lengthMm: '20', widthMm: '400', depthMm: '' }))).toMatch(
    /name: .*lengthMm: .*depthMm: /s,
  );
  expect(wrongs(await addOwnTub({ name: 'Trial sink', lengthMm: '500', widthMm: '400', depthMm: '200' }))).toBe('');
  const spots = await washSpots(restorationId);
  const { next } = passes(spots, [], NOTHING_OWN, 'metric');
  const sheet = await washSheetPdf(
    'Trial',
    next,
    spots.map((spot) => spotView(spot, NOTHING_OWN)),
    await loadViews(
      restorationId,
      [{ name: 'Trial sink', lengthMm: 500, widthMm: 400, depthMm: 200 }],
      NOTHING_OWN,
      'metric',
    ),
  );
  expect(sheet.subarray(0, 5).toString()).toBe('%PDF-');
});

it('what is used of a bottle goes to the ledger at its share of the price', async () => {
  const { restorationId } = await keyboard();
  const soap = await addStock(
    {
      name: 'Dish soap',
      kind: 'cleaner',
      strengthValue: null,
      strengthUnit: null,
      sizeMl: 500,
      priceMinor: 250,
      words: '',
    },
    tick(),
  );
  expect(wrongs(await addUsed({ restorationId, stockId: soap.id, amount: '600' }))).toMatch(
    /amount: “Dish soap” has 500 mL left by the record/,
  );
  expect(wrongs(await addUsed({ restorationId, stockId: soap.id, amount: '40' }))).toBe('');
  expect((await ledgerOf(restorationId)).at(-1)).toMatchObject({
    kind: 'material',
    stage: 'wash',
    words: 'Dish soap, 40 mL',
    amountMinor: 20,
  });
});

describe('how clean, measured', () => {
  const WIDTH = 240;
  const HEIGHT = 180;
  const FACE: Point[] = [
    [20, 20],
    [220, 20],
    [220, 160],
    [20, 160],
  ];

  /** A pale face with a dark band, fading out at its side, over a share of it. */
  function face(soiled: number, yellow = 0): Picture {
    const data = new Uint8ClampedArray(4 * WIDTH * HEIGHT);
    for (let y = 0; y < HEIGHT; y++)
      for (let x = 0; x < WIDTH; x++) {
        const inside = x >= 20 && x < 220 && y >= 20 && y < 160;
        const dark = inside ? Math.min(1, Math.max(0, (20 + 200 * soiled + 12 - x) / 24)) : 1;
        const pale = [214, 206 - yellow * 0.4, 190 - yellow] as const;
        data.set([...[140, 128, 110].map((code, k) => code * dark + pale[k]! * (1 - dark)), 255], 4 * (y * WIDTH + x));
      }
    return { width: WIDTH, height: HEIGHT, data };
  }

  async function measured(pieceId: string, restorationId: string, picture: Picture, polygon = FACE) {
    const bytes = await toJpeg(picture);
    const photo = await addPhoto(
      { restorationId, pieceId, stage: 'wash', originalName: 'face.jpg', words: '', bytes },
      tick(),
    );
    const spec = { card: [], regions: [{ id: PIECE_REGION, polygon }] };
    await keepMeasurement(
      { pieceId, photoId: photo.id, stage: 'wash', spec, result: measurePicture(picture, spec).result },
      tick(),
    );
  }

  it('is the soiled share before and after, yellow allowed for', async () => {
    const { id, restorationId } = await trialPiece();
    expect(wrongs(await findHowClean(id))).toMatch(/Two measurements at the wash are needed/);
    await measured(id, restorationId, face(0.3, 40));
    await measured(id, restorationId, face(0.05, 40));
    const found = await findHowClean(id);
    if (!found.ok) throw new Error(wrongs(found));
    expect(found.value.before).toBeCloseTo(0.3, 1);
    expect(found.value.after).toBeCloseTo(0.05, 1);
    expect(found.value.afterUrl).toMatch(/^data:image\/png;base64,/);
    expect(found.value.spots).toMatchObject([
      { words: expect.stringMatching(/^left over .*, \d\.\d % of the face$/) as string },
    ]);
    expect(wrongs(await markWhatIsLeft({ pieceId: id }))).toBe('');
    expect((await washSpots(restorationId)).map(({ finding }) => finding.pin)).toEqual(
      found.value.spots.map(({ pin }) => pin),
    );
    expect(wrongs(await markWhatIsLeft({ pieceId: id }))).toMatch(/marked already/);
  });

  it('two different faces are told apart', async () => {
    const { id, restorationId } = await trialPiece();
    await measured(id, restorationId, face(0.2));
    await measured(id, restorationId, face(0.1), [
      [20, 20],
      [90, 20],
      [90, 160],
      [20, 160],
    ]);
    expect(wrongs(await findHowClean(id))).toMatch(/do not show the same face/);
  });
});
