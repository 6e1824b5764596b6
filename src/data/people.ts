import { Refusal } from '@/core/refusal';
import { inTransaction } from './connection';
import { appendLog } from './log';
import type { Person } from './rows';
import { addRow, findRows, needRow, removeRows } from './table';

/** The names of the workshop, in the order they came. */
export const listPeople = (): Promise<Person[]> => findRows('people', {}, [['addedAt', 'ASC']]);

export async function addPerson(name: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const people = await findRows('people', {});
    if (people.some((person) => person.name.toLowerCase() === name.toLowerCase()))
      throw new Refusal('name', `${name} is there already. Write the name so that the two can be told apart.`);
    await addRow('people', { name, addedAt: now.toISOString() });
    await appendLog({ restorationId: null, stage: null, kind: 'people', words: `${name} works here.` }, now);
  });
}

/** Takes a name off the list; what that person did keeps it. */
export async function removePerson(id: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { name } = await needRow('people', id);
    await removeRows('people', { id });
    await appendLog(
      { restorationId: null, stage: null, kind: 'people', words: `${name} is not on the list any more.` },
      now,
    );
  });
}
