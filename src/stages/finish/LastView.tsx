import { Box, Text } from '@chakra-ui/react';
import { lastCoatFor, lastCoatGain, LAST_COAT, NEVER_TOUCH, type Kept, type LastCoat } from '@/core/finish/lastCoat';
import { isLast } from '@/core/finish/coatKinds';
import { surfaceMm2 } from '@/core/finish/originality';
import { assumedLine } from '@/core/assumptions/assumptions';
import { viewHref } from '@/core/runsheet/views';
import { coatingsOf } from '@/data/coats';
import { areasOf } from '@/data/lastly';
import { piecesOf } from '@/data/pieces';
import { Fold } from '@/ui/Fold';
import { EmptyPlace, Part } from '@/ui/layout';
import { LinkButton } from '@/ui/links';
import { MainAction } from '@/ui/MainAction';
import { Worked } from '@/ui/Worked';
import { yellowLooks } from '@/work/finish/yellowLooks';
import { GainTable } from './GainTable';

/** The last coat: which for which piece, how much, what it must never touch, and what it is good for. */
export async function LastScreen({ restorationId }: { restorationId: string }) {
  const [pieces, coatings, areas, looks] = await Promise.all([
    piecesOf(restorationId),
    coatingsOf(restorationId),
    areasOf(restorationId),
    yellowLooks(),
  ]);
  const done = new Set(
    coatings.flatMap(({ pieceId, coats }) =>
      pieceId !== null && coats.some(({ kind, laidAt }) => laidAt !== null && isLast(kind)) ? [pieceId] : [],
    ),
  );
  const due = pieces.flatMap((piece) => {
    const which = lastCoatFor(piece);
    return which && !done.has(piece.id) ? [{ piece, which }] : [];
  });
  const kinds = (['protectant', 'wax'] as const).filter((which) => due.some((one) => one.which === which));
  const ml = (which: LastCoat) =>
    due
      .filter((one) => one.which === which)
      .reduce<{ ml: number; unmeasured: number }>(
        (sum, { piece }) => {
          const mm2 = surfaceMm2(piece);
          const { mlPerM2, coats } = LAST_COAT[which];
          return mm2 === null
            ? { ...sum, unmeasured: sum.unmeasured + 1 }
            : { ...sum, ml: sum.ml + (mm2 / 1e6) * mlPerM2 * coats };
        },
        { ml: 0, unmeasured: 0 },
      );
  const gains = (['light', 'dark'] as const).map((kept: Kept) => ({ kept, gain: lastCoatGain(looks, kept) }));
  const { helps, looks: counted } = gains[0]!.gain;
  const masks = areas.filter(({ use }) => use !== 'piece');
  return (
    <>
      {due.length === 0 ? (
        <EmptyPlace>
          {pieces.length === 0
            ? 'No piece is taken in yet.'
            : 'Every piece that bears one has its last coat, or bears none.'}
        </EmptyPlace>
      ) : (
        <Part title={`Without a last coat: ${due.length}`}>
          {kinds.map((which) => {
            const some = due.filter((one) => one.which === which);
            const amount = ml(which);
            const { coats, betweenH, throughH } = LAST_COAT[which];
            return (
              <Text key={which} mb="2" maxWidth="66ch">
                <b>{which === 'wax' ? 'Microcrystalline wax' : 'Protectant with a UV filter'}</b>:{' '}
                {some.map(({ piece }) => `${piece.tag} ${piece.name}`).join(', ')}.{' '}
                {amount.ml > 0 && `About ${Math.max(1, Math.round(amount.ml))} mL. `}
                {amount.unmeasured > 0 && `${amount.unmeasured} without a size, not counted. `}
                {coats > 1
                  ? `Two thin coats, ${betweenH} h between, buffed with flannel; through after ${throughH} h.`
                  : `One thin coat with a cloth, wiped even; through after ${throughH} h.`}
              </Text>
            );
          })}
          <MainAction>
            {kinds.map((which, i) => (
              <LinkButton
                key={which}
                look={i === 0 ? 'go' : 'quiet'}
                bench
                href={`${viewHref(restorationId, 'finish', 'coats')}?row=${which}`}
              >
                Plan the {which}
              </LinkButton>
            ))}
          </MainAction>
        </Part>
      )}
      <Part title="What it must never touch">
        <Box as="ul" pl="5">
          {NEVER_TOUCH.map((words) => (
            <li key={words}>{words}</li>
          ))}
          {masks.map(({ id, use, name }) => (
            <li key={id}>
              <b>{name || use}</b>, as outlined
            </li>
          ))}
        </Box>
      </Part>
      <Part title="What it is good for">
        <Text mb="2" maxWidth="66ch">
          {counted.coated + counted.bare === 0
            ? 'No piece of this workshop was measured again yet: what follows is a guess, and said so.'
            : `By ${counted.bare} pieces without and ${counted.coated} with a last coat that were measured again here.`}{' '}
          That it holds back yellow at all: {(100 * helps).toFixed(0)} in 100.
        </Text>
        <GainTable gains={gains} />
        <Fold quiet summary="Where this comes from">
          <Worked
            lines={[
              assumedLine(['yellow coming back', 'yellow coming back, spread']),
              assumedLine(['yellow under a last coat', 'yellow under a last coat, spread']),
              assumedLine(['yellow from piece to piece', 'yellow in the dark']),
            ]}
            source="Both laws logarithmic normal, each look again counting by its own error."
          />
        </Fold>
      </Part>
    </>
  );
}
