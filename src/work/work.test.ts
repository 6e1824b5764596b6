import { stagesOf } from '@/data/stages';
import { addFinding, settleFinding } from './findings';
import { QueryTypes } from 'sequelize';
import sharp from 'sharp';
import { caution } from '@/core/peroxide/cautions';
import { select } from '@/data/table';
import { database } from '@/data/connection';
import { writeNote } from './notes';
import { logOf } from '@/data/log';
import { PLAIN, addPiece } from './pieces';
import { addPhoto } from './photos';
import { readOriginal, readThumbnail } from '@/data/photos/store';
import { settleStage } from './stages';
import { TABLES } from '@/data/tables';
import { ledgerOf } from '@/data/ledger';
import { keptIn } from './brighten/looks';
import { looksDue, looksOf } from '@/data/looks';
import { endTimer, noteTurn, startTimer } from './timers';
import { runningTimers } from '@/data/timers';
import { inTrialWorkshop, trialPiece, trialRestoration, tick } from './trial';
import { endExposure } from './brighten/end';
import { readWarmth } from './brighten/during';
import { type StartExposure, startExposure } from './brighten/begin';
import { endTreatment } from './brighten/treatments';
import { sessionsOf, treatmentsOf } from '@/data/treatments';

inTrialWorkshop();

const START: Omit<StartExposure, 'pieceIds'> = {
  school: 'cream-film-sun',
  stockId: null,
  stockPercentWW: 11.7,
  targetPercentWW: 11.7,
  amountMl: 500,
  toleranceB: 1.5,
  plannedMin: 120,
  turnEveryMin: 30,
  cloudFraction: 0,
  lampMwPerCm2: 0,
  temperatureC: 25,
  cautions: [caution('peroxide-stings')],
  checks: [],
};

describe('the database', () => {
  it('has the tables that the models speak of, with foreign keys and write-ahead log', async () => {
    const { sequelize } = await database();
    for (const [table, { columns }] of Object.entries(TABLES)) {
      const held = await select<{ name: string }>('SELECT name FROM pragma_table_info(:table)', { table });
      expect(held.map(({ name }) => name).sort()).toEqual(Object.keys(columns).sort());
    }
    const pragma = (name: string) =>
      sequelize.query<Record<string, unknown>>(`PRAGMA ${name}`, { type: QueryTypes.SELECT });
    expect(await pragma('foreign_keys')).toEqual([{ foreign_keys: 1 }]);
    expect(await pragma('journal_mode')).toEqual([{ journal_mode: 'wal' }]);
  });

  it('refuses what points nowhere', async () => {
    const { tables } = await database();
    await expect(
      tables.pieces.create({
        id: 'x',
        restorationId: 'nobody',
        tag: 'K9',
        name: '',
        plastic: '',
        finish: '',
        labels: '',
        metalInside: '',
        ...PLAIN,
      }),
    ).rejects.toThrow(/FOREIGN KEY/);
  });

  it('keeps the log: no entry can be changed or taken out', async () => {
    const { sequelize } = await database();
    await expect(sequelize.query("UPDATE log SET words = 'other'")).rejects.toMatchObject({
      parent: { message: expect.stringContaining('append-only') as string },
    });
    await expect(sequelize.query('DELETE FROM log')).rejects.toMatchObject({
      parent: { message: expect.stringContaining('append-only') as string },
    });
  });

  it('lets many write at once without losing one', async () => {
    const { id } = await trialRestoration();
    await Promise.all(
      Array.from({ length: 12 }, (_, i) =>
        writeNote({ restorationId: id, stage: 'wash', words: `note ${i}`, corrects: null }, tick()),
      ),
    );
    expect((await logOf(id)).filter(({ kind }) => kind === 'note')).toHaveLength(12);
  });
});

describe('a restoration', () => {
  it('opens with nine stages, its price in the ledger and an entry in the log', async () => {
    const { id } = await trialRestoration();
    expect((await stagesOf(id)).map(({ stage }) => stage)).toEqual([
      'intake',
      'teardown',
      'wash',
      'brighten',
      'keys',
      'mend',
      'finish',
      'rebuild',
      'record',
    ]);
    expect(await ledgerOf(id)).toMatchObject([{ kind: 'price', amountMinor: 2500 }]);
    expect((await logOf(id))[0]!.words).toContain('Trial machine');
  });

  it('skips a stage only with a reason, and a finding only with words', async () => {
    const { id } = await trialRestoration();
    await expect(settleStage(id, 'keys', 'not needed', null, tick())).rejects.toThrow('why this stage is not needed');
    await settleStage(id, 'keys', 'not needed', 'no keys', tick());
    expect((await stagesOf(id)).find(({ stage }) => stage === 'keys')).toMatchObject({
      state: 'not needed',
      reason: 'no keys',
    });
    const finding = await addFinding(
      { restorationId: id, pieceId: null, stage: 'intake', kind: 'rust', words: 'bottom', severity: 'bad' },
      tick(),
    );
    await expect(settleFinding(finding.id, 'left on purpose', '', tick())).rejects.toThrow('why');
  });

  it('gives a tag only once', async () => {
    const piece = await trialPiece({ tag: 'K7' });
    await expect(addPiece({ ...piece, name: 'Other' }, tick())).rejects.toThrow('already on Lid');
  });

  it('rewords a note and keeps the old one', async () => {
    const { id } = await trialRestoration();
    await writeNote({ restorationId: id, stage: 'wash', words: 'first', corrects: null }, tick());
    const old = (await logOf(id)).find(({ words }) => words === 'first')!;
    await writeNote({ restorationId: id, stage: 'wash', words: 'better', corrects: old.id }, tick());
    expect(
      (await logOf(id)).filter(({ kind }) => kind === 'note').map(({ words, corrects }) => [words, corrects]),
    ).toEqual([
      ['first', null],
      ['better', old.id],
    ]);
    await expect(
      writeNote({ restorationId: id, stage: 'wash', words: 'x', corrects: 999_999 }, tick()),
    ).rejects.toThrow('not in this log');
  });
});

describe('an exposure', () => {
  const began = new Date('2026-03-21T12:00:00Z');
  const after = (minutes: number) => new Date(began.getTime() + minutes * 60_000);
  const real = (minutes: number) => ({
    endedAt: after(minutes).toISOString(),
    cloudFraction: 0.2,
    temperatureC: 28,
    words: '',
  });

  it('runs with a timer, takes turns, and ends with the dose that really fell', async () => {
    const piece = await trialPiece();
    const session = await startExposure({ ...START, pieceIds: [piece.id] }, began);
    const timer = (await runningTimers()).find(
      ({ sessionId, kind }) => sessionId === session.id && kind === 'exposure',
    )!;
    expect(timer.dueAt).toBe(after(120).toISOString());
    await noteTurn(timer.id, after(31));
    await noteTurn(timer.id, after(95));
    expect((await runningTimers()).find(({ id }) => id === timer.id)!.nextReminderAt).toBeNull();
    const ended = await endExposure(session.id, real(90), after(91));
    expect(ended.actualMin).toBe(90);
    expect(ended.dose).toBeGreaterThan(3);
    expect((await sessionsOf(piece.restorationId))[0]!.turns).toHaveLength(2);
    expect((await runningTimers()).some(({ id }) => id === timer.id)).toBe(false);
    await expect(endTimer(timer.id, tick())).rejects.toThrow('belongs to an exposure');
  });

  it('asks to be looked after by the clock, beside its turns, until it ends', async () => {
    const piece = await trialPiece();
    const session = await startExposure({ ...START, pieceIds: [piece.id], plannedMin: 400 }, began);
    const tending = async () =>
      (await runningTimers()).filter(({ sessionId, kind }) => sessionId === session.id && kind === 'other');
    const [timer] = await tending();
    expect(timer).toMatchObject({ nextReminderAt: after(120).toISOString(), dueAt: after(400).toISOString() });
    expect(timer!.atTheBell).toMatch(/brush fresh cream on where it has dried/);
    await noteTurn(timer!.id, after(130));
    expect((await tending())[0]!.nextReminderAt).toBe(after(250).toISOString());
    expect((await sessionsOf(piece.restorationId))[0]!.turns).toEqual([]);
    await endExposure(session.id, real(395), after(396));
    expect(await tending()).toEqual([]);
  });

  it('rings when it may get too warm, as it was expected at the start', async () => {
    const piece = await trialPiece();
    const session = await startExposure({ ...START, pieceIds: [piece.id], warmAt: after(45).toISOString() }, began);
    const bell = (await runningTimers()).find(({ sessionId, kind }) => sessionId === session.id && kind === 'other')!;
    expect(bell).toMatchObject({ nextReminderAt: after(45).toISOString(), remindEveryMin: 30 });
    expect(bell.atTheBell).toContain('shade it or vent it');
    await endExposure(session.id, real(60), after(61));
  });

  it('takes what a thermometer read while it runs, and not when it is over or the clock is behind', async () => {
    const piece = await trialPiece();
    const session = await startExposure({ ...START, pieceIds: [piece.id] }, began);
    await readWarmth(session.id, 41, after(30));
    await readWarmth(session.id, 44, after(60));
    expect((await sessionsOf(piece.restorationId))[0]!.readings).toEqual([
      { at: after(30).toISOString(), temperatureC: 41 },
      { at: after(60).toISOString(), temperatureC: 44 },
    ]);
    await expect(readWarmth(session.id, 41, after(-600))).rejects.toThrow('Set the clock of this device right');
    await endExposure(session.id, real(90), after(91));
    await expect(readWarmth(session.id, 41, after(92))).rejects.toThrow('This exposure is over');
  });

  it('once its treatment is over it is to be looked at again in 6 and 12 months, and a measurement then answers', async () => {
    const piece = await trialPiece();
    const session = await startExposure({ ...START, pieceIds: [piece.id] }, began);
    await endExposure(session.id, real(90), after(91));
    const [treatment] = await treatmentsOf(piece.restorationId);
    await endTreatment(treatment!.id, 'matched', after(100));
    await expect(endTreatment(treatment!.id, 'matched', after(101))).rejects.toThrow('ended already');
    expect((await looksOf(piece.restorationId)).map(({ dueAt }) => dueAt.slice(0, 7))).toEqual(['2026-09', '2027-03']);
    await keptIn(piece.id, 'light', after(102));
    expect((await looksOf(piece.restorationId)).map(({ storage }) => storage)).toEqual(['light', 'light']);
    const mine = async (now: string) =>
      (await looksDue(new Date(now), 99)).filter(({ pieceId }) => pieceId === piece.id).length;
    expect([await mine('2026-06-01'), await mine('2026-09-30'), await mine('2027-06-01')]).toEqual([0, 1, 2]);
  });

  it('is one at a time for a piece, and ends once', async () => {
    const piece = await trialPiece();
    const session = await startExposure({ ...START, pieceIds: [piece.id] }, began);
    await expect(startExposure({ ...START, pieceIds: [piece.id] }, began)).rejects.toThrow('already in an exposure');
    const both = await Promise.allSettled([
      endExposure(session.id, real(60), after(61)),
      endExposure(session.id, real(60), after(61)),
    ]);
    expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
    expect(await treatmentsOf(piece.restorationId)).toHaveLength(1);
  });

  it.each([
    [-5, 'ended before it began'],
    [500, 'has not come yet'],
  ])('that ended %d minutes after its start is refused', async (minutes, words) => {
    const piece = await trialPiece();
    const session = await startExposure({ ...START, pieceIds: [piece.id] }, began);
    await expect(endExposure(session.id, real(minutes), after(120))).rejects.toThrow(words);
  });

  it('that ended in the minute of its start brings nothing, and is asked about', async () => {
    const piece = await trialPiece();
    const session = await startExposure({ ...START, pieceIds: [piece.id] }, new Date(began.getTime() + 48_000));
    await expect(endExposure(session.id, real(0), after(1))).rejects.toThrow('take the session back');
    expect((await sessionsOf(piece.restorationId))[0]!.endedAt).toBeNull();
  });

  it('a timer of one’s own starts and ends', async () => {
    const timer = await startTimer(
      { restorationId: null, pieceId: null, label: 'soak', atTheBell: 'rinse', minutes: 15 },
      tick(),
    );
    await endTimer(timer.id, tick());
    await endTimer(timer.id, tick());
    expect((await runningTimers()).some(({ id }) => id === timer.id)).toBe(false);
  });
});

describe('photographs', () => {
  it('are kept byte for byte, upright in small, with the camera’s time in the workshop’s zone', async () => {
    const { id } = await trialRestoration();
    const bytes = await sharp({ create: { width: 60, height: 90, channels: 3, background: '#d5cdb0' } })
      .withMetadata({ orientation: 6, exif: { IFD2: { DateTimeOriginal: '2026:06:21 10:30:00' } } })
      .jpeg()
      .toBuffer();
    const photo = await addPhoto(
      { restorationId: id, pieceId: null, stage: 'intake', originalName: 'a.jpg', words: '', bytes },
      tick(),
    );
    expect(photo).toMatchObject({ width: 90, height: 60, takenAt: '2026-06-21T12:30:00.000Z', mime: 'image/jpeg' });
    expect((await readOriginal(photo)).equals(bytes)).toBe(true);
    const small = await sharp(await readThumbnail(photo, 'small')).metadata();
    expect([small.width, small.height]).toEqual([90, 60]);
  });
});
