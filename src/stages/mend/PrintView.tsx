import { Box, Flex, Text } from '@chakra-ui/react';
import { formatMoney } from '@/core/ledger/money';
import { FAMILIES } from '@/core/mending/part/families';
import type { Bed } from '@/core/mending/part/laid';
import { partOf } from '@/core/mending/part/part';
import { printAdvice, printAs, type PrintAdvice } from '@/core/mending/part/printAdvice';
import { Refusal } from '@/core/refusal';
import { viewHref } from '@/core/runsheet/views';
import { withPoint } from '@/core/units';
import type { PartRow, Printer } from '@/data/rows';
import { getWorkshop } from '@/data/workshop';
import { Button } from '@/ui/Button';
import { Fold } from '@/ui/Fold';
import { KeptLine } from '@/ui/KeptLine';
import { TextLink } from '@/ui/links';
import { MainAction } from '@/ui/MainAction';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { Wrong } from '@/ui/Wrong';
import { partBox, partPath } from '@/core/mending/part/drawing';
import { PartDrawing } from './PartDrawing';
import { FitForm, PrinterForm } from './PrintForms';
import { fittedBy, playOf, USUAL_PLAY_MM } from './printing';

const LAY: Record<Bed, string> = {
  below: 'as it is drawn',
  above: 'upside down',
  left: 'on its left side',
  right: 'on its right side',
  front: 'on its front edge',
  back: 'on its back edge',
};

interface Props {
  restorationId: string;
  part: PartRow;
  printers: readonly Printer[];
  printer?: string | undefined;
  play?: string | undefined;
}

/** A part as a printer is given it: its fit, which way up, and where it would fail. */
export async function PrintScreen({ restorationId, part, printers, printer: asked, play: typed }: Props) {
  const { currency } = await getWorkshop();
  const { id, name, family, sizes } = part;
  const printer = printers.find((one) => one.id === asked) ?? (asked === undefined ? printers[0] : undefined);
  const play = playOf(typed);
  const made = sent(part, printer, play);
  const { x, y, width, height } = partBox(family, sizes);
  const file = new URLSearchParams({
    ...{ part: id, as: 'print', play: withPoint(typed ?? String(USUAL_PLAY_MM)) },
    ...(printer && { printer: printer.id }),
  });
  return (
    <>
      <Text mb="2">
        <TextLink href={viewHref(restorationId, 'mend', 'make')}>All parts</TextLink>
      </Text>
      <Flex gap="5" wrap="wrap" align="start">
        <Box width="150px">
          <PartDrawing label={`${name} from above`} box={[x, y, width, height]} path={partPath(family, sizes)} />
        </Box>
        <Box flex="1 1 320px">
          <Text fontSize="20px">
            <b>{name}</b>, {FAMILIES[family].title.toLowerCase()}
          </Text>
          {'wrong' in made ? (
            <Wrong words={[made.wrong]} />
          ) : (
            <>
              <Text mt="2">
                Drawn {box(made.drawn.boxMm)} mm, sent {box(made.sent.boxMm)} mm; about {made.sent.massG.toFixed(1)} g
                {printer && printer.kgMinor !== null && (
                  <>, {formatMoney(Math.round((printer.kgMinor * made.sent.massG) / 1000), currency)}</>
                )}
                .
              </Text>
              <Advice advice={made.advice} />
            </>
          )}
          {!printer && (
            <Text mt="2" borderLeftWidth="8px" borderColor="amber" pl="3">
              No test bar of a printer is kept here: sizes may come out a few tenths off. Print the bar below once, and
              type what it measures.
            </Text>
          )}
        </Box>
      </Flex>
      <FitForm
        key={`${printer?.id ?? ''} ${typed ?? ''}`}
        action={viewHref(restorationId, 'mend', 'make')}
        partId={id}
        printers={printers.map((one) => ({ value: one.id, label: one.name }))}
        printerId={printer?.id ?? ''}
        play={typed ?? String(USUAL_PLAY_MM)}
      />
      {!('wrong' in made) && (
        <MainAction>
          <Button asChild look="go" bench>
            <a href={`/api/restorations/${restorationId}/parts?${file.toString()}`} download>
              STL for the printer
            </a>
          </Button>
        </MainAction>
      )}
      <Fold summary="Your printers: what they add and take away" openAtFirst={printers.length === 0}>
        <Printers printers={printers} currency={currency} />
      </Fold>
    </>
  );
}

const box = (mm: readonly number[]) => mm.map((side) => side.toFixed(2)).join(' × ');

function sent({ family, sizes }: PartRow, printer: Printer | undefined, play: number | { wrong: string }) {
  if (typeof play !== 'number') return play;
  try {
    const as = printAs(fittedBy(printer), play);
    return {
      drawn: partOf(family, sizes).solid,
      sent: partOf(family, sizes, as).solid,
      advice: printAdvice(family, sizes, as),
    };
  } catch (error) {
    if (error instanceof Refusal) return { wrong: error.message };
    throw error;
  }
}

/** Which way up, what hangs, what is thin and where it breaks. */
function Advice({ advice: { lay, other, thinMm } }: { advice: PrintAdvice }) {
  const cares = [
    lay.hangsMm2 >= 1 && `${lay.hangsMm2.toFixed(0)} mm² hang in the air: let it print supports there.`,
    lay.falls && 'It stands on little for its height: print it with a brim, or it comes off.',
    lay.breaks &&
      `It breaks along a layer ${lay.breaks.atMm.toFixed(1)} mm up, where it has ${lay.breaks.mm2.toFixed(0)} mm²: run a metal pin through there, or cast it.`,
    thinMm !== null &&
      `Its thinnest wall comes to ${thinMm.toFixed(2)} mm, fewer than three lines of a usual nozzle: make it thicker where there is room.`,
  ].filter((words) => words !== false && words !== null);
  return (
    <>
      <Text mt="2" fontSize="18px">
        Lay it <b>{LAY[lay.bed]}</b>: {lay.highMm.toFixed(1)} mm high on {lay.standsOnMm2.toFixed(0)} mm².
      </Text>
      {cares.map((words) => (
        <Text key={words} borderLeftWidth="8px" borderColor="amber" pl="3" mt="1">
          {words}
        </Text>
      ))}
      {cares.length === 0 && <Text>Nothing hangs, nothing is thin, and no narrow layer lies across it.</Text>}
      <Text color="soft" mt="1">
        Next best: {LAY[other.bed]}, {other.highMm.toFixed(1)} mm high, {other.hangsMm2.toFixed(0)} mm² hanging
        {other.breaks && ', breaks along its layers'}
        {other.falls && ', stands badly'}.
      </Text>
    </>
  );
}

function Printers({ printers, currency }: { printers: readonly Printer[]; currency: string }) {
  return (
    <>
      {printers.map((printer) => {
        const { shrink, growMm } = fittedBy(printer)!;
        return (
          <KeptLine key={printer.id} aside={<TakeThingBack what="printer" id={printer.id} name={printer.name} />}>
            <Text>
              <b>{printer.name}</b>: makes {(100 * shrink).toFixed(2)} % of a length, and everything{' '}
              {Math.abs(growMm).toFixed(2)} mm {growMm < 0 ? 'narrower' : 'wider'}, holes{' '}
              {growMm < 0 ? 'wider' : 'narrower'}.
            </Text>
          </KeptLine>
        );
      })}
      <Text mt="3" mb="2" maxWidth="62ch">
        Print the bar with the settings and the filament that the part is printed with. Measure its length, its pin and
        its hole with a caliper, each at three places.
      </Text>
      <Button asChild>
        <a href="/api/workshop/test-bar" download>
          Test bar as STL
        </a>
      </Button>
      <Box mt="3">
        <PrinterForm currency={currency} />
      </Box>
    </>
  );
}
