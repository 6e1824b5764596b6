import { placeOf } from '@/data/workshop';
import { EmptyPlace, Part } from '@/ui/layout';
import { LinkButton } from '@/ui/links';
import type { ViewProps } from '../BrightenStage';
import { LaterSkyPart, LaterTurnPart } from '../laterParts';
import { planAt } from '../plan/planAt';

/** The sky of the coming days, and which way to point the piece under it. */
export async function SkyView(props: ViewProps) {
  const { piece, workshop } = props.at;
  const place = placeOf(workshop);
  if (!place)
    return (
      <EmptyPlace action={<LinkButton href="/workshop">Say where it stands</LinkButton>}>
        The sun is worked out for the place of the workshop, and that is not known yet.
      </EmptyPlace>
    );
  const { opens, minutes, cloudPercent } = await planAt(props);
  return (
    <>
      <Part title="The sky of the coming days" id="sky">
        <LaterSkyPart place={place} timeZone={workshop.timeZone} />
      </Part>
      <Part title="Turns in the sun" id="turns">
        <LaterTurnPart
          pieceId={piece.id}
          timeZone={workshop.timeZone}
          start={opens}
          minutes={minutes}
          cloudPercent={cloudPercent}
        />
      </Part>
    </>
  );
}
