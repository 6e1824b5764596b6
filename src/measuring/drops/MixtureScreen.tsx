import { Box, Text } from '@chakra-ui/react';
import { labToCss, srgbToLab } from '@/core/colour/lab';
import type { Srgb } from '@/core/colour/types';
import { dropWords, type DropUse } from '@/core/finish/dropUses';
import { oneAndTheSame, recipeByDrops, targetOf, type TestDrop } from '@/core/finish/testDrops';
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
import { BRUSH_CAUTION } from '@/core/finish/coatKinds';
import { DropsLater } from './DropsLater';
import { RecipePart, Swatches } from './RecipePart';
import { USE_WORDS } from './useWords';
import { WayRoundPart } from './WayRoundPart';

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
function recipeOf({ base, drops }: Mixing, elsewhere: readonly TestDropRow[], use: DropUse) {
  const target = targetOf(drops.map(told));
  if (!target)
    return `Mark the ${USE_WORDS[use].side} beside a ${USE_WORDS[use].one} on its photograph: without it there is nothing to match.`;
  try {
    // Another machine’s plastic is another target: of its drops only their own colour counts.
    const others = elsewhere
      .filter((drop) => drop.base === base)
      .map(({ amounts, srgb }): TestDrop => ({ amounts, srgb }));
    const all = [...drops.map(told), ...others];
    return { target, drops: all, ...recipeByDrops({ drops: all, target, maxPigments: MOST_PIGMENTS }) };
  } catch (error) {
    if (error instanceof Refusal) return error.message;
    throw error;
  }
}

/** Tint of a cast, or colour of a paint: drops photographed on what they are to match, and the next mixture by all of them. */
export async function MixtureScreen({
  restorationId,
  use,
  photo: asked,
}: {
  restorationId: string;
  use: DropUse;
  photo: string | undefined;
}) {
  const words = USE_WORDS[use];
  const [drops, elsewhere, pieces, { photos, photo }] = await Promise.all([
    dropsOf(restorationId, use),
    dropsElsewhere(restorationId, use),
    piecesOf(restorationId),
    photosToMark(restorationId, words.stage, asked),
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
        use={use}
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
        <Cautions cautions={[use === 'cast' ? MEND_CAUTIONS.resin! : BRUSH_CAUTION]} />
      </Box>
      {drops.length === 0 && (
        <Text my="3" maxWidth="62ch">
          {words.first}
        </Text>
      )}
      {mixings(drops).map((mixing) => {
        const recipe = recipeOf(mixing, elsewhere, use);
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
                use={use}
                recipe={recipe.recipe}
                target={css(recipe.target)}
                predicted={recipe.predicted}
                deltaE00={recipe.deltaE00}
                mayBeOff={recipe.mayBeOff}
                reachable={recipe.reachable}
                nearest={recipe.nearest.deltaE00}
              />
            )}
            {use === 'paint' && typeof recipe !== 'string' && (
              <WayRoundPart
                drops={recipe.drops}
                now={recipe.deltaE00}
                piece={pieces.find(({ id }) => id === pieceId) ?? null}
              />
            )}
            {oneAndTheSame(mixing.drops.map(told)).map(([one, other]) => (
              <Text key={`${one} ${other}`} my="2">
                {one} and {other} look the same here: nothing is won by both.
              </Text>
            ))}
            <Fold summary={`${words.one === 'drop' ? 'Drops' : 'Cards'} so far: ${mixing.drops.length}`} quiet>
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
          stage={words.stage}
          what={words.what}
          how={words.how}
          photos={photos}
          href={viewHref(restorationId, words.stage, words.view)}
        />
      </Box>
    </>
  );
}
