import { stagesOf } from '@/data/stages';
import { findingsOf } from '@/data/findings';
import { notFound } from 'next/navigation';
import { formatMoney } from '@/core/ledger/money';
import { STAGES, STAGE_WORDS, type Stage } from '@/core/runsheet/stages';
import { logOf } from '@/data/log';
import { piecesOf } from '@/data/pieces';
import { photosOf } from '@/data/photos/store';
import { findRestoration } from '@/data/restorations';
import { ledgerOf } from '@/data/ledger';
import { getWorkshop } from '@/data/workshop';
import { StageSheet } from '@/runsheet/StageSheet';
import { StageSteps } from '@/runsheet/StageSteps';
import { ScreenHead } from '@/ui/layout';
import { TextLink } from '@/ui/links';

/** A stage's screen: its own tool on top where it has one, and what every stage documents. */
export async function StageScreen({ restorationId: id, stage, tool }: { restorationId: string; stage: Stage; tool?: React.ReactNode }) {
  const restoration = await findRestoration(id);
  if (!restoration) notFound();
  const [stages, pieces, photos, findings, ledger, log, { currency, timeZone }] = await Promise.all([
    stagesOf(id),
    piecesOf(id),
    photosOf(id),
    findingsOf(id),
    ledgerOf(id),
    logOf(id),
    getWorkshop(),
  ]);
  const row = stages.find((known) => known.stage === stage)!;
  const own = <T extends { stage: string | null }>(rows: T[]) => rows.filter((entry) => entry.stage === stage);
  const entries = own(ledger);
  return (
    <>
      <ScreenHead
        lead={<TextLink href={`/restorations/${id}`}>{restoration.title}</TextLink>}
        title={`${STAGES.indexOf(stage) + 1} ${STAGE_WORDS[stage].title}`}
        under={STAGE_WORDS[stage].purpose}
        action={<StageSteps restorationId={id} stage={stage} />}
      />
      {tool}
      <StageSheet
        restorationId={id}
        stage={stage}
        state={row.state}
        reason={row.reason}
        pieces={pieces}
        photos={own(photos)}
        findings={own(findings)}
        ledger={entries}
        log={own(log)}
        currency={currency}
        timeZone={timeZone}
        money={Object.fromEntries(entries.map((entry) => [entry.id, formatMoney(entry.amountMinor, currency)]))}
      />
    </>
  );
}
