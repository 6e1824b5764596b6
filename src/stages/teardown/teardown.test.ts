import { teardownOf } from '@/data/teardown';
import { inTrialWorkshop, trialRestoration } from '@/data/trial';
import { wrongs } from '@/edge/wrongs';
import { block, count, forget, off, ownTray, pin, putIntoTray, unblock, undo } from './actions';
import { fastenersCsv, takeInFasteners } from './fasteners';
import { teardownSheet } from './sheet';

jest.mock('next/cache', () => ({ revalidatePath: () => {} }));

inTrialWorkshop();

const SCREWS = { drive: 'cross', head: 'pan', diameterMm: '3', lengthMm: '10', shank: 'tapered', count: '4', fate: 'kept' };

async function apart(...names: string[]): Promise<{ restorationId: string; ids: string[] }> {
  const { id: restorationId } = await trialRestoration();
  const ids: string[] = [];
  for (const name of names) {
    const answered = await off({ restorationId, name, joint: 'screws' });
    if (!answered.ok) throw new Error(wrongs(answered));
    ids.push(answered.value);
  }
  return { restorationId, ids };
}

describe('at the bench', () => {
  it('what is typed badly is refused with its field and what is right', async () => {
    const { restorationId, ids } = await apart('Lid');
    const [stepId] = ids;
    expect(wrongs(await off({ restorationId, name: ' ', joint: 'magic' }))).toMatch(/name: .*what came off.*joint: /is);
    expect(wrongs(await putIntoTray({ stepId, ...SCREWS, count: '0' }))).toMatch(/count: .*at least one/);
    expect(wrongs(await putIntoTray({ stepId, ...SCREWS, count: '10000' }))).toMatch(/count: .*Count again/);
    expect(wrongs(await undo({ stepId, kind: 'plug', way: '' }))).toMatch(/way: .*which way round/i);
    expect(wrongs(await pin({ stepId, photoId: 'x', pins: [{ x: 2, y: 0 }] }))).toMatch(/pins\[0\]\.x/);
    expect(wrongs(await pin({ stepId, photoId: 'nowhere', pins: [] }))).toMatch(/photograph is not here/);
    expect(wrongs(await ownTray({ name: '', columns: '99', rows: '0' }))).toMatch(/name: .*columns: .*rows: /s);
  });

  it('counts up, blocks and unblocks', async () => {
    const { restorationId, ids } = await apart('Lid', 'Shield');
    await putIntoTray({ stepId: ids[0], ...SCREWS });
    const [lot] = (await teardownOf(restorationId)).lots;
    expect(wrongs(await count(lot!.id, 5))).toBe('');
    expect((await teardownOf(restorationId)).lots[0]!.count).toBe(5);
    expect(wrongs(await block({ firstId: ids[0], thenId: ids[0] }))).toMatch(/cannot wait for itself/);
    expect(wrongs(await block({ firstId: ids[0], thenId: ids[1], why: 'tabs' }))).toBe('');
    expect(wrongs(await forget(ids[1]!))).toMatch(/Blocks lean on/);
    expect(wrongs(await unblock((await teardownOf(restorationId)).blocks[0]!.id))).toBe('');
    expect(wrongs(await forget(ids[1]!))).toBe('');
  });
});

describe('fasteners as CSV', () => {
  it('come back as they went out, and are not doubled', async () => {
    const { restorationId, ids } = await apart('Lid', 'Shield, "outer"');
    await putIntoTray({ stepId: ids[0], ...SCREWS });
    await putIntoTray({ stepId: ids[1], ...SCREWS, lengthMm: '6', shank: 'straight', deepestMm: '7.5' });
    const csv = fastenersCsv(await teardownOf(restorationId));
    expect(await takeInFasteners(restorationId, csv)).toEqual({ added: 0, known: 2 });
    const { id } = await trialRestoration();
    expect(await takeInFasteners(id, csv)).toEqual({ added: 2, known: 0 });
    expect(fastenersCsv(await teardownOf(id))).toBe(csv);
    expect((await teardownOf(id)).steps.map(({ name }) => name)).toEqual(['Lid', 'Shield, "outer"']);
  });

  it('are refused whole, with the lines that are wrong', async () => {
    const { id } = await trialRestoration();
    const csv = 'step,drive,head,diameterMm,lengthMm,shank,count\nLid,cross,pan,3,10,tapered,4\n,cross,pan,3,-1,tapered,0\n';
    await expect(takeInFasteners(id, csv)).rejects.toThrow(/Nothing was taken in\. line 3: Step is empty.*line 3: lengthMm.*line 3: count/s);
    await expect(takeInFasteners(id, 'hello')).rejects.toThrow('no row in this file');
    expect((await teardownOf(id)).steps).toEqual([]);
  });
});

it('the sheet lists what came off and the way back, with words that Markdown cannot take for marks', async () => {
  const { restorationId, ids } = await apart('Lid_[x]', 'Rod', 'Cap');
  await putIntoTray({ stepId: ids[0], ...SCREWS });
  await undo({ stepId: ids[0], kind: 'plug', way: 'red *left*' });
  await block({ firstId: ids[1], thenId: ids[2] });
  const sheet = teardownSheet('Trial # 1', await teardownOf(restorationId));
  expect(sheet).toContain('# Trial \\# 1: teardown and rebuild');
  expect(sheet).toContain('1. **Lid\\_\\[x\\]** (screws)');
  expect(sheet).toContain('- [ ] 4 × cross pan, ⌀ 3 × 10 mm, tapered; no longer than 10 mm');
  expect(sheet).toContain('- [ ] plug: red \\*left\\*');
  expect(sheet).toContain('1. [ ] Rod (goes in early, before Cap)\n2. [ ] Cap\n3. [ ] Lid');
});
