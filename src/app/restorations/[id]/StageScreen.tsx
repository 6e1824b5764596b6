import { Box, Flex, Grid } from '@chakra-ui/react';
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { Clipboard } from '@/clipboard/Clipboard';
import { RulesFirst } from '@/clipboard/RulesFirst';
import { distanceInWords } from '@/core/colour/distanceInWords';
import { marksToKeep } from '@/core/intake/marks';
import { proposalFor } from '@/core/intake/proposals';
import { formatMoney } from '@/core/ledger/money';
import { STAGES, STAGE_WORDS, type Stage } from '@/core/runsheet/stages';
import { showTime } from '@/core/runsheet/time';
import { VIEWS } from '@/core/runsheet/views';
import { findingsOf } from '@/data/findings';
import { ledgerOf } from '@/data/ledger';
import { logPage } from '@/data/log';
import { photosOf } from '@/data/photos/store';
import { piecesOf } from '@/data/pieces';
import { requestsOf } from '@/data/requests';
import { findRestoration } from '@/data/restorations';
import type { Finding } from '@/data/rows';
import { stagesOf } from '@/data/stages';
import { getWorkshop } from '@/data/workshop';
import { measuredYellows } from '@/data/yellows';
import { lessonsAt } from '@/work/lessons';
import { Asked } from '@/runsheet/Asked';
import { StageEnd } from '@/runsheet/StageEnd';
import { StageSteps } from '@/runsheet/StageSteps';
import { StillYellowLater } from '@/runsheet/StillYellowLater';
import { ViewNav } from '@/runsheet/ViewNav';
import { Waiting } from '@/runsheet/Waiting';
import { ScreenHead } from '@/ui/layout';
import { TextLink } from '@/ui/links';

/** So many entries of its log lie on the clipboard; all are in the log. */
const LATELY = 12;

interface Props {
  restorationId: string;
  stage: Stage;
  view?: string;
  /** The stage's own tool; a stage without one shows what was found that asks for it. */
  children?: React.ReactNode;
  /** The tool has nothing left to do, so that to end the stage is the main action. */
  finished?: boolean;
}

/** What a page of a stage is called. */
export const stageTitle = (stage: Stage, view = ''): Metadata => ({
  title: [VIEWS[stage].find(({ at }) => at === view && at !== '')?.title, STAGE_WORDS[stage].title]
    .filter(Boolean)
    .join(', '),
});

/** One view of a stage: the way to the others, its tool, and the clipboard at hand. */
export async function StageScreen({ restorationId: id, stage, view = '', children, finished = false }: Props) {
  const restoration = await findRestoration(id);
  if (!restoration) notFound();
  const first = view === '';
  const [stages, pieces, photos, findings, ledger, log, notes, { currency, timeZone }, requests, rules] =
    await Promise.all([
      stagesOf(id),
      piecesOf(id),
      photosOf(id),
      findingsOf(id),
      ledgerOf(id),
      logPage({ restorationId: id, stage }, null, LATELY),
      logPage({ restorationId: id, stage, kind: 'note' }, null, LATELY),
      getWorkshop(),
      requestsOf(id),
      first ? lessonsAt(id, stage) : [],
    ]);
  const waiting = requests.filter((request) => request.answer === null && request.stage === stage);
  const row = stages.find((known) => known.stage === stage)!;
  const own = <T extends { stage: string | null }>(rows: T[]) => rows.filter((entry) => entry.stage === stage);
  const entries = own(ledger);
  const yellows = first && stage === 'brighten' && row.state === 'not needed' ? await measuredYellows(id) : [];
  const asked = (finding: Finding) =>
    proposalFor(finding, pieces.find(({ id: of }) => of === finding.pieceId)?.aim ?? restoration.aim).stage;
  const here = findings.filter((finding) => finding.stage === stage || asked(finding) === stage);
  return (
    <>
      <ScreenHead
        lead={
          <Flex justify="space-between" align="center" wrap="wrap" gap="2">
            <TextLink href={`/restorations/${id}`}>{restoration.title}</TextLink>
            <StageSteps restorationId={id} stage={stage} />
          </Flex>
        }
        underAtDesk
        title={`${STAGES.indexOf(stage) + 1} ${STAGE_WORDS[stage].title}`}
        {...(first && { under: STAGE_WORDS[stage].purpose })}
      />
      <ViewNav restorationId={id} stage={stage} view={view} />
      <Grid
        templateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) auto' }}
        gap={{ base: '0', lg: '6' }}
        alignItems="start"
      >
        <Box minWidth="0">
          {first && waiting.length > 0 && <Waiting restorationId={id} owner={restoration.owner} requests={waiting} />}
          {yellows.length > 0 && (
            <StillYellowLater
              restorationId={id}
              washOpen={stages.some((known) => known.stage === 'wash' && known.state === 'open')}
              yellows={yellows.map(({ piece, pieceId, deltaB, severity, measured }) => ({
                ...{ pieceId, severity, named: `${piece.tag} ${piece.name}` },
                said: `${showTime(measured.measuredAt, timeZone, 'd MMM yyyy')}: ${distanceInWords(deltaB)}`,
                words: `measured, b* ${deltaB.toFixed(1)} above its hidden patch`,
              }))}
            />
          )}
          <RulesFirst restorationId={id} rules={rules} />
          {children ?? <Asked stage={stage} findings={here} pieces={pieces} aim={restoration.aim} />}
          {first && (
            <StageEnd
              restorationId={id}
              stage={stage}
              state={row.state}
              reason={row.reason}
              marks={marksToKeep(findings, null)}
              main={children === undefined || finished}
            />
          )}
        </Box>
        <Clipboard
          clip={{
            restorationId: id,
            stage,
            pieces,
            photos: own(photos),
            findings: here,
            aim: restoration.aim,
            ledger: entries,
            notes,
            log,
            currency,
            timeZone,
            money: Object.fromEntries(entries.map((entry) => [entry.id, formatMoney(entry.amountMinor, currency)])),
          }}
        />
      </Grid>
    </>
  );
}
