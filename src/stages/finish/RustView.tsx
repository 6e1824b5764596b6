import { Box, Flex, Text } from '@chakra-ui/react';
import { rustLadder } from '@/core/finish/rust';
import { RUST_WORDS } from '@/core/finish/rustWords';
import { showTime } from '@/core/runsheet/time';
import { viewHref } from '@/core/runsheet/views';
import { ownKnowledge } from '@/data/cleaning';
import { askedFor } from '@/data/findings';
import { knownSheets } from '@/data/greySheets';
import { lastCardColour } from '@/data/measurements';
import { photosToMark } from '@/data/photos/toMark';
import { piecesOf } from '@/data/pieces';
import type { Finding } from '@/data/rows';
import { rustsOf, type RustWithAll } from '@/data/rust';
import { getWorkshop } from '@/data/workshop';
import { EmptyPlace, Part } from '@/ui/layout';
import { LinkButton, TextLink } from '@/ui/links';
import { MainAction } from '@/ui/MainAction';
import { PhotoPick } from '@/ui/picture/PhotoPick';
import { USUAL_CARD } from '@/ui/picture/shapes';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { RustLater } from './OnPhotoLater';
import { OhmPart, RustEndPart } from './RustEndPart';
import { RustForm } from './RustForm';
import { RustLadderPart } from './RustLadderPart';
import { rulingWords } from './rulingWords';

/** Warmth that a bath is taken for until it is measured, °C. */
const ROOM_C = 20;

interface Asked {
  restorationId: string;
  finding?: string | undefined;
  photo?: string | undefined;
  again?: string | undefined;
}

/** Findings of rust that are open. */
const rustFindings = async (restorationId: string): Promise<Finding[]> =>
  ((await askedFor(restorationId)).get('finish') ?? []).filter(({ kind }) => kind === 'rust' || kind === 'corroded');

/** One rusted place after the other: what it is like, its ladder, and how much is left. */
export async function RustScreen({ restorationId, finding: asked, photo: askedPhoto, again }: Asked) {
  const [findings, rusts, pieces] = await Promise.all([
    rustFindings(restorationId),
    rustsOf(restorationId),
    piecesOf(restorationId),
  ]);
  const finding = findings.find(({ id }) => id === asked) ?? (asked === undefined ? findings[0] : undefined);
  // A finding that was closed by hand leaves its place to be answered.
  const begun = rusts.find(
    ({ findingId, endedAt }) => endedAt === null && findingId !== null && (asked === undefined || findingId === asked),
  );
  if (!finding && begun)
    return (
      <Told
        restorationId={restorationId}
        rust={begun}
        here={`${viewHref(restorationId, 'finish', 'rust')}?finding=${begun.findingId}`}
        photo={askedPhoto}
      />
    );
  if (!finding)
    return (
      <>
        <EmptyPlace>No rust is pinned on this machine. Pin it as a finding, on metal, first.</EmptyPlace>
        <MainAction>
          <LinkButton look="go" bench href={viewHref(restorationId, 'finish')}>
            Back to Finish
          </LinkButton>
        </MainAction>
      </>
    );
  const here = `${viewHref(restorationId, 'finish', 'rust')}?finding=${finding.id}`;
  const told = rusts.find(({ findingId, endedAt }) => findingId === finding.id && endedAt === null);
  const piece = pieces.find(({ id }) => id === finding.pieceId);
  return (
    <>
      {findings.length > 1 && (
        <Flex as="nav" aria-label="Which place" gap="2" wrap="wrap" mb="3">
          {findings.map(({ id, kind, words }) => (
            <LinkButton
              key={id}
              look={id === finding.id ? 'go' : 'quiet'}
              href={`${viewHref(restorationId, 'finish', 'rust')}?finding=${id}`}
            >
              {(words || kind).slice(0, 34)}
            </LinkButton>
          ))}
        </Flex>
      )}
      {told && again === undefined ? (
        <Told restorationId={restorationId} rust={told} here={here} photo={askedPhoto} />
      ) : (
        <RustForm
          key={finding.id}
          {...{ restorationId, findingId: finding.id, patch: told?.patch ?? null }}
          name={told?.name ?? [piece?.tag, finding.words || finding.kind].filter(Boolean).join(' ').slice(0, 60)}
        />
      )}
    </>
  );
}

async function Told({
  restorationId,
  rust,
  here,
  photo: asked,
}: {
  restorationId: string;
  rust: RustWithAll;
  here: string;
  photo: string | undefined;
}) {
  const [own, { timeZone }, { photos, photo }] = await Promise.all([
    ownKnowledge(),
    getWorkshop(),
    photosToMark(restorationId, 'finish', asked),
  ]);
  const { id, name, patch, steps, shares, ohmBefore, ohmAfter } = rust;
  if (photo) {
    const [cardSrgb, sheets] = await Promise.all([lastCardColour(), knownSheets()]);
    return (
      <RustLater key={photo.id} {...{ rustId: id, photo, sheets, back: here }} cardSrgb={cardSrgb ?? USUAL_CARD} />
    );
  }
  const ladder = rustLadder(patch, ROOM_C, own);
  return (
    <>
      <Text mb="3" color="soft">
        {name}: {patch.kind} on {patch.metal}, {patch.areaCm2} cm², {patch.thickMm} mm thick
        {patch.pitMm > 0 && `, pits to ${patch.pitMm} mm`}. It {TASK_WORDS[patch.task]}.{' '}
        <TextLink href={`${here}&again=1`}>Put this right</TextLink>
      </Text>
      <RustLadderPart
        key={`${id} ${steps.length}`}
        rustId={id}
        ladder={ladder}
        out={ladder.ruledOut.map(({ way, why }) => ({ title: RUST_WORDS[way].title, why: rulingWords(why) }))}
        steps={steps}
        bathC={ROOM_C}
      />
      {(patch.task === 'shield and conduct' || patch.task === 'spring') && (
        <>
          <OhmPart rustId={id} before={ohmBefore} after={ohmAfter} />
          <Text mb="4">
            No coat comes to its lands:{' '}
            <TextLink href={viewHref(restorationId, 'finish', 'coats')}>outline them on a photograph</TextLink>, and
            they are asked for before the first coat.
          </Text>
        </>
      )}
      <Part title={shares.length === 0 ? 'How much is rusty' : 'How much was rusty'}>
        {shares.map((share) => (
          <Flex key={share.id} gap="3" wrap="wrap" align="center" justify="space-between" py="1">
            <Text>
              <b>{percent(share.share)}</b> of the face, between {percent(share.low)} and {percent(share.high)}; pits{' '}
              {percent(share.pits)}. {showTime(share.at, timeZone)}
            </Text>
            <TakeThingBack what="share of rust" id={share.id} name={percent(share.share)} />
          </Flex>
        ))}
        <PhotoPick
          restorationId={restorationId}
          stage="finish"
          what="rust"
          how="The same face before and after, flat, a grey card beside it, out of the shine of lamps."
          photos={photos}
          href={here}
        />
      </Part>
      <Box mt="3">
        <RustEndPart rustId={id} name={name} />
        {steps.length === 0 && (
          <TakeThingBack what="rusted place" id={id} name={name}>
            Told by mistake
          </TakeThingBack>
        )}
      </Box>
    </>
  );
}

const percent = (share: number) => `${(100 * share).toFixed(1)} %`;
const TASK_WORDS: Record<RustWithAll['patch']['task'], string> = {
  nothing: 'bears nothing and is not seen',
  carry: 'carries something',
  spring: 'springs',
  'shield and conduct': 'shields and conducts',
  'be seen': 'is seen',
};
