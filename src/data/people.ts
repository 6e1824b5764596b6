import { Refusal } from '@/core/refusal';
import { database, inTransaction } from './connection';
import { appendLog } from './log';
import type { Person } from './rows';
import { addRow, findRows, needRow } from './table';

/** The names of the workshop, in the order they came. */
export const listPeople = (): Promise<Person[]> => findRows('people', {}, [['addedAt', 'ASC']]);

export async function addPerson(name: string, now = new Date()): Promise<void> {
  await inTransaction(async (transaction) => {
    const people = await findRows('people', {}, undefined, transaction);
    if (people.some((person) => person.name.toLowerCase() === name.toLowerCase()))
      throw new Refusal('name', `${name} is there already. Write the name so that the two can be told apart.`);
    await addRow('people', { name, addedAt: now.toISOString() }, transaction);
    await appendLog({ restorationId: null, stage: null, kind: 'people', words: `${name} works here.` }, transaction, now);
  });
}

/** Takes a name off the list; what that person did keeps it. */
export async function removePerson(id: string): Promise<void> {
  await inTransaction(async (transaction) => {
    const { name } = await needRow('people', id, transaction);
    const { tables } = await database();
    await tables.people.destroy({ where: { id }, transaction });
    await appendLog({ restorationId: null, stage: null, kind: 'people', words: `${name} is not on the list any more.` }, transaction);
  });
}
