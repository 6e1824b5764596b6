import { eachAlone } from './eachAlone';

const doubled = (some: readonly number[]) =>
  some.includes(13) ? Promise.reject(new Error('thirteen')) : Promise.resolve(some.map((one) => 2 * one));

it('one that fails is named, and the others stand in their order', async () => {
  const told: string[] = [];
  const write = jest.spyOn(process.stderr, 'write').mockImplementation((text) => told.push(String(text)) > 0);
  expect(await eachAlone([1, 2, 3], doubled)).toEqual({ out: [2, 4, 6], failed: [] });
  expect(told).toEqual([]);
  expect(await eachAlone([1, 13, 3], doubled)).toEqual({ out: [2, 6], failed: [13] });
  expect(told.join()).toContain('thirteen');
  write.mockRestore();
});

it('what fails for all together and for none alone is thrown', async () => {
  const work = (some: readonly number[]) =>
    some.length > 1 ? Promise.reject(new Error('all')) : Promise.resolve(some);
  await expect(eachAlone([1, 2], work)).rejects.toThrow('all');
});
