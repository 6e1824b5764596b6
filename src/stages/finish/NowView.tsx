import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { LaterFindingRow } from '@/clipboard/LaterFindingRow';
import { whatNow } from '@/core/finish/coat';
import { nowWords } from '@/core/finish/coatWords';
import { RUST_WORDS } from '@/core/finish/rustWords';
import { STAGE_WORDS } from '@/core/runsheet/stages';
import { showTime } from '@/core/runsheet/time';
import { viewHref } from '@/core/runsheet/views';
import { coatingsOf } from '@/data/coats';
import { aimsOf, askedFor } from '@/data/findings';
import { piecesOf } from '@/data/pieces';
import type { Finding } from '@/data/rows';
import { rustsOf, type RustWithAll } from '@/data/rust';
import { getWorkshop } from '@/data/workshop';
import { ClockBar } from '@/ui/ClockBar';
import { Fold } from '@/ui/Fold';
import { EmptyPlace } from '@/ui/layout';
import { LinkButton, TextLink } from '@/ui/links';
import { MainAction } from '@/ui/MainAction';

const isRust = ({ kind }: Finding) => kind === 'rust' || kind === 'corroded';

/** What Finish has to do on a machine: what goes on, what is open, what was done. */
export async function finishNow(restorationId: string) {
  const [rusts, findings, coatings] = await Promise.all([
    rustsOf(restorationId),
    askedFor(restorationId),
    coatingsOf(restorationId),
  ]);
  return {
    coatings: coatings.filter(({ endedAt }) => endedAt === null),
    told: rusts.filter(({ endedAt }) => endedAt === null),
    hand: rusts.filter(({ endedAt, steps }) => endedAt === null && steps.some((step) => step.outcome === null)),
    open: findings.get('finish') ?? [],
    past: rusts.filter(({ endedAt }) => endedAt !== null),
  };
}

interface Props {
  restorationId: string;
  now: Date;
  /** What is being coated. */
  coatings: Awaited<ReturnType<typeof coatingsOf>>;
  /** Rusted places that were told and are not settled. */
  told: readonly RustWithAll[];
  hand: readonly RustWithAll[];
  open: readonly Finding[];
  past: readonly RustWithAll[];
}

/** The first view of Finish: what goes on with its clock, else the next rusted place. */
export async function NowScreen({ restorationId, now, coatings, told, hand, open, past }: Props) {
  const [pieces, aimOf, { timeZone }] = await Promise.all([
    piecesOf(restorationId),
    aimsOf(restorationId),
    getWorkshop(),
  ]);
  const rust = (id: string) => `${viewHref(restorationId, 'finish', 'rust')}?finding=${id}`;
  const next = open.find((finding) => isRust(finding) && !hand.some(({ findingId }) => findingId === finding.id));
  return (
    <>
      {hand.map((one) => {
        const step = one.steps.find(({ outcome }) => outcome === null)!;
        return (
          <Box key={one.id} mb="4">
            <Heading as="h2" fontSize="24px">
              {one.name}
            </Heading>
            {step.dueAt ? (
              <ClockBar
                label={RUST_WORDS[step.way].title}
                startedAt={step.startedAt}
                dueAt={step.dueAt}
                over="its time is over"
              />
            ) : (
              <Text>{RUST_WORDS[step.way].title}</Text>
            )}
            <MainAction>
              <LinkButton
                look="go"
                bench
                href={one.findingId ? rust(one.findingId) : viewHref(restorationId, 'finish', 'rust')}
              >
                Say what came of it
              </LinkButton>
            </MainAction>
          </Box>
        );
      })}
      {coatings.map(({ id, name, sheet, coats }) => {
        const laid = coats.filter(({ laidAt }) => laidAt !== null);
        const due = coats.find(({ laidAt }) => laidAt === null);
        const top = laid.at(-1);
        const hours = top ? (now.getTime() - Date.parse(top.laidAt!)) / 3_600_000 : 0;
        return (
          <Box key={id} mb="4">
            <Heading as="h2" fontSize="24px">
              {name}
            </Heading>
            <Text>
              {laid.length} of {coats.length} coats laid.{' '}
              {!due
                ? hours >= sheet.throughH
                  ? 'It is through: look at it, and say so.'
                  : 'Left alone until it is through.'
                : top
                  ? nowWords(whatNow(sheet, hours))
                  : `First the ${due.kind}.`}
            </Text>
            <MainAction>
              <LinkButton
                look={hand.length === 0 ? 'go' : 'quiet'}
                bench
                href={`${viewHref(restorationId, 'finish', 'coats')}?job=${id}`}
                label={`To its coats: ${name}`}
              >
                To its coats
              </LinkButton>
            </MainAction>
          </Box>
        );
      })}
      {hand.length + coatings.length === 0 && next && (
        <MainAction>
          <LinkButton look="go" bench href={rust(next.id)} label={`Choose how: ${next.words || next.kind}`}>
            Choose how
          </LinkButton>
        </MainAction>
      )}
      {open.length > 0 && (
        <Box mt="3">
          <Heading as="h2" fontSize="22px" mb="2">
            Asks for this stage: {open.length}
          </Heading>
          {open.map((finding) => (
            <Flex key={finding.id} gap="3" wrap="wrap" align="start" pb="2">
              <Box flex="1 1 260px" minWidth="0">
                <LaterFindingRow finding={finding} aim={aimOf(finding)} pieces={pieces} />
                {told.some((one) => one.findingId === finding.id && one.steps.at(-1)?.outcome === 'gone') && (
                  <Text color="soft">The rust is off. When it is protected too, say what became of it.</Text>
                )}
              </Box>
              {isRust(finding) && (
                <LinkButton href={rust(finding.id)} label={`Its ladder: ${finding.words || finding.kind}`}>
                  Its ladder
                </LinkButton>
              )}
            </Flex>
          ))}
        </Box>
      )}
      {open.length === 0 && hand.length === 0 && <EmptyPlace>{STAGE_WORDS.finish.first}</EmptyPlace>}
      {past.length > 0 && (
        <Fold quiet summary={`Rust so far: ${past.length}`}>
          {past.map(({ id, name, outcome, words, endedAt, shares }) => (
            <Text key={id} py="1">
              {name}: {outcome}, {showTime(endedAt!, timeZone)}
              {shares.length > 1 &&
                `, from ${percent(shares[0]!.share)} to ${percent(shares.at(-1)!.share)} of its face`}
              . {words}
            </Text>
          ))}
        </Fold>
      )}
      {open.some(isRust) && (
        <Text mt="3">
          <TextLink href={viewHref(restorationId, 'finish', 'rust')}>All rusted places</TextLink>
        </Text>
      )}
    </>
  );
}

const percent = (share: number) => `${(100 * share).toFixed(0)} %`;
