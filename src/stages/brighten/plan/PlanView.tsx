import { companionsOf } from './companions';
import { InTheLight, type ViewProps } from '../BrightenStage';
import { LaterExposureForm } from './LaterExposureForm';
import { skyOfWindow } from './nextWindow';
import { planAt } from './planAt';
import { suppliesOf } from '../ways/ways';

/** The next session of the piece in hand, on the day that it is laid into. */
export async function PlanView(props: ViewProps) {
  const { at, now } = props;
  const { piece, pieces, histories, history, workshop, coming } = at;
  if (history.running) return <InTheLight at={at} />;
  const { bench, ways, school, window, fromNow, opens, minutes, cloudPercent } = await planAt(props);
  return (
    <LaterExposureForm
      key={`${piece.id}:${school}:${coming?.timerId}`}
      piece={piece}
      stock={bench.stock}
      supplies={suppliesOf(ways)}
      tubs={bench.tubs}
      timeZone={workshop.timeZone}
      from={opens}
      fromNow={fromNow}
      lampMwPerCm2={workshop.lampMwPerCm2}
      companions={await companionsOf(piece, pieces, histories)}
      minutes={minutes}
      cloudPercent={cloudPercent}
      sky={ways?.place ? skyOfWindow(ways, window, now) : null}
      drawn={ways?.place ? { place: ways.place, shading: ways.shading, clouds: ways.clouds } : null}
      school={school}
    />
  );
}
