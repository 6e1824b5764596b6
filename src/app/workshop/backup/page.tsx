import { needsEntered } from '@/edge/entered';
import type { Metadata } from 'next';
import { showTime } from '@/core/runsheet/time';
import { backupFolder, keepingState } from '@/data/keeping/state';
import { getWorkshop } from '@/data/workshop';
import { clock } from '@/edge/clock';
import { Part } from '@/ui/layout';
import { backupLagDays, copiesOfWorkshop, TOO_OLD_DAYS } from '@/work/keeping/keeping';
import { BackupPart } from '@/workshop/BackupPart';
import { HousePart } from '@/workshop/HousePart';
import { bytesWords, lagWords } from '@/workshop/keepingWords';
import { RestorePart } from '@/workshop/RestorePart';
import { WorkshopHead } from '@/workshop/WorkshopHead';

export const metadata: Metadata = { title: 'Backup, workshop' };

export default async function BackupPage() {
  await needsEntered();
  const [state, lag, copies, { timeZone }] = await Promise.all([
    keepingState(),
    backupLagDays(clock()),
    copiesOfWorkshop(),
    getWorkshop(),
  ]);
  const when = (at: string) => showTime(at, timeZone, 'd MMMM yyyy HH:mm');
  return (
    <>
      <WorkshopHead view="/backup" />
      <Part title="Backup">
        <BackupPart
          state={lagWords(state, lag, when)}
          good={state.failed === null && (lag === null || lag < TOO_OLD_DAYS)}
          folder={backupFolder(state)}
          ownFolder={state.folder !== null}
          daily={state.daily}
          sealed={state.seal !== null}
        />
      </Part>
      <Part title="Put one back">
        <RestorePart
          copies={copies.map(({ id, at, bytes, recipient }) => ({
            id,
            words: `${when(at)}, ${bytesWords(bytes)}`,
            sealed: recipient !== null,
          }))}
        />
      </Part>
      <Part title="Is everything there?">
        <HousePart />
      </Part>
    </>
  );
}
