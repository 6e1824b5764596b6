import { listRestorations } from '@/data/restorations';
import { findRows } from '@/data/table';
import { rm } from 'node:fs/promises';
import { originalFile } from '@/data/photos/store';
import { freshFolder, inTrialWorkshop, trialPiece } from '@/work/trial';
import { putAway } from '@/work/restorations';
import { loadWorkshop } from '../../demo/workshop';
import { besideOf, candidates } from './beside';

inTrialWorkshop();

it('two measured pieces have a face and figures; what was never measured has none, and what is gone says so', async () => {
  await freshFolder();
  const now = new Date('2026-06-21T15:00:00Z');
  await loadWorkshop(now, () => {});
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
  expect(plastics.lastIndexOf(true)).toBeLessThan(plastics.includes(false) ? plastics.indexOf(false) : plastics.length);
  expect(await candidates(one.id, '100 %', 9)).toEqual([]);
  expect(await besideOf((await trialPiece()).id)).toBeNull();
  expect(await besideOf('00000000-0000-4000-8000-000000000000')).toBeNull();
  await rm(originalFile((await findRows('photos', { id: beside.last.photoId }))[0]!));
  expect((await besideOf(one.id))!.faceUrl).toBeNull();
  for (const { id } of await listRestorations()) if (id !== one.restorationId) await putAway(id, now);
  const left = await candidates(one.id, '', 99);
  expect(left.every(({ id }) => pieces.find((piece) => piece.id === id)!.restorationId === one.restorationId)).toBe(
    true,
  );
});
