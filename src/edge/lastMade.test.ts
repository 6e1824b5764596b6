import { lastMade } from './lastMade';

it('hands over what others drove out while it was made, and what is too large to be kept', async () => {
  let go = () => {};
  const later = new Promise<void>((resolve) => (go = resolve));
  const made = lastMade(
    10,
    ({ length }: Buffer) => length,
    async ({ bytes, after }: { bytes: number; after?: Promise<void> }) => {
      await after;
      return Buffer.alloc(bytes);
    },
  );
  const first = made.forceFetch('slow', { context: { bytes: 8, after: later } });
  for (const name of ['a', 'b', 'c']) await made.forceFetch(name, { context: { bytes: 9 } });
  go();
  expect(await first).toHaveLength(8);
  expect(await made.forceFetch('large', { context: { bytes: 40 } })).toHaveLength(40);
  expect(made.calculatedSize).toBeLessThanOrEqual(10);
});
