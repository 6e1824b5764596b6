import { rm } from 'node:fs/promises';
import { listRestorations } from '@/data/restorations';
import { originalFile } from '@/data/photos/store';
import { findRows } from '@/data/table';
import { besideOf, candidates } from '@/measuring/beside';
import { learnt } from '@/work/learnt';
import { putAway } from '@/work/restorations';
import { freshFolder, removeFolders, trialPiece } from '@/work/trial';
import { loadWorkshop } from '../../demo/workshop';

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
    await freshFolder();
    await loadWorkshop(NOW, () => {});
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
});
