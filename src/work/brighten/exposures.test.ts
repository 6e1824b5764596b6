import { getWorkshop, placeOf } from '@/data/workshop';
import { SCHOOL } from '@/core/session/schools';
import { sessionDose } from '@/core/fade/dose';
import { endExposure, sessionsWith } from './end';
import { freshCoat } from './during';
import { startExposure, writeDownExposure } from './begin';
import { type Correction, correctSession, takeSessionBack } from './right';
import { ledgerOf } from '@/data/ledger';
import { logOf } from '@/data/log';
import { addPiece } from '../pieces';
import type { Piece, Session } from '@/data/rows';
import { addStock } from '../stock';
import { findStock } from '@/data/stock';
import { bringBack } from '../takenBack';
import { takenBackOf } from '@/data/takenBack';
import { noteTurn } from '../timers';
import { runningTimers } from '@/data/timers';
import { sessionsOf, treatmentsOf } from '@/data/treatments';
import { inTrialWorkshop, tick, TRIAL_EXPOSURE, TRIAL_PIECE, TRIAL_WORKSHOP, trialPiece } from '../trial';
import { saveWorkshop } from '../workshop';
import { WEEKDAYS } from '@/core/runsheet/hours';

inTrialWorkshop();

/** Noon at the trial workshop's place. */
const NOON = Date.parse('2026-06-18T14:00:00Z');
const at = (minutes: number) => new Date(NOON + minutes * 60_000);
const iso = (minutes: number) => at(minutes).toISOString();
const exposure = (...pieces: Piece[]) => ({ ...TRIAL_EXPOSURE, pieceIds: pieces.map(({ id }) => id) });
const real = (minutes: number) => ({ endedAt: iso(minutes), cloudFraction: 0, temperatureC: 24, words: '' });
const only = async (piece: Piece): Promise<Session> =>
  (await sessionsOf(piece.restorationId)).filter(({ pieceId }) => pieceId === piece.id)[0]!;
const timersOf = async (sessionId: string) => (await runningTimers()).filter((timer) => timer.sessionId === sessionId);

const bottle = (sizeMl = 1000) =>
  addStock(
    {
      name: 'Tube',
      kind: 'peroxide cream',
      strengthValue: 12,
      strengthUnit: 'percentWW',
      sizeMl,
      priceMinor: 1000,
      words: '',
    },
    tick(),
  );
const cream = (stockId: string, amount: number) =>
  ({
    school: 'cream-film-lamp',
    stockId,
    targetPercentWW: 12,
    lampMwPerCm2: 5,
    plannedMin: 1440,
    turnEveryMin: 540,
    takes: { amount, unit: 'mL', otherwise: '' },
  }) as const;

describe('several pieces in one session', () => {
  it('are one mixture, one bell and one end, with a dose to each', async () => {
    const lid = await trialPiece();
    const base = await addPiece({ ...TRIAL_PIECE, restorationId: lid.restorationId, tag: 'K2', name: 'Base' }, tick());
    const tube = await bottle();
    const takes = { amount: 300, unit: 'mL', otherwise: '' } as const;
    const lead = await startExposure({ ...exposure(lid, base), stockId: tube.id, takes }, at(0));
    expect((await sessionsWith(lead)).map(({ pieceId }) => pieceId)).toEqual([lid.id, base.id]);
    const bells = (await timersOf(lead.id)).filter(({ kind }) => kind === 'exposure');
    expect(bells).toMatchObject([{ label: 'K1 + K2: bag, sun' }]);
    expect((await findStock(tube.id))!.left).toBe(700);
    expect((await ledgerOf(lid.restorationId)).filter(({ kind }) => kind === 'material')).toHaveLength(1);
    await noteTurn(bells[0]!.id, at(30));
    await expect(startExposure(exposure(base), at(31))).rejects.toThrow('already in an exposure');
    const [, follower] = await sessionsWith(lead);
    await endExposure(follower!.id, real(60), at(60));
    const both = await sessionsWith(lead);
    expect(both.map(({ actualMin, turns }) => [actualMin, turns.length])).toEqual([
      [60, 1],
      [60, 1],
    ]);
    expect(both[0]!.dose).toBeGreaterThan(1);
    expect(both[1]!.dose).toBe(both[0]!.dose);
    expect(await timersOf(lead.id)).toEqual([]);
  });

  it('of two machines share what it cost by the number of their pieces', async () => {
    const lid = await trialPiece();
    const other = await trialPiece();
    const more = await addPiece(
      { ...TRIAL_PIECE, restorationId: other.restorationId, tag: 'K2', name: 'Base' },
      tick(),
    );
    const tube = await bottle();
    await startExposure(
      { ...exposure(lid, other, more), stockId: tube.id, takes: { amount: 300, unit: 'mL', otherwise: '' } },
      at(0),
    );
    const paid = async (restorationId: string) =>
      (await ledgerOf(restorationId)).filter(({ kind }) => kind === 'material').map(({ amountMinor }) => amountMinor);
    expect(await paid(lid.restorationId)).toEqual([100]);
    expect(await paid(other.restorationId)).toEqual([200]);
    expect((await findStock(tube.id))!.left).toBe(700);
  });
});

describe('a session with its real times', () => {
  it('that was begun earlier runs from then, and its bell is due by that', async () => {
    const piece = await trialPiece();
    const session = await startExposure({ ...exposure(piece), plannedMin: 120, startedAt: iso(-50) }, at(0));
    expect(session.startedAt).toBe(iso(-50));
    const [bell] = await timersOf(session.id);
    expect(bell).toMatchObject({ startedAt: iso(-50), dueAt: iso(70) });
    expect(bell!.nextReminderAt! >= iso(0)).toBe(true);
  });

  it('that is over is written down with its dose, and nothing rings', async () => {
    const piece = await trialPiece();
    const session = await writeDownExposure({ ...exposure(piece), startedAt: iso(-120) }, real(0), at(300));
    expect(session).toMatchObject({ startedAt: iso(-120), endedAt: iso(0), actualMin: 120 });
    expect(session.dose).toBeGreaterThan(5);
    expect(await timersOf(session.id)).toEqual([]);
  });

  it('does not lie over another of the same piece', async () => {
    const piece = await trialPiece();
    await writeDownExposure({ ...exposure(piece), startedAt: iso(0) }, real(60), at(300));
    await expect(writeDownExposure({ ...exposure(piece), startedAt: iso(30) }, real(90), at(300))).rejects.toThrow(
      'another exposure at that time',
    );
    await expect(startExposure({ ...exposure(piece), startedAt: iso(400) }, at(300))).rejects.toThrow(
      'has not come yet',
    );
    await writeDownExposure({ ...exposure(piece), startedAt: iso(60) }, real(90), at(300));
  });
});

it('a device whose clock goes ahead neither begins nor ends a session in what is still to come', async () => {
  const piece = await trialPiece();
  const session = await startExposure({ ...exposure(piece), startedAt: iso(3) }, at(0));
  expect(session.startedAt).toBe(iso(0));
  await expect(endExposure(session.id, real(66), at(60))).rejects.toThrow('has not come yet');
  const ended = await endExposure(session.id, real(64), at(60));
  expect(ended).toMatchObject({ endedAt: iso(60), actualMin: 60 });
});

describe('a session put right', () => {
  const right = (session: Session, more: Partial<Correction> = {}): Correction => ({
    startedAt: session.startedAt,
    endedAt: session.endedAt,
    cloudFraction: session.cloudFraction,
    lampMwPerCm2: session.lampMwPerCm2,
    temperatureC: session.temperatureC,
    turns: session.turns.length,
    words: '',
    ...more,
  });

  it('has the dose that its real times, sky and lamp bring; the log keeps what it said before', async () => {
    const piece = await trialPiece();
    const { id } = await writeDownExposure({ ...exposure(piece), startedAt: iso(0) }, real(60), at(300));
    const wrong = await only(piece);
    await correctSession(
      id,
      right(wrong, {
        startedAt: iso(-60),
        endedAt: iso(120),
        cloudFraction: 0.5,
        turns: 3,
        words: 'read from the wall sheet',
      }),
      at(400),
    );
    const after = await only(piece);
    const school = SCHOOL['bag-sun'];
    const place = placeOf(await getWorkshop())!;
    expect(after).toMatchObject({ startedAt: iso(-60), endedAt: iso(120), actualMin: 180, cloudFraction: 0.5 });
    expect(after.turns).toHaveLength(3);
    expect(after.turns.every((turn) => turn > iso(-60) && turn < iso(120))).toBe(true);
    expect(after.dose).toBeCloseTo(
      sessionDose(school, {
        place,
        start: at(-60),
        durationMin: 180,
        cloudFraction: 0.5,
        shading: [],
        lampMwPerCm2: 0,
        temperatureC: 24,
      }),
      6,
    );
    const entry = (await logOf(piece.restorationId)).pop()!;
    expect(entry.words).toMatch(/^Corrected: K1 Lid, bag, sun, 180 min/);
    expect(entry.corrects).not.toBeNull();
    expect(entry.data).toMatchObject({ before: { startedAt: iso(0), endedAt: iso(60), dose: wrong.dose } });
  });

  it('cannot end before it began, run into another, or end where it still runs', async () => {
    const piece = await trialPiece();
    await writeDownExposure({ ...exposure(piece), startedAt: iso(-200) }, real(-100), at(300));
    const running = await startExposure({ ...exposure(piece), startedAt: iso(0) }, at(10));
    const [first] = await sessionsOf(piece.restorationId);
    const refused = (session: Session, more: Partial<Correction>) =>
      expect(correctSession(session.id, right(session, more), at(300))).rejects;
    await refused(first!, { endedAt: iso(-300) }).toThrow('ended before it began');
    await refused(first!, { endedAt: iso(20) }).toThrow('another exposure');
    await refused(first!, { endedAt: null }).toThrow('when it really ended');
    await refused(running, { endedAt: iso(20) }).toThrow('still runs');
    await correctSession(running.id, right(running, { startedAt: iso(-30) }), at(20));
    expect((await timersOf(running.id)).map(({ dueAt }) => dueAt)).toContain(iso(30));
  });

  it('that never was goes with its bells and gives back what it took; and comes back as it was', async () => {
    const piece = await trialPiece();
    const tube = await bottle();
    const { id } = await startExposure({ ...exposure(piece), ...cream(tube.id, 120) }, at(0));
    await freshCoat(id, 80, at(30));
    const all = async () => ({
      sessions: await sessionsOf(piece.restorationId),
      treatments: await treatmentsOf(piece.restorationId),
      timers: (await timersOf(id)).sort((a, b) => (a.id < b.id ? -1 : 1)),
      left: (await findStock(tube.id))!.left,
      ledger: await ledgerOf(piece.restorationId),
    });
    const before = await all();
    expect(before.left).toBe(800);
    const taken = await takeSessionBack(id, at(40));
    expect(await all()).toMatchObject({ sessions: [], treatments: [], timers: [], left: 1000 });
    expect(await takenBackOf(piece.restorationId)).toMatchObject([
      { id: taken, what: expect.stringContaining('exposure of K1 Lid') as string },
    ]);
    await bringBack(taken, at(50));
    expect(await all()).toEqual(before);
    await expect(bringBack(taken, at(51))).rejects.toThrow('back already');
    expect(await takenBackOf(piece.restorationId)).toEqual([]);
  });
});

it('each new coat takes its cream, at its share of the price', async () => {
  const piece = await trialPiece();
  const tube = await bottle(500);
  const { id } = await startExposure({ ...exposure(piece), ...cream(tube.id, 100) }, at(0));
  await freshCoat(id, 60, at(90));
  expect((await findStock(tube.id))!.left).toBe(340);
  expect((await only(piece)).coats).toMatchObject([{ at: iso(90), amountMl: 60 }]);
  expect(
    (await ledgerOf(piece.restorationId))
      .filter(({ kind }) => kind === 'material')
      .map(({ amountMinor }) => amountMinor),
  ).toEqual([200, 120]);
  const { id: bag } = await startExposure(exposure(await trialPiece()), at(0));
  await expect(freshCoat(bag, 60, at(10))).rejects.toThrow('takes no cream');
});

it('bells keep to the hours when somebody is there; too warm rings at any hour', async () => {
  const evenings = WEEKDAYS.map(() => ({ fromH: 17.5, toH: 21 }));
  await saveWorkshop({ ...TRIAL_WORKSHOP, hours: evenings }, tick());
  const piece = await trialPiece();
  const tube = await bottle();
  // Begun at 19:00 by the workshop's clock; the coat after nine hours would ring at four in the morning.
  const evening = new Date('2026-06-18T21:00:00Z');
  const { id } = await startExposure(
    { ...exposure(piece), ...cream(tube.id, 100), plannedMin: 2880, warmAt: '2026-06-19T05:00:00.000Z' },
    evening,
  );
  const bells = await timersOf(id);
  expect(bells.find(({ kind }) => kind === 'exposure')!.nextReminderAt).toBe('2026-06-19T19:30:00.000Z');
  expect(bells.map(({ nextReminderAt }) => nextReminderAt)).toContain('2026-06-19T05:00:00.000Z');
  await noteTurn(bells.find(({ kind }) => kind === 'exposure')!.id, new Date('2026-06-19T20:00:00Z'));
  expect((await timersOf(id)).find(({ kind }) => kind === 'exposure')!.nextReminderAt).toBe('2026-06-20T19:30:00.000Z');
  await saveWorkshop(TRIAL_WORKSHOP, tick());
});

it('a clock that was set back does not hold a session that runs: it ends by the clock that it began with', async () => {
  const lid = await trialPiece();
  const lead = await startExposure(exposure(lid), at(0));
  await expect(endExposure(lead.id, real(-60), at(-60))).rejects.toThrow('was set back since it began');
  expect(await endExposure(lead.id, real(45), at(-60))).toMatchObject({ endedAt: iso(45), actualMin: 45 });
});
