import { listTubs } from '@/data/cleaning';
import { addTub } from '@/work/knowledge';
import { keepMeasurement } from '@/work/measurements';
import { addPhoto } from '@/work/photos';
import { findPiece } from '@/data/pieces';
import { changePiece } from '@/work/pieces';
import type { Piece } from '@/data/rows';
import { ledgerOf } from '@/data/ledger';
import { addStock, addStrength } from '@/work/stock';
import { runningTimers } from '@/data/timers';
import { noteTurn } from '@/work/timers';
import { toLocalField } from '@/core/runsheet/time';
import { inTrialWorkshop, TRIAL_EXPOSURE, TRIAL_WORKSHOP, trialPiece, trialResult, tick } from '@/work/trial';
import { endExposure } from '@/work/brighten/end';
import { startExposure } from '@/work/brighten/begin';
import { sessionsOf, treatmentsOf } from '@/data/treatments';
import { saveWorkshop } from '@/work/workshop';
import { wrongs } from '@/edge/wrongs';
import { SCHOOL } from '@/core/session/schools';
import { desktopFront } from '@/simulators/camera/machines';
import { PLAIN_SHOT, takePhotograph } from '@/simulators/camera/shot';
import { toJpeg } from '@/simulators/camera/jpeg';
import {
  drawExercise,
  endSession,
  finishTreatment,
  gradeExercise,
  predictLook,
  findChange,
  workOutPlan,
  startSession,
  rehearseSession,
  workOutTurns,
} from './actions';
import { simulatedSky } from '@/simulators/weather/sky';
import { pooledFor } from './pooled';
import { benchAsItStands, waysFor } from './ways/ways';
import { historyOf, yellowOf } from './history';

jest.mock('next/cache', () => ({ revalidatePath: () => {} }));

const BOTTLE = {
  name: 'Strong',
  kind: 'peroxide liquid',
  strengthValue: 35,
  strengthUnit: 'percentWW',
  sizeMl: 1000,
  priceMinor: 1500,
  words: '',
} as const;
let stockId = '';

inTrialWorkshop();
beforeAll(async () => {
  stockId = (await addStock(BOTTLE, tick())).id;
});

const freshPiece = (): Promise<Piece> => trialPiece({ lengthMm: 300, widthMm: 200 });

let seed = 100;

/** A measurement as the worker would make it, with a photograph to stand on. */
async function measure(piece: Piece, b: number, when: Date): Promise<void> {
  const { picture } = takePhotograph(desktopFront({ amount: 5 }), {
    ...PLAIN_SHOT,
    width: 64,
    height: 48,
    seed: seed++,
  });
  const photo = await addPhoto(
    {
      restorationId: piece.restorationId,
      pieceId: piece.id,
      stage: 'brighten',
      originalName: 'x.jpg',
      words: '',
      bytes: await toJpeg(picture),
    },
    when,
  );
  await keepMeasurement(
    {
      pieceId: piece.id,
      photoId: photo.id,
      stage: 'brighten',
      spec: { card: [], regions: [] },
      result: trialResult(b),
    },
    when,
  );
}

const form = (piece: Piece, rest: Record<string, unknown> = {}) => ({
  pieceId: piece.id,
  school: 'bath-lamp',
  stockId,
  strengthValue: '',
  strengthUnit: 'percentWW',
  targetPercentWW: '12',
  volumeL: '5',
  windowStart: '2026-06-21T10:00',
  durationMin: '120',
  turnEveryMin: '30',
  lampMwPerCm2: '5',
  temperatureC: '25',
  toleranceB: '1.5',
  ...rest,
});

describe('a plan', () => {
  it('mixes from the bottle and has no forecast before a measurement', async () => {
    const answered = await workOutPlan(form(await freshPiece()));
    if (!answered.ok) throw new Error(wrongs(answered));
    expect(answered.value.plan.dilution!.stockVolumeL).toBeCloseTo(1.578, 3);
    expect(answered.value.plan.forecast).toBeNull();
    expect(answered.value.plan.notes.join(' ')).toContain('Not measured yet');
    expect(answered.value.plan.notes.join(' ')).toContain(
      'It takes 1.58 L and the bottle has 1.00 L left by the record',
    );
    const little = await workOutPlan(form(await freshPiece(), { volumeL: '2' }));
    if (!little.ok) throw new Error(wrongs(little));
    expect(little.value.plan.notes.join(' ')).not.toContain('It takes');
    const standing = await workOutPlan(form(await freshPiece(), { stands: 'true' }));
    if (!standing.ok) throw new Error(wrongs(standing));
    expect(standing.value.plan.notes.join(' ')).not.toContain('It takes');
    expect(answered.value.day).toBeNull();
  });

  it('a bottle that has stood for a year says how weak it may be; what it was found to hold is what is mixed from', async () => {
    const old = await addStock({ ...BOTTLE, name: 'Old' }, new Date('2025-06-21T10:00:00Z'));
    const planned = async () => {
      const answered = await workOutPlan(form(await freshPiece(), { stockId: old.id, volumeL: '2' }));
      if (!answered.ok) throw new Error(wrongs(answered));
      return answered.value.plan;
    };
    const { notes, dilution } = await planned();
    expect(notes.join(' ')).toContain('“Old”: It has stood for 12 months: by its age about 30.1 % is left');
    await addStrength(old.id, { percentWW: 28, how: 'gas' }, new Date('2026-06-20T10:00:00Z'));
    const tested = await planned();
    expect(tested.notes.join(' ')).not.toContain('has stood');
    expect(tested.dilution!.stockMassKg / dilution!.stockMassKg).toBeCloseTo(35 / 28, 3);
  });

  it('shows the sun’s day where the sun is used', async () => {
    const answered = await workOutPlan(
      form(await freshPiece(), { school: 'bag-sun', targetPercentWW: '6', cloudPercent: '20' }),
    );
    if (!answered.ok) throw new Error(wrongs(answered));
    expect(answered.value.windowStart).toBe('2026-06-21T12:00:00.000Z');
    expect(answered.value.day!.kind).toBe('rises and sets');
    expect(answered.value.plan.dose).toBeGreaterThan(5);
  });

  it.each([
    [{ targetPercentWW: '0' }, 'targetPercentWW'],
    [{ targetPercentWW: '36' }, 'targetPercentWW'],
    [{ temperatureC: '60' }, 'long thin parts bend'],
    [{ windowStart: 'soon' }, 'Give date and time'],
    [{ stockId: '', strengthValue: '' }, 'Choose a bottle'],
    [{ stockId: 'gone' }, 'not in the stores any more'],
    [{ stockId: '', strengthValue: '6', targetPercentWW: '12' }, 'Water only makes it weaker'],
    [{ pieceId: 'gone' }, 'not here any more'],
    [{ durationMin: '0' }, 'durationMin'],
  ])('%j is refused', async (rest, words) => {
    const answered = await workOutPlan(form(await freshPiece(), rest));
    expect(answered.ok).toBe(false);
    expect(wrongs(answered)).toContain(words);
  });

  it('asks for a place before it counts with the sun', async () => {
    await saveWorkshop({ ...TRIAL_WORKSHOP, latitude: null, longitude: null }, tick());
    const answered = await workOutPlan(form(await freshPiece(), { school: 'bag-sun', targetPercentWW: '6' }));
    await saveWorkshop(TRIAL_WORKSHOP, tick());
    expect(wrongs(answered)).toContain('has no place yet');
  });
});

describe('a bath in a tub', () => {
  const tubbed = async (name: string, depthMm: number) => {
    await addTub({ name, lengthMm: 500, widthMm: 400, depthMm }, tick());
    return (await listTubs()).find((tub) => tub.name === name)!.id;
  };

  it('has the litres that cover the piece, less what it pushes aside, and what holds it down', async () => {
    const piece = await trialPiece({ lengthMm: 300, widthMm: 200, heightMm: 60, plastic: 'polystyrene' });
    const tubId = await tubbed('Deep', 150);
    const unweighed = await workOutPlan(form(piece, { tubId }));
    if (!unweighed.ok) throw new Error(wrongs(unweighed));
    expect(unweighed.value.bath!.solutionL).toBeCloseTo(0.5 * 0.4 * 0.08 * 1000, 9);
    const weighed = await workOutPlan(
      form(piece, { tubId, weightG: '630', targetPercentWW: '30', stockId: '', strengthValue: '35' }),
    );
    if (!weighed.ok) throw new Error(wrongs(weighed));
    const { bath, plan: worked } = weighed.value;
    // 630 g of 1.05 g/cm³ push 0.6 L aside, and 30 % peroxide at 1.1122 kg/L lifts them by 37 g.
    expect(bath!.solutionL).toBeCloseTo(16 - 0.6, 9);
    expect(bath!.weightToHoldDownG).toBeCloseTo(600 * 0.0622, 6);
    const { stockMassKg, waterMassKg } = worked.dilution!;
    expect((stockMassKg + waterMassKg) / 1.1122).toBeCloseTo(15.4, 2);
    // What is kept of the start is the bath as it stands, not the litres that a form without a tub would send.
    const bath12 = {
      tubId,
      weightG: '630',
      volumeL: '4',
      cautionsConfirmed: true,
      checks: ['test-piece', 'weighed-down'],
    };
    expect(wrongs(await startSession(form(piece, bath12)))).toBe('');
    expect((await treatmentsOf(piece.restorationId)).map(({ amountMl }) => Math.round(amountMl!))).toEqual([15_400]);
  });

  it('for vapour it is a pool of a centimetre, in a box whose lid closes over the piece', async () => {
    const piece = await trialPiece({ lengthMm: 300, widthMm: 200, heightMm: 60 });
    const vapour = await workOutPlan(form(piece, { tubId: await tubbed('Box', 75), school: 'vapour' }));
    if (!vapour.ok) throw new Error(wrongs(vapour));
    expect(vapour.value.bath).toMatchObject({ fillHeightMm: 10, weightToHoldDownG: 0 });
    expect(vapour.value.bath!.solutionL).toBeCloseTo(0.5 * 0.4 * 0.01 * 1000, 9);
    expect(wrongs(await workOutPlan(form(piece, { tubId: await tubbed('Shallow', 65), school: 'vapour' })))).toContain(
      'its lid does not close',
    );
  });

  it('is not for ways that take none, and a tub that is too low, gone or cannot be judged is refused', async () => {
    const piece = await trialPiece({ lengthMm: 300, widthMm: 200, heightMm: 60 });
    const low = await tubbed('Low', 70);
    expect(wrongs(await workOutPlan(form(piece, { tubId: low })))).toContain(
      'stands 60 mm high and “Low” is 70 mm deep',
    );
    const long = await trialPiece({ lengthMm: 450, widthMm: 420, heightMm: 20 });
    expect(wrongs(await workOutPlan(form(long, { tubId: low })))).toContain(
      '450 × 420 mm and does not lie flat in “Low”, 500 × 400 mm inside',
    );
    const turned = await trialPiece({ lengthMm: 390, widthMm: 480, heightMm: 20 });
    expect(wrongs(await workOutPlan(form(turned, { tubId: low })))).toBe('');
    expect(wrongs(await workOutPlan(form(piece, { tubId: 'gone' })))).toContain('not in the workshop any more');
    expect(wrongs(await workOutPlan(form(await freshPiece(), { tubId: low })))).toContain('Give K1 its height');
    expect(wrongs(await workOutPlan(form(piece, { tubId: low, weightG: '-3' })))).toContain('weightG');
    const bag = await workOutPlan(form(piece, { tubId: low, school: 'bag-sun', targetPercentWW: '6' }));
    if (!bag.ok) throw new Error(wrongs(bag));
    expect(bag.value.bath).toBeNull();
  });
});

describe('an exposure', () => {
  it('does not start before the cautions are confirmed, nor with metal inside', async () => {
    const piece = await freshPiece();
    expect(wrongs(await startSession(form(piece)))).toContain('cautionsConfirmed');
    const { tag, name, plastic, finish, lengthMm, widthMm, heightMm, labels } = piece;
    await changePiece(
      piece.id,
      { tag, name, plastic, finish, lengthMm, widthMm, heightMm, labels, metalInside: 'two threaded inserts' },
      tick(),
    );
    expect(wrongs(await startSession(form(piece, { cautionsConfirmed: true })))).toContain('still metal in K1');
    await changePiece(
      piece.id,
      { tag, name, plastic, finish, lengthMm, widthMm, heightMm, metalInside: '', labels: 'serial plate' },
      tick(),
    );
    const open = wrongs(await startSession(form(piece, { cautionsConfirmed: true, checks: ['test-piece'] })));
    expect(open).toContain('Lifted, or taped over and kept above the solution: serial plate; It is weighed down');
    expect(open).not.toContain('less important');
    expect(await sessionsOf(piece.restorationId)).toEqual([]);
  });

  it('goes from the first measurement over two sessions to its end, and the forecast learns', async () => {
    const piece = await freshPiece();
    await measure(piece, 27, new Date(tick().getTime() - 5 * 3_600_000));
    const began = await startSession(form(piece, { cautionsConfirmed: true, checks: ['test-piece', 'weighed-down'] }));
    if (!began.ok) throw new Error(wrongs(began));
    const timer = (await runningTimers()).find(
      ({ sessionId, kind }) => sessionId === began.value && kind === 'exposure',
    )!;
    await noteTurn(timer.id, tick());
    const [material] = (await ledgerOf(piece.restorationId)).filter(({ kind }) => kind === 'material');
    expect(material).toMatchObject({ words: 'Strong, 1578 mL', amountMinor: 2367 });

    const now = toLocalField(tick().toISOString(), 'Etc/GMT+2');
    const ended = await endSession({
      sessionId: began.value,
      endedAt: now,
      temperatureC: '26',
      cloudPercent: '0',
      words: 'fine',
    });
    expect(wrongs(ended)).toBe('');
    expect(wrongs(await endSession({ sessionId: began.value, endedAt: now }))).toContain('ended already');

    await measure(piece, 19, tick());
    const again = (await findPiece(piece.id))!;
    const yellow = yellowOf(again, await historyOf(again), SCHOOL['bath-lamp'])!;
    expect(yellow).toMatchObject({ startB: 27, targetB: 6, sessions: [{ measuredB: 19 }] });
    const planned = await workOutPlan(form(piece));
    if (!planned.ok) throw new Error(wrongs(planned));
    expect(planned.value.plan.forecast).not.toBeNull();

    const [treatment] = await treatmentsOf(piece.restorationId);
    expect(wrongs(await finishTreatment(treatment!.id, 'good enough'))).toBe('');
    expect((await treatmentsOf(piece.restorationId))[0]).toMatchObject({ endedWhy: 'good enough' });
  });

  it('hours in vapour and doses of light are not added up', async () => {
    const piece = await freshPiece();
    await measure(piece, 27, new Date(tick().getTime() - 3_600_000));
    const known = (await findPiece(piece.id))!;
    const history = await historyOf(known);
    expect(yellowOf(known, history, SCHOOL.vapour)!.sessions).toEqual([]);
    expect(yellowOf({ ...known, hiddenLab: null }, history, SCHOOL.vapour)).toBeNull();
  });
});

describe('choosing the way', () => {
  const sky = (place: { latitude: number; longitude: number }, from: Date, hours: number) =>
    Promise.resolve(simulatedSky(place.latitude, place.longitude, from, hours));

  it('asks for the size first, then compares all eight with what the stores hold', async () => {
    const unsized = await trialPiece();
    expect(await waysFor(unsized, await historyOf(unsized), [], sky, null, tick(), await benchAsItStands())).toBeNull();
    const piece = await trialPiece({
      lengthMm: 300,
      widthMm: 200,
      heightMm: 50,
      labels: 'serial',
      surfaces: ['legend-printed'],
    });
    await measure(piece, 24, tick());
    const known = (await findPiece(piece.id))!;
    const view = (await waysFor(known, await historyOf(known), [], sky, null, tick(), await benchAsItStands()))!;
    expect(view.ways).toHaveLength(8);
    const vapour = view.ways.find(({ school }) => school === 'vapour')!;
    expect(vapour.costMinor).toBeGreaterThan(0);
    expect(vapour.risks).toEqual([{ kind: 'label', label: 'serial', wet: false }, { kind: 'printed legends' }]);
    expect(view.ways.find(({ school }) => school === 'cream-film-sun')!.missing).toContainEqual(
      expect.objectContaining({ kind: 'peroxide', medium: 'cream' }),
    );
  });

  it('rates come from the workshop’s past pieces of the same way, this one left out', async () => {
    const past = await freshPiece();
    await measure(past, 27, new Date(tick().getTime() - 5 * 3_600_000));
    const { id } = await startExposure(
      { ...TRIAL_EXPOSURE, pieceIds: [past.id], school: 'bath-lamp', stockId, lampMwPerCm2: 3 },
      new Date(tick().getTime() - 4 * 3_600_000),
    );
    const endedAt = new Date(tick().getTime() - 2 * 3_600_000).toISOString();
    await endExposure(id, { endedAt, cloudFraction: 0, temperatureC: 25, words: '' }, tick());
    await measure(past, 20, tick());
    const next = await freshPiece();
    const forNext = await pooledFor(SCHOOL['bath-lamp'], next);
    const forItself = await pooledFor(SCHOOL['bath-lamp'], past);
    expect(forNext.pieces).toBe(forItself.pieces + 1);
    expect((await pooledFor(SCHOOL.vapour, next)).pieces).toBe(0);
  });
});

describe('turns and change', () => {
  const asked = (piece: Piece, rest: Record<string, unknown> = {}) => ({
    pieceId: piece.id,
    start: '2026-06-21T10:00',
    durationMin: '180',
    turnEveryMin: '60',
    leanDeg: '60',
    cloudPercent: '0',
    ...rest,
  });

  it('turns follow from the size and the place, and say what is missing', async () => {
    const sized = await trialPiece({ lengthMm: 300, widthMm: 200, heightMm: 50 });
    const answered = await workOutTurns(asked(sized));
    if (!answered.ok) throw new Error(wrongs(answered));
    expect(answered.value.plan.turns).toHaveLength(3);
    expect(answered.value.plan.evenness).toBeGreaterThan(answered.value.plan.neverTurned.evenness);
    expect(wrongs(await workOutTurns(asked(await freshPiece())))).toContain('length, width and height');
    expect(wrongs(await workOutTurns(asked(sized, { turnEveryMin: '1' })))).toContain('turnEveryMin');
    expect(wrongs(await workOutTurns(asked(sized, { start: 'noon' })))).toContain('Give date and time');
  });

  it('a change needs two measurements of the same face', async () => {
    const piece = await freshPiece();
    expect(wrongs(await findChange(piece.id))).toContain('Two measurements with a card are needed');
    expect(wrongs(await predictLook(piece.id))).toContain('Measure it first');
  });
});

describe('rehearsing', () => {
  const tried = (piece: Piece, rest: Record<string, unknown> = {}) => ({
    pieceId: piece.id,
    start: '2026-06-21T10:00',
    durationMin: '240',
    cloudPercent: '0',
    percentWW: '12',
    temperatureC: '30',
    film: 'wrinkled',
    spread: 'even',
    turned: 'by the plan',
    ...rest,
  });

  it('computes the face that would come of it, names the mistake, and sets it beside the best', async () => {
    const answered = await rehearseSession(tried(await freshPiece()));
    if (!answered.ok) throw new Error(wrongs(answered));
    const { url, bestUrl, spread, bestSpread, mistakes, fault, dose } = answered.value;
    expect(url).not.toBe(bestUrl);
    expect(spread).toBeGreaterThan(bestSpread);
    expect(mistakes.join()).toMatch(/wrinkles/);
    expect(fault).toMatch(/folds/);
    expect(dose).toBeGreaterThan(10);
    expect(wrongs(await rehearseSession(tried(await freshPiece(), { durationMin: '0', film: 'foil' })))).toMatch(
      /durationMin.*film/s,
    );
  });

  it('asks each exercise once, grades it by the sun, and keeps the progress', async () => {
    const first = await drawExercise();
    if (!first.ok) throw new Error(wrongs(first));
    expect(first.value).toMatchObject({ seed: 1, done: 0, right: 0 });
    const wrong = await gradeExercise({ seed: 1, answered: 0 });
    if (!wrong.ok) throw new Error(wrongs(wrong));
    const { answer: known, why } = wrong.value;
    expect(wrong.value.right).toBe(known === 0);
    expect(why).toMatch(/^It brings \d/);
    // A second answer to the same exercise changes nothing.
    await gradeExercise({ seed: 1, answered: known });
    const second = await drawExercise();
    if (!second.ok) throw new Error(wrongs(second));
    expect(second.value).toMatchObject({ seed: 2, done: 1, right: known === 0 ? 1 : 0 });
    expect(wrongs(await gradeExercise({ seed: 1, answered: 5 }))).toContain('answered');
  });
});
