import { clock } from '@/edge/clock';
import { tellFault } from '@/edge/faults';
import { keepBackedUp } from '@/work/keeping/keeping';

/** Sees to it that today’s backup is made, beside what is being answered. */
export const seeToTheBackup = (): void => keepBackedUp(clock(), (failure) => void tellFault(failure, clock()));
