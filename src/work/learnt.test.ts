import { findRows } from '@/data/table';
import { learnt } from './learnt';
import { freshFolder, inTrialWorkshop } from './trial';
import { loadWorkshop } from '../../demo/workshop';

inTrialWorkshop();

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

it('the demo workshop: what b* fell by is what was measured, minutes and money are those that were booked', async () => {
  await freshFolder();
  await loadWorkshop(new Date('2026-06-21T15:00:00Z'), () => {});
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
