import sharp from 'sharp';
import { SCHOOL } from '@/core/session/schools';
import { addFinding } from '@/work/findings';
import { looksDue, looksOf } from '@/data/looks';
import { PIECE_REGION } from '@/data/measurements';
import { keepMeasurement } from '@/work/measurements';
import { measuredFace, measuredPicture } from '@/data/photos/face';
import { findPiece } from '@/data/pieces';
import { addPiece, changePiece } from '@/work/pieces';
import type { Measurement, Piece } from '@/data/rows';
import { inTrialWorkshop, TRIAL_EXPOSURE, TRIAL_PIECE, trialPiece, tick } from '@/work/trial';
import { endExposure } from '@/work/brighten/end';
import { startExposure } from '@/work/brighten/begin';
import { treatmentsOf } from '@/data/treatments';
import { endTreatment } from '@/work/brighten/treatments';
import { homeComputer } from '@/simulators/camera/machines';
import { measured, photograph } from '../../../demo/photographs';
import { changeInput } from './past/change';
import { readFacts } from './facts';
import { bOf } from '@/work/measuredB';
import { historiesOf, historyOf, yellowOf } from './history';
import { judgePiece } from './judge';
import { predicted } from './ahead/predict';
import { rehearsed } from './ahead/rehearsal';
import { warmthOfRunning, turnsOfRunning } from './now/running';
import { distanceWorking, sessionsWorking } from './workings';

jest.setTimeout(240_000);
inTrialWorkshop();

const HOUR_MS = 3_600_000;
const before = (hours: number) => new Date(tick().getTime() - hours * HOUR_MS);
let seed = 40;

/** The camera takes the lid of a computer with so much yellow, and it is measured as a person would. */
const take = (piece: Piece, amount: number, takenAt: Date): Promise<Measurement> =>
  measured(
    {
      restorationId: piece.restorationId,
      stage: 'brighten',
      pieceId: piece.id,
      name: `lid-${seed}`,
      takenAt,
      scene: homeComputer({ amount }, { amount }),
      shot: { width: 640, height: 480, seed: seed++ },
    },
    piece,
    'lid',
  );

/** A lamp over it for two hours, as it really was. */
async function session(piece: Piece, began: Date, temperatureC = 25) {
  const { id } = await startExposure(
    { ...TRIAL_EXPOSURE, school: 'bath-lamp', lampMwPerCm2: 5, plannedMin: 120, pieceIds: [piece.id], cautions: [] },
    began,
  );
  const endedAt = new Date(began.getTime() + 2 * HOUR_MS).toISOString();
  return endExposure(id, { endedAt, cloudFraction: 0, temperatureC, words: '' }, tick());
}

let lid: Piece;
beforeAll(async () => {
  const fresh = await trialPiece({ lengthMm: 400, widthMm: 220, heightMm: 45 });
  await take(fresh, 22, before(30));
  await session(fresh, before(28));
  await take(fresh, 12, before(25));
  lid = (await findPiece(fresh.id))!;
});

/** Mean blue over the middle of a picture: what yellow takes away. */
async function blueOf(url: string): Promise<number> {
  const { width, height } = await sharp(bytesOf(url)).metadata();
  const middle = {
    left: Math.round(0.3 * width),
    top: Math.round(0.45 * height),
    width: Math.round(0.4 * width),
    height: Math.round(0.1 * height),
  };
  return (await sharp(await sharp(bytesOf(url)).extract(middle).png().toBuffer()).stats()).channels[2]!.mean;
}
const bytesOf = (url: string) => Buffer.from(url.slice(url.indexOf(',') + 1), 'base64');

describe('the predicted picture', () => {
  it('grows paler from session to session, by the mean of what its own sessions brought', async () => {
    const history = await historyOf(lid);
    const { looks, dose, from } = await predicted(lid.id);
    expect(from).toBe('the mean of its own sessions');
    expect(dose).toBeCloseTo(history.sessions[0]!.dose!, 9);
    expect(looks.map(({ sessions }) => sessions)).toEqual([0, 1, 2, 3]);
    const blues: number[] = [];
    for (const [i, { b, low, high, url }] of looks.entries()) {
      expect(low).toBeLessThanOrEqual(b);
      expect(b).toBeLessThanOrEqual(high);
      if (i > 0) expect(b).toBeLessThan(looks[i - 1]!.b);
      blues.push(await blueOf(url));
    }
    // Where it stands now is what was read of it last, with what the fade says of that.
    expect(Math.abs(looks[0]!.b - history.measurements[1]!.lab![2])).toBeLessThan(0.3);
    expect(blues).toEqual([...blues].sort((a, b) => a - b));
    expect(blues[3]! - blues[0]!).toBeGreaterThan(2);
  });

  it('shows what goes wrong, each with another picture and further apart than nothing', async () => {
    const { wrong, looks } = await predicted(lid.id);
    expect(wrong.map(({ words }) => words)).toEqual([
      'film in wrinkles',
      'cream thick in places',
      'never turned, in sun',
    ]);
    for (const { apart } of wrong) expect(apart).toBeGreaterThan(0.3);
    expect(new Set([...wrong, ...looks].map(({ url }) => url)).size).toBe(wrong.length + looks.length);
  });

  it('is on its own photograph in the trainer too, and a worse session leaves it yellower', async () => {
    const form = {
      pieceId: lid.id,
      start: '2026-06-21T10:00',
      durationMin: 240,
      cloudPercent: 0,
      percentWW: 12,
      temperatureC: 25,
      spread: 'even' as const,
      turned: 'by the plan' as const,
      frothPercent: 0,
      seed: 3,
    };
    const smooth = await rehearsed({ ...form, film: 'smooth' });
    const froth = await rehearsed({ ...form, film: 'smooth', frothPercent: 80 });
    const wrinkled = await rehearsed({ ...form, film: 'wrinkled' });
    expect(smooth.url).toMatch(/^data:image\/jpeg/);
    expect(froth.median).toBeGreaterThan(smooth.median);
    expect(await blueOf(froth.url)).toBeLessThan(await blueOf(smooth.url));
    expect(wrinkled.spread).toBeGreaterThan(smooth.spread);
    expect(wrinkled.mistakes.join()).toMatch(/wrinkles/);
  });
});

describe('what is known of a piece', () => {
  it('its forecast, its advice and every figure’s working come from the same measurements', async () => {
    const history = await historyOf(lid);
    const { forecast, advice, latest, fade, working, pooled, treatment } = judgePiece(lid, history, []);
    expect(treatment!.school).toBe('bath-lamp');
    expect(pooled.pieces).toBe(0);
    expect(advice.what).toBe('go on');
    expect(advice.why).toContain(latest!.deltaB!.toFixed(1));
    expect(forecast!.doseToGo.median).toBeGreaterThan(0);
    expect(fade!.measured.map(({ b }) => b)).toEqual(history.measurements.map((one) => bOf(one, lid.hiddenLab![2])));
    expect(working!.find(({ what }) => what === 'To go')!.how).toContain(forecast!.doseToGo.median.toFixed(1));
    const [line] = distanceWorking(latest!);
    expect(line!.how).toContain(
      `${latest!.lab![2].toFixed(1)} of the newest measurement − ${latest!.hiddenLab![2].toFixed(1)}`,
    );
    expect(line!.how).toMatch(new RegExp(`= ${latest!.deltaB!.toFixed(1)}$`));
    const [dosed] = sessionsWorking(history, 'Etc/GMT+2');
    expect(dosed!.how).toBe(`2.0 h × 5.0 mW/cm² × 1.8 × what open surface lets through (1.00) = 18.0 UVI·h`);
  });

  it('a change lies between the first and the newest picture, of those with a card', async () => {
    const { measurements } = await historyOf(lid);
    const { first, later, targetB } = await changeInput(lid.id);
    expect([first.photoId, later.photoId]).toEqual([measurements[0]!.photoId, measurements[1]!.photoId]);
    expect(targetB).toBe(lid.hiddenLab![2]);
    expect(later.at > first.at).toBe(true);
  });

  it('a crack makes it brittle until it is settled', async () => {
    expect((await readFacts(lid)).brittle).toBe(false);
    const { id: pieceId, restorationId } = lid;
    await addFinding(
      {
        restorationId,
        pieceId,
        stage: 'wash',
        photoId: null,
        pin: null,
        kind: 'crack',
        severity: 'plain',
        words: 'at the hinge',
      },
      tick(),
    );
    expect((await readFacts(lid)).brittle).toBe(true);
  });
});

describe('pieces that sit together', () => {
  it('share one target, read once; the furthest leads, and one whose age is kept takes no part', async () => {
    const first = await trialPiece();
    const more = (tag: string) => addPiece({ ...TRIAL_PIECE, restorationId: first.restorationId, tag }, tick());
    const [second, third] = [await more('K2'), await more('K3')];
    for (const [piece, amount] of [
      [first, 10],
      [second, 26],
      [third, 30],
    ] as const)
      await take(piece, amount, before(4));
    const known = await Promise.all([first, second, third].map(async ({ id }) => (await findPiece(id))!));
    const [a, b, c] = await historiesOf(known);
    expect(a!.set).toBe(b!.set);
    expect(a!.measurements).toHaveLength(1);
    expect(c!.set!.leads).toBe(third.id);
    expect(c!.set!.places.map(({ tag }) => tag)).toEqual(['K3', 'K2', 'K1']);
    const hidden = known.map(({ hiddenLab }) => hiddenLab![2]).sort((x, y) => x - y);
    expect(a!.set!.targetB).toBeCloseTo(hidden[1]!, 9);
    await changePiece(third.id, { ...TRIAL_PIECE, tag: 'K3', aim: 'keep the age' }, tick());
    const { set } = await historyOf(known[0]!);
    expect(set!.leads).toBe(second.id);
    expect(set!.places).toHaveLength(2);
    expect(await historiesOf([])).toEqual([]);
  });

  it('alone, a piece goes for its own hidden patch', async () => {
    const { set } = await historyOf(lid);
    expect(set).toBeNull();
    expect(yellowOf(lid, await historyOf(lid), SCHOOL['bath-lamp'])!.targetB).toBe(lid.hiddenLab![2]);
  });
});

describe('what runs', () => {
  it('is warm by the sun and what was read, has its turns, and may end hotter than anybody would plan', async () => {
    const piece = await trialPiece({ lengthMm: 300, widthMm: 200, heightMm: 50 });
    const none = await historyOf(piece);
    expect(await warmthOfRunning(none)).toBeNull();
    expect(await turnsOfRunning(piece, none, true)).toEqual([]);
    const noon = new Date('2026-06-21T13:00:00Z');
    const { id } = await startExposure(
      { ...TRIAL_EXPOSURE, pieceIds: [piece.id], plannedMin: 120, temperatureC: 28 },
      noon,
    );
    const history = await historyOf(piece);
    const warmth = (await warmthOfRunning(history))!;
    expect(warmth.hottest.c.low).toBeGreaterThan(28);
    expect(warmth.hottest.c.high).toBeGreaterThan(warmth.hottest.c.low);
    expect(await turnsOfRunning(piece, history, true)).not.toEqual([]);
    expect(await turnsOfRunning(piece, history, false)).toEqual([]);
    const end = {
      endedAt: new Date(noon.getTime() + 2 * HOUR_MS).toISOString(),
      cloudFraction: 0,
      words: 'left in the sun',
    };
    const { dose } = await endExposure(id, { ...end, temperatureC: 63 }, new Date(end.endedAt));
    expect(dose).toBeGreaterThan(0);
    expect((await historyOf(piece)).sessions[0]).toMatchObject({
      temperatureC: 63,
      words: 'left in the sun',
      actualMin: 120,
    });
  });
});

describe('afterwards', () => {
  it('a piece that is done is looked at again after six months and a year; a measurement in time answers the look', async () => {
    const piece = await trialPiece();
    await take(piece, 8, before(10));
    await session(piece, before(9));
    await take(piece, 1, before(6));
    const [treatment] = await treatmentsOf(piece.restorationId);
    await endTreatment(treatment!.id, 'matched', before(5));
    const looks = await looksOf(piece.restorationId);
    expect(
      looks.map(({ dueAt }) => Math.round((Date.parse(dueAt) - tick().getTime()) / (30.44 * 24 * HOUR_MS))),
    ).toEqual([6, 12]);
    const own = async (now: Date) => (await looksDue(now, 99)).filter(({ pieceId }) => pieceId === piece.id);
    expect(await own(tick())).toEqual([]);
    const half = new Date(looks[0]!.dueAt);
    expect(await own(half)).toHaveLength(1);
    const later = await take((await findPiece(piece.id))!, 2, half);
    expect(await own(half)).toEqual([]);
    expect((await looksOf(piece.restorationId)).map(({ measurementId }) => measurementId)).toEqual([later.id, null]);
  });
});

describe('a face out of its photograph', () => {
  it('is as large as asked, and its light is evened where a plain sheet went with it', async () => {
    const piece = await trialPiece();
    const plain = await take(piece, 10, before(3));
    const face = await measuredFace(plain, 200);
    expect(face.plane.columns).toBe(200);
    const scene = { ...homeComputer({ amount: 10 }, { amount: 10 }), plates: [], regions: [] };
    const sheet = await photograph({
      restorationId: piece.restorationId,
      stage: 'brighten',
      pieceId: piece.id,
      name: 'sheet',
      takenAt: before(3),
      scene: { ...scene, bench: [90, 0, 0] },
      shot: { width: 640, height: 480, seed: 3, gradient: { share: 0.4, angleDeg: 20 } },
    });
    const across = async (flatField?: string) => {
      const { data, width, height } = await measuredPicture(sheet.photo.id, {
        ...plain.spec,
        ...(flatField && { flatField }),
      });
      const at = (x: number) => data[4 * (Math.round(height / 2) * width + Math.round(x * width)) + 1]!;
      return Math.abs(at(0.9) - at(0.1));
    };
    expect(await across()).toBeGreaterThan(15);
    expect(await across(sheet.photo.id)).toBeLessThan(6);
    await expect(measuredPicture(plain.photoId, { ...plain.spec, flatField: 'gone' })).rejects.toThrow(
      'not here any more',
    );
    const other = await trialPiece();
    await expect(
      keepMeasurement(
        { pieceId: other.id, photoId: plain.photoId, stage: 'brighten', spec: plain.spec, result: plain.result },
        tick(),
      ),
    ).rejects.toThrow('another restoration');
    expect(plain.result.regions[0]!.id).toBe(PIECE_REGION);
  });
});
