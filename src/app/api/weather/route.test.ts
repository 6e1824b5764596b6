import { keepHours } from '@/work/workshop';
import { inTrialWorkshop, tick } from '@/work/trial';
import { GET } from './route';

inTrialWorkshop();

const ask = async (query: string) => {
  const response = await GET(new Request(`http://127.0.0.1/api/weather?${query}`));
  return {
    status: response.status,
    body: (await response.json()) as {
      hours?: { at: string; cloud: number; own: boolean }[];
      errors?: { message: string }[];
    },
  };
};

it('gives the cloud hour by hour, the same for the same place and hour', async () => {
  const first = await ask('from=2026-06-21T00:00:00Z&hours=48');
  expect(first.status).toBe(200);
  expect(first.body.hours).toHaveLength(48);
  expect(first.body.hours!.every(({ cloud }) => cloud >= 0 && cloud <= 1)).toBe(true);
  expect(await ask('from=2026-06-21T00:00:00Z&hours=48')).toEqual(first);
  const elsewhere = await ask('from=2026-06-21T00:00:00Z&hours=48&latitude=60&longitude=10');
  expect(elsewhere.body.hours).not.toEqual(first.body.hours);
});

it('a look of one’s own goes before it', async () => {
  await keepHours([{ at: new Date('2026-06-21T10:00:00Z'), cloud: 0.05 }], 'look', 'clear', tick());
  await keepHours([{ at: new Date('2026-06-21T10:00:00Z'), cloud: 0.1 }], 'look', 'looked again', tick());
  const { body } = await ask('from=2026-06-21T09:00:00Z&hours=3');
  expect(body.hours!.map(({ own }) => own)).toEqual([false, true, false]);
  expect(body.hours![1]!.cloud).toBe(0.1);
});

it('says what is wrong with a question', async () => {
  for (const query of [
    '',
    'from=soon',
    'from=2026-06-21&hours=0',
    'from=2026-06-21&latitude=91&longitude=1',
    'from=2026-06-21&latitude=9',
  ]) {
    const { status, body } = await ask(query);
    expect(status).toBe(400);
    expect(body.errors![0]!.message.length).toBeGreaterThan(10);
  }
});
