import { listTrays, teardownOf } from '@/data/teardown';
import { inTrialWorkshop, trialPhoto, trialRestoration, tick } from '@/work/trial';
import { wrongs } from '@/edge/wrongs';
import {
  addOrder,
  recountFasteners,
  removeStep,
  takeStepOff,
  addSortingTray,
  pinFasteners,
  putIntoTray,
  removeOrder,
  addUndone,
} from './actions';
import { fastenersCsv, takeInFasteners } from './fasteners';
import { labelsOf } from './labels';
import { labelsPdf } from './labelsPdf';
import { PAPER_NAMES, PAPERS } from './papers';
import { sheetMarkdown, sheetOf } from './sheet';
import { sheetPdf } from './sheetPdf';

jest.mock('next/cache', () => ({ revalidatePath: () => {} }));

inTrialWorkshop();

const SCREWS = {
  drive: 'cross',
  head: 'pan',
  diameterMm: '3',
  lengthMm: '10',
  shank: 'tapered',
  count: '4',
  fate: 'kept',
};

async function apart(...names: string[]): Promise<{ restorationId: string; ids: string[] }> {
  const { id: restorationId } = await trialRestoration();
  const ids: string[] = [];
  for (const name of names) {
    const answered = await takeStepOff({ restorationId, name, joint: 'screws' });
    if (!answered.ok) throw new Error(wrongs(answered));
    ids.push(answered.value);
  }
  return { restorationId, ids };
}

describe('at the bench', () => {
  it('what is typed badly is refused with its field and what is right', async () => {
    const { restorationId, ids } = await apart('Lid');
    const [stepId] = ids;
    expect(wrongs(await takeStepOff({ restorationId, name: ' ', joint: 'magic' }))).toMatch(
      /name: .*what came off.*joint: /is,
    );
    expect(wrongs(await putIntoTray({ stepId, ...SCREWS, count: '0' }))).toMatch(/count: .*at least one/);
    expect(wrongs(await putIntoTray({ stepId, ...SCREWS, count: '10000' }))).toMatch(/count: .*Count again/);
    expect(wrongs(await addUndone({ stepId, kind: 'plug', way: '' }))).toMatch(/way: .*which way round/i);
    expect(wrongs(await pinFasteners({ stepId, photoId: 'x', pins: [{ x: 2, y: 0 }] }))).toMatch(/pins\[0\]\.x/);
    expect(wrongs(await pinFasteners({ stepId, photoId: 'nowhere', pins: [] }))).toMatch(/photograph is not here/);
    expect(wrongs(await addSortingTray({ name: '', columns: '99', rows: '0' }))).toMatch(/name: .*columns: .*rows: /s);
  });

  it('counts up, blocks and unblocks', async () => {
    const { restorationId, ids } = await apart('Lid', 'Shield');
    await putIntoTray({ stepId: ids[0], ...SCREWS });
    const [lot] = (await teardownOf(restorationId)).lots;
    expect(wrongs(await recountFasteners(lot!.id, 5))).toBe('');
    expect((await teardownOf(restorationId)).lots[0]!.count).toBe(5);
    expect(wrongs(await addOrder({ firstId: ids[0], thenId: ids[0] }))).toMatch(/cannot wait for itself/);
    expect(wrongs(await addOrder({ firstId: ids[0], thenId: ids[1], why: 'tabs' }))).toBe('');
    expect(wrongs(await removeStep(ids[1]!))).toMatch(/Blocks lean on/);
    expect(wrongs(await removeOrder((await teardownOf(restorationId)).blocks[0]!.id))).toBe('');
    expect(wrongs(await removeStep(ids[1]!))).toBe('');
  });
});

describe('fasteners as CSV', () => {
  it('come back as they went out, and are not doubled', async () => {
    const { restorationId, ids } = await apart('Lid', 'Shield, "outer"');
    await putIntoTray({ stepId: ids[0], ...SCREWS });
    await putIntoTray({ stepId: ids[1], ...SCREWS, lengthMm: '6', shank: 'straight', deepestMm: '7.5' });
    const csv = fastenersCsv(await teardownOf(restorationId));
    expect(await takeInFasteners(restorationId, csv, tick())).toEqual({ added: 0, known: 2 });
    const { id } = await trialRestoration();
    expect(await takeInFasteners(id, csv, tick())).toEqual({ added: 2, known: 0 });
    expect(fastenersCsv(await teardownOf(id))).toBe(csv);
    expect((await teardownOf(id)).steps.map(({ name }) => name)).toEqual(['Lid', 'Shield, "outer"']);
  });

  it('are refused whole, with the lines that are wrong', async () => {
    const { id } = await trialRestoration();
    const csv =
      'step,drive,head,diameterMm,lengthMm,shank,count\nLid,cross,pan,3,10,tapered,4\n,cross,pan,3,-1,tapered,0\n';
    await expect(takeInFasteners(id, csv, tick())).rejects.toThrow(
      /Nothing was taken in\. line 3: Step is empty.*line 3: lengthMm.*line 3: count/s,
    );
    await expect(takeInFasteners(id, 'hello', tick())).rejects.toThrow('no row in this file');
    expect((await teardownOf(id)).steps).toEqual([]);
  });
});

it('the sheet lists what came off and the way back, with words that Markdown cannot take for marks', async () => {
  const { restorationId, ids } = await apart('Lid_[x]', 'Rod', 'Cap');
  await putIntoTray({ stepId: ids[0], ...SCREWS });
  await addUndone({ stepId: ids[0], kind: 'plug', way: 'red *left*' });
  await addOrder({ firstId: ids[1], thenId: ids[2] });
  const sheet = sheetMarkdown(sheetOf('Trial # 1', await teardownOf(restorationId)));
  expect(sheet).toContain('# Trial \\# 1: teardown and rebuild');
  expect(sheet).toContain('1. **Lid\\_\\[x\\]** (screws)');
  expect(sheet).toContain('- [ ] 4 × cross pan, ⌀ 3 × 10 mm, tapered; no longer than 10 mm');
  expect(sheet).toContain('- [ ] plug: red \\*left\\*');
  expect(sheet).toContain('1. [ ] Rod (goes in early, before Cap)\n2. [ ] Cap\n3. [ ] Lid');
});

describe('on paper', () => {
  const pagesOf = (file: Buffer) => file.toString('latin1').match(/\/Type \/Page\n/g)?.length ?? 0;
  const sizesOf = (file: Buffer) =>
    [...file.toString('latin1').matchAll(/\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/g)].map(([, width, height]) =>
      [width, height].map((points) => Math.round((Number(points) * 25.4) / 72)),
    );

  it('every lot has a label with its place, its hole and a code for its step; a tray has one too', async () => {
    const { restorationId, ids } = await apart('Lid screws', 'Shield screws');
    await putIntoTray({ stepId: ids[0], ...SCREWS });
    const before = await teardownOf(restorationId);
    expect(
      labelsOf({ id: restorationId, title: 'Trial machine' }, before, await listTrays()).map(({ tag }) => tag),
    ).toEqual(['Bag 1']);
    // A new tray takes what lies about, of this machine and of others.
    await addSortingTray({ name: 'Label tray', columns: '6', rows: '3' });
    await putIntoTray({ stepId: ids[1], ...SCREWS, lengthMm: '26', deepestMm: '27' });
    const labels = labelsOf(
      { id: restorationId, title: 'Trial machine' },
      await teardownOf(restorationId),
      await listTrays(),
    );
    expect(labels.map(({ tag }) => tag)).toEqual([
      'Label tray',
      expect.stringMatching(/^Label tray [ABC]\d$/),
      expect.stringMatching(/^Label tray [ABC]\d$/),
    ]);
    expect(labels[2]).toMatchObject({
      title: '2 Shield screws',
      path: `/restorations/${restorationId}/teardown?step=${ids[1]}`,
    });
    expect(labels[2]!.words).toEqual(['4 × cross pan, ⌀ 3 × 26 mm, tapered', 'no longer than 27 mm', 'Trial machine']);
    for (const [paper, pages, size] of [
      ['a4', 1, [210, 297]],
      ['letter', 1, [216, 279]],
      ['roll62', 3, [62, 46]],
    ] as const) {
      const file = await labelsPdf(labels, paper, 'http://127.0.0.1:3000');
      expect(pagesOf(file)).toBe(pages);
      expect(sizesOf(file)).toEqual(new Array(pages).fill(size));
    }
  });

  it.each(PAPER_NAMES)('labels fill %s sheet after sheet, none lost on a page of its own', async (paper) => {
    const { columns, rows } = PAPERS[paper];
    const label = { tag: 'Bag 1', title: '1 Lid', words: ['4 × cross'], lot: null, path: '/' };
    for (const sheets of [1, 2])
      expect(
        pagesOf(await labelsPdf(new Array(columns * rows * sheets).fill(label), paper, 'http://127.0.0.1:3000')),
      ).toBe(sheets);
  });

  it('the sheet takes photographs with their pins, and names from anywhere', async () => {
    const { restorationId, ids } = await apart('Łódka, Ångström, Δ, крышка', 'Rod');
    const photo = await trialPhoto(restorationId);
    await pinFasteners({ stepId: ids[0], photoId: photo.id, pins: [{ x: 0.2, y: 0.3 }] });
    const file = await sheetPdf(sheetOf('Trial', await teardownOf(restorationId)));
    expect(pagesOf(file)).toBe(1);
    expect(file.toString('latin1')).toContain('/Subtype /Image');
    const plain = await sheetPdf(sheetOf('Trial', { ...(await teardownOf(restorationId)), steps: [] }));
    expect(plain.toString('latin1')).not.toContain('/Subtype /Image');
  });
});
