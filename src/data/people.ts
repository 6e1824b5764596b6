import type { Person } from './rows';
import { findRows } from './table';

/** The names of the workshop, in the order they came. */
export const listPeople = (): Promise<Person[]> => findRows('people', {}, [['addedAt', 'ASC']]);
