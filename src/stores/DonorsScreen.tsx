import { Box, Flex, Text } from '@chakra-ui/react';
import { labToCss } from '@/core/colour/lab';
import { DONOR_SIZES, donorsFor, type Candidate, type Wanted } from '@/core/mending/donorMatch';
import { withPoint } from '@/core/units';
import { donorsWithParts } from '@/data/donors';
import { lastCardColour, latestOf, PIECE_REGION } from '@/data/measurements';
import { piecesOfAll } from '@/data/pieces';
import { restorationsPage, titlesOf } from '@/data/restorations';
import { knownSheets } from '@/data/greySheets';
import type { DonorPartRow } from '@/data/rows';
import { Fold } from '@/ui/Fold';
import { EmptyPlace, Part, ScreenHead } from '@/ui/layout';
import { TextLink } from '@/ui/links';
import { USUAL_CARD } from '@/ui/picture/shapes';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { DonorColour } from './DonorColour';
import { DonorForm, DonorPartForm } from './DonorForms';
import { DonorSearch, type Asked } from './DonorSearch';
import { PutBack, TakeOff } from './DonorTap';
import { donorSizes, SIZE_WORDS } from './donorWords';

/** So many restorations may take something: those that were worked on last. */
const MACHINES = 40;
const USUAL_TOLERANCE_MM = 0.5;

const figure = (typed: string | undefined): number | null => {
  const value = Number(withPoint(typed ?? '').trim() || NaN);
  return Number.isFinite(value) && value > 0 ? value : null;
};

/** Machines that give their parts: what is looked for first, then what is on each. */
export async function DonorsScreen({ asked }: { asked: Asked }) {
  const [donors, { restorations }, cardSrgb, sheets] = await Promise.all([
    donorsWithParts(),
    restorationsPage('open', '', 0, MACHINES),
    lastCardColour(),
    knownSheets(),
  ]);
  const pieces = await piecesOfAll(restorations.map(({ id }) => id));
  const measured = await latestOf(pieces.map(({ id }) => id));
  const labOf = (pieceId: string) =>
    measured.get(pieceId)?.result.regions.find(({ id }) => id === PIECE_REGION)?.lab ?? null;
  const titles = new Map(restorations.map(({ id, title }) => [id, title]));
  const taken = await titlesOf(donors.flatMap(({ parts }) => parts.flatMap((part) => part.restorationId ?? [])));
  const sizes = Object.fromEntries(DONOR_SIZES.map((size) => [size, figure(asked[size])]));
  const piece = pieces.find(({ id }) => id === asked.piece);
  const wanted = {
    ...{ what: asked.what ?? '', ...sizes, toleranceMm: figure(asked.toleranceMm) ?? USUAL_TOLERANCE_MM },
    lab: piece ? labOf(piece.id) : null,
  } as Wanted;
  const looksFor = wanted.what !== '' || Object.values(sizes).some((size) => size !== null);
  const names = new Map(donors.map(({ id, name }) => [id, name]));
  const free = donors.flatMap(({ parts }) => parts.filter(({ restorationId }) => restorationId === null));
  const found = looksFor ? donorsFor(free, wanted) : [];
  const choices = restorations.map(({ id, title }) => ({ value: id, label: title }));
  return (
    <>
      <ScreenHead
        title="Donors"
        lead={<TextLink href="/stores">Stores</TextLink>}
        under="Machines that give their parts to others"
      />
      {donors.length > 0 && (
        <Part title="A part is needed">
          <DonorSearch
            key={JSON.stringify(asked)}
            asked={asked}
            pieces={pieces
              .filter(({ id }) => labOf(id))
              .map(({ id, tag, name, restorationId }) => ({
                value: id,
                label: `${titles.get(restorationId) ?? ''}: ${tag} ${name}`,
              }))}
          />
          {looksFor && found.length === 0 && (
            <Text fontWeight="650" mt="2">
              No donor has it, as far as noted. Widen what it may be off by, or ask for fewer sizes.
            </Text>
          )}
          {found.map((candidate) => (
            <Box key={candidate.part.id} borderTopWidth="1px" borderColor="line" py="3" mt="2">
              <Text>
                <b>{candidate.part.what}</b>, on {names.get(candidate.part.donorId)}. {fitWords(candidate, asked)}
              </Text>
              <Box mt="2">
                <TakeOff
                  partId={candidate.part.id}
                  what={candidate.part.what}
                  restorations={choices}
                  first={piece?.restorationId ?? null}
                />
              </Box>
            </Box>
          ))}
        </Part>
      )}
      {donors.length === 0 && (
        <EmptyPlace>
          No donor is noted. A cracked machine gives feet, caps, doors and screws: note it with what sits on it.
        </EmptyPlace>
      )}
      {donors.map(({ id, name, words, parts }) => (
        <Part key={id} title={name} aside={<TakeThingBack what="donor" id={id} name={name} />}>
          {words && <Text color="soft">{words}</Text>}
          {parts.map((part) => (
            <DonorLine
              key={part.id}
              part={part}
              takenFor={part.restorationId && (taken.get(part.restorationId) ?? '')}
            />
          ))}
          {parts.length > 0 && (
            <Fold summary={`Measure the colour of a part of ${name}`} quiet>
              {parts.map(({ id: partId, what, lab }) => (
                <Fold key={partId} summary={`Measure the colour of ${what}${lab ? ' again' : ''}`} quiet>
                  <DonorColour partId={partId} what={what} cardSrgb={cardSrgb ?? USUAL_CARD} sheets={sheets} />
                </Fold>
              ))}
            </Fold>
          )}
          <Fold summary="Note a part of it" quiet>
            <DonorPartForm donorId={id} />
          </Fold>
        </Part>
      ))}
      {donors.length > 0 ? (
        <Fold summary="A donor comes in" quiet>
          <DonorForm />
        </Fold>
      ) : (
        <Part title="A donor comes in">
          <DonorForm />
        </Part>
      )}
    </>
  );
}

function DonorLine({ part, takenFor }: { part: DonorPartRow; takenFor: string | null }) {
  const { id, what, words, lab } = part;
  return (
    <Flex gap="3" wrap="wrap" align="center" justify="space-between" borderTopWidth="1px" borderColor="line" py="2">
      {lab && <Box aria-hidden width="28px" height="28px" borderRadius="4px" style={{ background: labToCss(lab) }} />}
      <Text flex="1 1 220px">
        <b>{what}</b>
        {[donorSizes(part), words].filter(Boolean).map((more) => `, ${more}`)}
        {takenFor !== null && <>. Taken for {takenFor}.</>}
      </Text>
      {takenFor === null ? (
        <TakeThingBack what="part of a donor" id={id} name={what} />
      ) : (
        <PutBack partId={id} what={what} />
      )}
    </Flex>
  );
}

/** How a candidate fits, in words. */
function fitWords({ offMm, unmeasured, deltaE00, brightened }: Candidate<DonorPartRow>, asked: Asked): string {
  const off = Object.entries(offMm).map(
    ([size, mm]) => `${SIZE_WORDS[size as keyof typeof SIZE_WORDS].toLowerCase()} off by ${mm.toFixed(1)} mm`,
  );
  const colour =
    deltaE00 === null
      ? asked.piece
        ? ['its colour was not measured']
        : []
      : [
          `ΔE00 ${deltaE00.toFixed(1)} from the piece${brightened === null ? '' : `, about ${brightened.toFixed(1)} if it is brightened as far`}`,
        ];
  const words = [...off, ...unmeasured.map((size) => `${SIZE_WORDS[size].toLowerCase()} not measured`), ...colour].join(
    '; ',
  );
  return words === '' ? '' : `${words[0]!.toUpperCase()}${words.slice(1)}.`;
}
