import { inPool } from '@/data/heavyPool';
import { pdf } from './pdf';

jest.mock('@/data/heavyPool', () => ({
  inPool: jest.fn((_: string, document: { footerTitle: string }) => Promise.resolve(Buffer.from(document.footerTitle))),
}));

const made = jest.mocked(inPool);

it('makes a sheet once as long as nothing on it is another, and anew as soon as anything is', async () => {
  const sheet = { footerTitle: 'Slab', content: [{ text: 'b* 12' }] };
  const first = await pdf(sheet);
  expect(first.toString()).toBe('Slab');
  expect(await pdf(structuredClone(sheet))).toBe(first);
  expect(made).toHaveBeenCalledTimes(1);
  await pdf({ ...sheet, content: [{ text: 'b* 13' }] });
  expect((await pdf({ ...sheet, footerTitle: 'Desk' })).toString()).toBe('Desk');
  expect(made).toHaveBeenCalledTimes(3);
});

it('keeps nothing of one that failed', async () => {
  made.mockRejectedValueOnce(new Error('no worker'));
  await expect(pdf({ content: 'later' })).rejects.toThrow('no worker');
  await expect(pdf({ content: 'later', footerTitle: 'now' })).resolves.toEqual(Buffer.from('now'));
});

it('makes a sheet that two ask for at once one time', async () => {
  made.mockClear();
  const sheet = { footerTitle: 'Pocket', content: 'tray 4' };
  const [one, other] = await Promise.all([pdf(sheet), pdf(structuredClone(sheet))]);
  expect(other).toBe(one);
  expect(made).toHaveBeenCalledTimes(1);
});
