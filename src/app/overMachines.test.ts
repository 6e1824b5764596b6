import { rm } from 'node:fs/promises';
import { Op } from 'sequelize';
import { deletedRestorations, goneRestorations } from '@/data/putAway';
import { isThere } from '@/data/isThere';
import { findRestoration, listRestorations, restorationsPage } from '@/data/restorations';
import { database } from '@/data/connection';
import { originalFile } from '@/data/photos/store';
import { addRow, changeRow, countRows, findRows } from '@/data/table';
import { TABLES, type TableName } from '@/data/tables';
import { besideOf, candidates } from '@/measuring/beside';
import { learnt } from '@/work/learnt';
import { deleteRestoration, letDeletedGo } from '@/work/deleted';
import { checkAll } from '@/work/keeping/keeping';
import { bringOut, putAway } from '@/work/restorations';
import { freshFolder, removeFolders, trialPiece } from '@/work/trial';
import { demoForTests } from '../../demo/forTests';

const NOW = new Date('2026-06-21T15:00:00Z');

afterAll(removeFolders);

it('an empty workshop has learnt nothing, and says so by its bands', async () => {
  await freshFolder();
  expect(await learnt()).toMatchObject({
    ...{ ways: [], agents: [], repairs: [], stages: [], worth: [] },
    forecasts: [
      { what: 'dose', share: { of: 0, share: null, low: 0, high: 1 } },
      { what: 'minutes', share: { of: 0, share: null } },
    ],
  });
});

describe('the demo workshop, loaded once', () => {
  beforeAll(async () => {
    await demoForTests();
  }, 600_000);

  it('what b* fell by is what was measured, minutes and money are those that were booked', async () => {
    const { ways, agents, stages, worth, repairs } = await learnt();
    const bag = ways.find(({ school, pieces }) => school === 'bag-sun' && pieces > 0)!;
    expect(bag.fell.least).toBeLessThanOrEqual(bag.fell.middle);
    expect(bag.fell.middle).toBeLessThanOrEqual(bag.fell.most);
    // Of a piece with one treatment: what it stood at before less what it came to.
    const rows = await findRows('measurements', {}, [['measuredAt', 'ASC']]);
    const treatments = await findRows('treatments');
    const sessions = await findRows('sessions');
    const fell = treatments.flatMap(({ id, pieceId, startMeasurementId, school }) => {
      const start = rows.find((row) => row.id === startMeasurementId);
      const ends = sessions
        .filter((one) => one.treatmentId === id && one.endedAt !== null)
        .map(({ endedAt }) => endedAt!);
      const after = rows.find(
        (row) =>
          row.pieceId === pieceId && ends.length > 0 && row.measuredAt >= ends.sort().at(-1)! && row.deltaB !== null,
      );
      return school === 'bag-sun' && start && after ? [start.deltaB! - after.deltaB!] : [];
    });
    expect(fell.length).toBe(
      ways.filter(({ school }) => school === 'bag-sun').reduce((sum, { pieces }) => sum + pieces, 0),
    );
    expect(Math.max(...fell)).toBeCloseTo(
      Math.max(...ways.filter(({ school }) => school === 'bag-sun').map((way) => way.fell.most)),
      6,
    );
    const ledger = await findRows('ledger');
    for (const { stage, minutes } of stages)
      expect(minutes).toBe(
        ledger.filter((entry) => entry.stage === stage).reduce((sum, entry) => sum + entry.minutes, 0),
      );
    expect(worth.map(({ title }) => title)).toEqual(['Pellwig Pocket']);
    for (const { share } of [...agents, ...repairs]) {
      expect(share.of).toBeGreaterThan(0);
      expect(share.low).toBeLessThanOrEqual(share.share! + 1e-9);
    }
  });

  it('two measured pieces have a face and figures; what was never measured has none, and what is gone says so', async () => {
    const pieces = await findRows('pieces');
    const measured = new Set((await findRows('measurements')).map(({ pieceId }) => pieceId));
    const [one, other] = pieces.filter(({ id }) => measured.has(id)) as [(typeof pieces)[0], (typeof pieces)[0]];
    const beside = (await besideOf(one.id))!;
    expect(beside.faceUrl).toMatch(/^data:image\/png;base64,/);
    expect(beside.first.measuredAt <= beside.last.measuredAt).toBe(true);
    const ids = (await candidates(one.id, '', 99)).map(({ id }) => id);
    expect(ids).toContain(other.id);
    expect(ids).not.toContain(one.id);
    expect(ids.every((id) => measured.has(id))).toBe(true);
    // Those of the same plastic come first.
    const plastics = ids.map((id) => pieces.find((piece) => piece.id === id)!.plastic === one.plastic);
    expect(plastics.lastIndexOf(true)).toBeLessThan(
      plastics.includes(false) ? plastics.indexOf(false) : plastics.length,
    );
    expect(await candidates(one.id, '100 %', 9)).toEqual([]);
    expect(await besideOf((await trialPiece()).id)).toBeNull();
    expect(await besideOf('00000000-0000-4000-8000-000000000000')).toBeNull();
    await rm(originalFile((await findRows('photos', { id: beside.last.photoId }))[0]!));
    expect((await besideOf(one.id))!.faceUrl).toBeNull();
    for (const { id } of await listRestorations()) if (id !== one.restorationId) await putAway(id, NOW);
    const left = await candidates(one.id, '', 99);
    expect(left.every(({ id }) => pieces.find((piece) => piece.id === id)!.restorationId === one.restorationId)).toBe(
      true,
    );
  });

  it('a deleted machine is there for 30 days, whole; then only its log, and what the stores and the others have of it', async () => {
    const [machine] = await findRows('restorations', { title: 'Brimsel Nine' });
    const { id } = machine!;
    const others = async () => ({
      pieces: await countRows('pieces', { restorationId: { [Op.ne]: id } }),
      sessions: await countRows('sessions', { restorationId: { [Op.ne]: id } }),
      measurements: await countRows('measurements', { restorationId: { [Op.ne]: id } }),
      movements: await countRows('movements'),
      learntOf: await countRows('learnt_rates', { restorationId: { [Op.ne]: id } }),
    });
    const [shared, own] = await findRows('photos', { restorationId: id });
    const [other] = await findRows('restorations', { id: { [Op.ne]: id } });
    // The same photograph belongs to another machine too.
    await addRow('photos', { ...shared!, ...{ id: 'shared', restorationId: other!.id, pieceId: null } });
    const session = (await findRows('sessions', { restorationId: id, leadId: null }))[0]!;
    const follower = (await findRows('sessions', { restorationId: { [Op.ne]: id }, leadId: null }))[0]!;
    await changeRow('sessions', { id: follower.id }, { leadId: session.id });
    const before = await others();
    const log = await countRows('log', { restorationId: id });
    await bringOut(id, NOW);
    await deleteRestoration(id, NOW);
    const day = (days: number) => new Date(NOW.getTime() + days * 86_400_000);
    await letDeletedGo(day(29.9));
    expect(await findRestoration(id)).toEqual(machine);
    expect(await deletedRestorations()).toMatchObject([{ id, title: 'Brimsel Nine', goesAt: day(30).toISOString() }]);
    await bringOut(id, day(1));
    await letDeletedGo(day(40));
    expect(await findRestoration(id)).toEqual(machine);
    await deleteRestoration(id, day(40));
    await deleteRestoration(id, day(50));
    expect(await letDeletedGo(day(70))).toBeGreaterThan(0);
    expect(await findRestoration(id)).toBeNull();
    const left: Record<string, number> = {};
    for (const name of Object.keys(TABLES) as TableName[])
      if ('restorationId' in TABLES[name].columns) {
        const rows = await countRows(name, { restorationId: id });
        if (rows > 0) left[name] = rows;
      }
    // The words of its log, and its title.
    const lessons = await countRows('lessons', { restorationId: id });
    expect(left).toMatchObject({ log: log + 5, movements: expect.any(Number) as number });
    expect(left.found_words).toBe(log + 5 + lessons + 1);
    expect(Object.keys(left).filter((name) => !/^(log|movements|found_words|lessons|lesson_uses)$/.test(name))).toEqual(
      [],
    );
    // The index is held against the words themselves.
    const { sequelize } = await database();
    await sequelize.query(`INSERT INTO found (found, rank) VALUES ('integrity-check', 1)`);
    expect(await others()).toEqual(before);
    expect((await findRows('sessions', { id: follower.id }))[0]).toEqual({ ...follower, leadId: null });
    expect((await findRows('restorations', { id }))[0]).toMatchObject({
      title: 'Brimsel Nine',
      machine: '',
      owner: '',
    });
    expect([await isThere(originalFile(shared!)), await isThere(originalFile(own!))]).toEqual([true, false]);
    expect((await goneRestorations()).map((one) => one.id)).toEqual([id]);
    await expect(bringOut(id, day(71))).rejects.toThrow('gone for good');
    expect((await restorationsPage('put away', '', 0, 99)).restorations.map((one) => one.id)).not.toContain(id);
    expect((await restorationsPage('all', '', 0, 99)).restorations.map((one) => one.id)).not.toContain(id);
    // Of what is wrong nothing came by this: the photograph that was removed above is named, and no more.
    expect((await checkAll()).wrong.map(({ kind }) => kind).filter((kind) => kind !== 'photo missing')).toEqual([]);
    const [closed] = await findRows('restorations', { title: 'Pellwig Pocket' });
    expect((await learnt()).worth.map(({ title }) => title)).toEqual(['Pellwig Pocket']);
    await deleteRestoration(closed!.id, day(71));
    await letDeletedGo(day(102));
    expect((await learnt()).worth).toEqual([]);
    for (const one of await findRows('restorations')) await deleteRestoration(one.id, day(102));
    await letDeletedGo(day(133));
    expect([await countRows('photos'), await countRows('sessions'), await countRows('stages')]).toEqual([0, 0, 0]);
  });
});
