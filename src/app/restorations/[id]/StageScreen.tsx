import { stagesOf } from '@/data/stages';
import { findingsOf } from '@/data/findings';
import { notFound } from 'next/navigation';
import { marksToKeep } from '@/core/intake/marks';
import { proposalFor } from '@/core/intake/proposals';
import { formatMoney } from '@/core/ledger/money';
import { STAGES, STAGE_WORDS, type Stage } from '@/core/runsheet/stages';
import { logPage } from '@/data/log';
import { piecesOf } from '@/data/pieces';
import { photosOf } from '@/data/photos/store';
import { findRestoration } from '@/data/restorations';
import { ledgerOf } from '@/data/ledger';
import { requestsOf } from '@/data/requests';
import type { Finding } from '@/data/rows';
import { getWorkshop } from '@/data/workshop';
import { StageSheet } from '@/runsheet/StageSheet';
import { Survey } from '@/runsheet/Survey';
import { Waiting } from '@/runsheet/Waiting';
import { StageSteps } from '@/runsheet/StageSteps';
import { ScreenHead } from '@/ui/layout';
import { TextLink } from '@/ui/links';

/** So many entries of its log stand on a stage; all are in the log. */
const LATELY = 12;

/** A stage's screen: its own tool on top where it has one, and what every stage documents. */
export async function StageScreen({ restorationId: id, stage, tool }: { restorationId: string; stage: Stage; tool?: React.ReactNode }) {
  const restoration = await findRestoration(id);
  if (!restoration) notFound();
  const [stages, pieces, photos, findings, ledger, log, { currency, timeZone }, requests] = await Promise.all([
    stagesOf(id),
    piecesOf(id),
    photosOf(id),
    findingsOf(id),
    ledgerOf(id),
    logPage({ restorationId: id, stage }, null, LATELY),
    getWorkshop(),
    requestsOf(id),
  ]);
  const waiting = requests.filter((request) => request.answer === null && request.stage === stage);
  const row = stages.find((known) => known.stage === stage)!;
  const own = <T extends { stage: string | null }>(rows: T[]) => rows.filter((entry) => entry.stage === stage);
  const entries = own(ledger);
  const asked = (finding: Finding) => proposalFor(finding, pieces.find(({ id: of }) => of === finding.pieceId)?.aim ?? restoration.aim).stage;
  return (
    <>
      <ScreenHead
        lead={<TextLink href={`/restorations/${id}`}>{restoration.title}</TextLink>}
        title={`${STAGES.indexOf(stage) + 1} ${STAGE_WORDS[stage].title}`}
        under={STAGE_WORDS[stage].purpose}
        action={<StageSteps restorationId={id} stage={stage} />}
      />
      {stage === 'intake' && <Survey restorationId={id} photos={own(photos)} pieces={pieces} findings={findings} aim={restoration.aim} />}
      {waiting.length > 0 && <Waiting restorationId={id} owner={restoration.owner} requests={waiting} />}
      {tool}
      <StageSheet
        restorationId={id}
        stage={stage}
        state={row.state}
        reason={row.reason}
        pieces={pieces}
        photos={own(photos)}
        findings={findings.filter((finding) => finding.stage === stage || asked(finding) === stage)}
        aim={restoration.aim}
        marks={marksToKeep(findings, null)}
        ledger={entries}
        log={log}
        currency={currency}
        timeZone={timeZone}
        money={Object.fromEntries(entries.map((entry) => [entry.id, formatMoney(entry.amountMinor, currency)]))}
      />
    </>
  );
}
