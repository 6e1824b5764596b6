import { clock } from '@/edge/clock';
import { tellFault } from '@/edge/faults';
import { keepTheHouse } from '@/work/keeping/keeping';

/** Sees to it that today’s backup is made, and that what was deleted goes on its day, beside what is being answered. */
export const seeToTheHouse = (): void =>
  void keepTheHouse(clock()).catch((failure: unknown) => tellFault(failure, clock()));
