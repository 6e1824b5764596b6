import { needRow } from '@/data/table';
import { Fold } from '@/ui/Fold';
import { Part } from '@/ui/layout';
import { MachineForm } from './MachineForm';

/** Where the machine came from. */
export async function MachinePart({ restorationId }: { restorationId: string }) {
  const restoration = await needRow('restorations', restorationId);
  const { source, claim, packing, condition } = restoration;
  const known = [
    source && `from ${source}`,
    claim && `claimed: ${claim}`,
    packing && `packed: ${packing}`,
    condition,
  ].filter(Boolean);
  return (
    <Part title="Where it came from" id="machine">
      {known.map((words) => (
        <p key={words}>{words}</p>
      ))}
      <Fold summary={known.length > 0 ? 'Correct it' : 'Write down what is known'} openAtFirst={known.length === 0}>
        <MachineForm restoration={restoration} />
      </Fold>
    </Part>
  );
}
