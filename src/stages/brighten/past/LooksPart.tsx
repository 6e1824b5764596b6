import { Text } from '@chakra-ui/react';
import { bOf, sdOf } from '@/work/measuredB';
import { yellowReturning } from '@/core/fade/returning';
import { signed } from '@/core/colour/signed';
import { showTime } from '@/core/runsheet/time';
import type { LookAgain, Measurement, Piece, Treatment } from '@/data/rows';
import { Part } from '@/ui/layout';
import { LinkButton } from '@/ui/links';
import { Worked } from '@/ui/Worked';
import { KeptChoice } from './KeptChoice';
import { assumedLine } from '@/core/assumptions/assumptions';

interface Props {
  looks: readonly LookAgain[];
  piece: Piece;
  measurements: readonly Measurement[];
  treatments: readonly Treatment[];
  timeZone: string;
}

/** After the brightening: rinse, dry, protect; when to look again, and how fast the yellow comes back. */
export function LooksPart({ looks, piece, measurements, treatments, timeZone }: Props) {
  const over = treatments[treatments.length - 1];
  if (looks.length === 0 || !over?.endedAt) return null;
  const coloured = measurements.filter(({ lab, basis }) => lab !== null && basis === 'card');
  const last = coloured.filter(({ measuredAt }) => measuredAt <= over.endedAt!).pop();
  const since = last ? [last, ...coloured.filter(({ measuredAt }) => measuredAt > over.endedAt!)] : [];
  const back = yellowReturning(
    since.map((one) => ({ at: one.measuredAt, b: bOf(one, piece.hiddenLab?.[2] ?? null), sd: sdOf(one) })),
  );
  const open = looks.filter(({ measurementId }) => measurementId === null);
  const storage = (open[0] ?? looks[0]!).storage;
  return (
    <Part title="Afterwards" id="afterwards">
      <Text>
        Rinse it under running water until nothing feels slippery, let it dry overnight, then wax or protectant with UV
        filter. Keep it from the sun.
      </Text>
      {back && (
        <Text mt="2">
          <b>{signed(back.perYear.median)} b* a year</b> ({signed(back.perYear.low)} to {signed(back.perYear.high)})
          since its end, over {back.years.toFixed(1)} years {storage === 'dark' ? 'in the dark' : 'in the light'}.{' '}
          {back.certain ? 'The yellow is coming back.' : 'That may be nothing but the error of measuring.'}
        </Text>
      )}
      {back && (
        <Worked
          lines={[
            {
              what: 'b* since its end',
              how: since
                .map(
                  (one) =>
                    `${showTime(one.measuredAt, timeZone, 'd MMM yyyy')}: ${bOf(one, piece.hiddenLab?.[2] ?? null).toFixed(1)} ± ${sdOf(one).toFixed(1)}`,
                )
                .join(', '),
            },
            {
              what: 'A year',
              how: 'slope of a line through them, each by its own error; 5 % to 95 %',
            },
            assumedLine(['a measured b*']),
          ]}
          source="Least squares."
        />
      )}
      {looks.map(({ id, dueAt, measurementId }) => (
        <Text key={id} mt="1">
          {measurementId ? 'Looked at again' : 'Look again'} about {showTime(dueAt, timeZone, 'd MMMM yyyy')}
          {measurementId ? ': measured.' : ', with the hidden patch beside it.'}
        </Text>
      ))}
      {open.length > 0 && <KeptChoice pieceId={piece.id} storage={storage} />}
      <LinkButton href={`/restorations/${piece.restorationId}/pieces/${piece.id}/measure?stage=brighten`}>
        Measure it now
      </LinkButton>
    </Part>
  );
}
