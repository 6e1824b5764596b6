import type { Restoration } from '@/data/rows';

/** What the form of the machine is drawn with. */
export const machineDrawn = ({ title, machine, source, claim, packing, condition }: Restoration) => ({
  title,
  machine,
  source,
  claim,
  packing,
  condition,
});
