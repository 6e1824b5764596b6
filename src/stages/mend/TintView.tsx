import { Box, Text } from '@chakra-ui/react';
import { labToCss, srgbToLab } from '@/core/colour/lab';
import type { Srgb } from '@/core/colour/types';
import { dropWords } from '@/core/finish/dropUses';
import { recipeByDrops, targetOf, type TestDrop } from '@/core/finish/testDrops';
import { MEND_CAUTIONS } from '@/core/mending/repair/ways';
import { Refusal } from '@/core/refusal';
import { viewHref } from '@/core/runsheet/views';
import { knownSheets } from '@/data/greySheets';
import { lastCardColour } from '@/data/measurements';
import { photosToMark } from '@/data/photos/toMark';
import { piecesOf } from '@/data/pieces';
import type { TestDropRow } from '@/data/rows';
import { dropsElsewhere, dropsOf } from '@/data/testDrops';
import { Cautions } from '@/ui/Cautions';
import { Fold } from '@/ui/Fold';
import { KeptLine } from '@/ui/KeptLine';
import { Part } from '@/ui/layout';
import { PhotoPick } from '@/ui/picture/PhotoPick';
import { USUAL_CARD } from '@/ui/picture/shapes';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { DropsLater } from './OutlineLater';
import { RecipePart, Swatches } from './RecipePart';

const MOST_PIGMENTS = 4;

const css = (srgb: Srgb) => labToCss(srgbToLab(srgb));

/** A base with what it is tinted to match. */
interface Mixing {
  base: string;
  pieceId: string | null;
  drops: TestDropRow[];
}

function mixings(drops: readonly TestDropRow[]): Mixing[] {
  const all = new Map<string, Mixing>();
  for (const drop of drops) {
    const key = JSON.stringify([drop.base, drop.pieceId]);
    const mixing = all.get(key) ?? { base: drop.base, pieceId: drop.pieceId, drops: [] };
    mixing.drops.push(drop);
    all.set(key, mixing);
  }
  // The one that was worked on last comes first.
  return [...all.values()].reverse();
}

const told = ({ amounts, srgb, beside }: TestDropRow): TestDrop => ({ amounts, srgb, beside: beside ?? undefined });

/** The next mixture, or what it still needs. */
function recipeOf({ base, drops }: Mixing, elsewhere: readonly TestDropRow[]) {
  const target = targetOf(drops.map(told));
  if (!target) return 'Mark the plastic beside a drop on its photograph: without it there is nothing to match.';
  try {
    // Another machine’s plastic is another target: of its drops only their own colour counts.
    const others = elsewhere
      .filter((drop) => drop.base === base)
      .map(({ amounts, srgb }): TestDrop => ({ amounts, srgb }));
    const all = [...drops.map(told), ...others];
    return { target, ...recipeByDrops({ drops: all, target, maxPigments: MOST_PIGMENTS }) };
  } catch (error) {
    if (error instanceof Refusal) return error.message;
    throw error;
  }
}

/** Tint of a cast: drops photographed on the plastic that they are to match, and the next mixture by all of them. */
export async function TintScreen({
  restorationId,
  photo: asked,
}: {
  restorationId: string;
  photo: string | undefined;
}) {
  const [drops, elsewhere, pieces, { photos, photo }] = await Promise.all([
    dropsOf(restorationId, 'cast'),
    dropsElsewhere(restorationId, 'cast'),
    piecesOf(restorationId),
    photosToMark(restorationId, 'mend', asked),
  ]);
  const nameOf = new Map(pieces.map(({ id, tag, name }) => [id, `${tag} ${name}`]));
  if (photo) {
    const [cardSrgb, sheets] = await Promise.all([lastCardColour(), knownSheets()]);
    const pigments: Record<string, string[]> = {};
    for (const { base, amounts } of [...drops, ...elsewhere])
      pigments[base] = [...new Set([...(pigments[base] ?? []), ...Object.keys(amounts)])];
    return (
      <DropsLater
        key={photo.id}
        restorationId={restorationId}
        photo={photo}
        cardSrgb={cardSrgb ?? USUAL_CARD}
        sheets={sheets}
        pieces={[...nameOf].map(([value, label]) => ({ value, label }))}
        pigments={pigments}
        last={drops.at(-1) ?? null}
        kept={drops.filter(({ photoId }) => photoId === photo.id).length}
      />
    );
  }
  return (
    <>
      <Box mb="5">
        <Cautions cautions={[MEND_CAUTIONS.resin!]} />
      </Box>
      {drops.length === 0 && (
        <Text my="3" maxWidth="62ch">
          Let drops of the resin set on waxed paper: one of the white base alone, one with each pigment. Lay them on the
          plastic that the cast is to match, a grey card beside, and photograph them. Kvell mixes by them.
        </Text>
      )}
      {mixings(drops).map((mixing) => {
        const recipe = recipeOf(mixing, elsewhere);
        const { base, pieceId } = mixing;
        return (
          <Part
            key={`${base} ${pieceId}`}
            title={`${base}${pieceId ? `, for ${nameOf.get(pieceId) ?? 'a piece'}` : ''}`}
          >
            {typeof recipe === 'string' ? (
              <Text fontWeight="650">{recipe}</Text>
            ) : (
              <RecipePart
                recipe={recipe.recipe}
                target={css(recipe.target)}
                predicted={css(recipe.predicted)}
                deltaE00={recipe.deltaE00}
                mayBeOff={recipe.mayBeOff}
                reachable={recipe.reachable}
                nearest={recipe.nearest.deltaE00}
              />
            )}
            <Fold summary={`Drops so far: ${mixing.drops.length}`} quiet>
              {mixing.drops.map(({ id, amounts, srgb, beside }) => (
                <KeptLine key={id} aside={<TakeThingBack what="test drop" id={id} name={dropWords(amounts)} />}>
                  <Swatches colours={[css(srgb), ...(beside ? [css(beside)] : [])]} />
                  <Text flex="1">{dropWords(amounts)}</Text>
                </KeptLine>
              ))}
            </Fold>
          </Part>
        );
      })}
      <Box mt="3">
        <PhotoPick
          restorationId={restorationId}
          stage="mend"
          what="test drops"
          how="Set through, laid on the plastic that they are to match, a grey card beside, out of the shine of lamps. One photograph may hold many drops."
          photos={photos}
          href={viewHref(restorationId, 'mend', 'tint')}
        />
      </Box>
    </>
  );
}
