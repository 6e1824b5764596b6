import { Box, Text } from '@chakra-ui/react';
import { polishVerdict } from '@/core/finish/polish';
import { NINE_IN_TEN_SD } from '@/core/numbers';
import { showTime } from '@/core/runsheet/time';
import { viewHref } from '@/core/runsheet/views';
import { hazesOf } from '@/data/lastly';
import { photosToMark } from '@/data/photos/toMark';
import { piecesOf } from '@/data/pieces';
import type { HazeRow } from '@/data/rows';
import { getWorkshop } from '@/data/workshop';
import { KeptLine } from '@/ui/KeptLine';
import { Part } from '@/ui/layout';
import { PhotoPick } from '@/ui/picture/PhotoPick';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { HazeLater } from './OnPhotoLater';
import { PolishLadderPart } from './PolishLadderPart';

const percent = (share: number) => `${(100 * share).toFixed(0)} %`;

/** Windows and glossy faces: how dull each is, measured; its ladder; and where polishing stops. */
export async function PolishScreen({
  restorationId,
  photo: asked,
}: {
  restorationId: string;
  photo: string | undefined;
}) {
  const [hazes, pieces, { photos, photo }, { timeZone }] = await Promise.all([
    hazesOf(restorationId),
    piecesOf(restorationId),
    photosToMark(restorationId, 'finish', asked),
    getWorkshop(),
  ]);
  const here = viewHref(restorationId, 'finish', 'polish');
  if (photo)
    return (
      <HazeLater
        key={photo.id}
        restorationId={restorationId}
        photo={photo}
        pieces={pieces.map(({ id, tag, name }) => ({ value: id, label: `${tag} ${name}` }))}
        last={hazes.at(-1) ?? null}
        back={here}
      />
    );
  // Two windows of one name on two pieces are two windows.
  const windows = new Map<string, HazeRow[]>();
  for (const haze of hazes) {
    const key = JSON.stringify([haze.name, haze.pieceId]);
    windows.set(key, [...(windows.get(key) ?? []), haze]);
  }
  return (
    <>
      {[...windows.values()].reverse().map((rows) => {
        const now = rows.at(-1)!;
        const verdict = polishVerdict(rows.at(-2) ?? null, now);
        const tag = pieces.find(({ id }) => id === now.pieceId)?.tag;
        return (
          <Part key={now.id} title={[tag, now.name].filter(Boolean).join(' ')}>
            <Text mb="2" fontWeight="650">
              {verdict.kind === 'clear'
                ? `It takes ${percent(now.haze)} of the contrast: as clear as anybody sees. Stop here.`
                : verdict.kind === 'wins nothing'
                  ? `The last step won ${percent(verdict.won)}, no more than its error of ${percent(verdict.sd)}. Stop, or go one step coarser only where a scratch is worth it.`
                  : `It takes ${percent(now.haze)} of the contrast${rows.length > 1 ? `, ${percent(rows[0]!.haze)} at first` : ''}. The next step may win.`}
            </Text>
            {rows.map(({ id, haze, sd, after, at }) => (
              <KeptLine key={id} aside={<TakeThingBack what="haze" id={id} name={`haze ${percent(haze)}`} />}>
                <Text flex="1">
                  {after ? `After ${after}` : 'Before anything'}: {percent(haze)}, give or take{' '}
                  {percent(NINE_IN_TEN_SD * sd)}. {showTime(at, timeZone)}
                </Text>
              </KeptLine>
            ))}
          </Part>
        );
      })}
      <PolishLadderPart />
      <Box mt="4">
        <PhotoPick
          restorationId={restorationId}
          stage="finish"
          what="white and black"
          how="Printed black stripes on white paper, half of them under the window and half bare, out of the shine of lamps. For a glossy face: the stripes stood upright on it, seen in it and bare above it. Before and after in the same place."
          photos={photos}
          href={here}
        />
      </Box>
    </>
  );
}
