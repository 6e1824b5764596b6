import { titlesOf } from '@/data/restorations';
import { inTrays, listTrays, teardownOf } from '@/data/teardown';
import { FilesPart } from './FilesPart';
import { TrayPart } from './TrayPart';

/** The tray as a tray, with its labels. */
export async function TrayView({ restorationId }: { restorationId: string }) {
  const [{ steps, lots }, trays, lying] = await Promise.all([teardownOf(restorationId), listTrays(), inTrays()]);
  const others = lying.filter((lot) => lot.restorationId !== restorationId);
  const titles = await titlesOf(others.map((lot) => lot.restorationId));
  const taken = others.flatMap(({ tray, cell, restorationId: of }) =>
    cell === null ? [] : [{ tray, cell, machine: titles.get(of) ?? '' }],
  );
  return (
    <>
      <TrayPart lots={lots} steps={steps} trays={trays} taken={taken} />
      <FilesPart restorationId={restorationId} lots={lots.length} />
    </>
  );
}
