'use client';

import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { coatFaults, dewMargin, type CoatWay, type PaintSheet } from '@/core/finish/coat';
import { BRUSH_CAUTION, COAT_KINDS, SPRAY_CAUTION, type CoatKind } from '@/core/finish/coatKinds';
import { faultWords } from '@/core/finish/coatWords';
import { withPoint } from '@/core/units';
import { Button } from '@/ui/Button';
import { Cautions } from '@/ui/Cautions';
import { Check } from '@/ui/Check';
import { Fold } from '@/ui/Fold';
import { LabelledBox } from '@/ui/LabelledBox';
import { MainAction } from '@/ui/MainAction';
import { Select } from '@/ui/Select';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { OffAgain } from './OffAgain';
import { SheetForm } from './SheetForm';
import { coated, layNext, oneMore } from './actions';

export interface CoatLine {
  id: string;
  kind: CoatKind;
  /** When it was laid, or when it is planned for, in words. */
  when: string;
  laid: boolean;
  keyed: boolean;
  sheet: PaintSheet;
}

interface Props {
  jobId: string;
  way: CoatWay;
  inside: boolean;
  sheet: PaintSheet;
  coats: readonly CoatLine[];
  /** How the last coat stands, in words. */
  state: string | null;
  /** Whether the uppermost coat lets the next one follow now. */
  mayFollow: boolean;
  /** The uppermost coat bears. */
  through: boolean;
  /** Whether a test spot is asked for before the first coat. */
  tested: 'ask' | 'no';
  /** What is outlined and has to be covered before the first coat. */
  masks: readonly string[];
  /** What it may come out of, and how much a coat takes, mL. */
  cans: readonly { value: string; label: string }[];
  ml: number;
}

const number = (typed: string) => Number(withPoint(typed).trim() || NaN);

/** The coats of a job in their order, whether the next may be laid now, and what is done when it may not. */
export function CoatPart(props: Props) {
  const { jobId, way, inside, sheet, coats, state, mayFollow, through, masks, cans, ml } = props;
  const { wrong, busy, send } = useSend();
  const [read, setRead] = useState({ airC: '', surfaceC: '', humidityPercent: '', windMs: '' });
  const [airDrawn, setAirDrawn] = useState(false);
  const [tested, setTested] = useState(false);
  const [covered, setCovered] = useState(false);
  const [stockId, setStockId] = useState('');
  const [more, setMore] = useState<CoatKind>('top coat');
  const next = coats.find(({ laid }) => !laid);
  const top = coats.findLast(({ laid }) => laid);
  const air = {
    ...{ airC: number(read.airC), surfaceC: number(read.surfaceC), humidityPercent: number(read.humidityPercent) },
    ...{ windMs: inside || read.windMs.trim() === '' ? 0 : number(read.windMs), rainMm: 0, at: new Date(0) },
  };
  const complete = [air.airC, air.surfaceC, air.humidityPercent, air.windMs].every(Number.isFinite);
  const faults = complete && air.humidityPercent > 0 ? coatFaults(air, sheet, way, inside) : [];
  const box = (name: keyof typeof read, label: string) => (
    <LabelledBox
      label={label}
      inputMode="decimal"
      figures
      value={read[name]}
      onChange={(event) => setRead({ ...read, [name]: event.target.value })}
    />
  );
  return (
    <>
      <Box as="ol" listStyleType="none" pl="0" mb="3">
        {coats.map(({ id, kind, when, laid, keyed, sheet: own }, i) => (
          <Flex as="li" key={id} gap="3" wrap="wrap" align="center" borderTopWidth="1px" borderColor="line" py="2">
            <Text flex="1 1 220px">
              <b>
                {i + 1}. {kind}
              </b>{' '}
              {when}
              {keyed && ', keyed first'}
            </Text>
            {laid && id === top?.id && <OffAgain coatId={id} kind={kind} />}
            {!laid && <TakeThingBack what="coat" id={id} name={kind} />}
            {!laid && (
              <Box flexBasis="100%">
                <Fold quiet summary={`Can and sheet of coat ${i + 1}`}>
                  {id === next?.id && cans.length > 0 && (
                    <label>
                      <Text fontSize="15px">It comes out of</Text>
                      <Select
                        value={stockId}
                        options={[{ value: '', label: 'not from the stores' }, ...cans]}
                        onChange={(event) => setStockId(event.target.value)}
                      />
                      {stockId !== '' && <Text color="soft">About {ml} mL are taken out of it.</Text>}
                    </label>
                  )}
                  <SheetForm coatId={id} sheet={own} />
                </Fold>
              </Box>
            )}
          </Flex>
        ))}
      </Box>
      {state && (
        <Text fontWeight="650" mb="2">
          {state}
        </Text>
      )}
      {next && (
        <>
          <Heading as="h3" fontSize="20px">
            May the {next.kind} be laid now?
          </Heading>
          <Flex gap="3" wrap="wrap" mt="1">
            {box('airC', 'Air, °C')}
            {box('surfaceC', 'Surface, °C')}
            {box('humidityPercent', 'Humidity, %')}
            {!inside && box('windMs', 'Wind, m/s')}
          </Flex>
          <Text aria-live="polite" my="2" fontWeight="650">
            {!complete
              ? 'Read thermometer and hygrometer where it is coated; the surface by a thermometer laid on it.'
              : faults.length > 0
                ? `Not now: ${faults.map(faultWords).join('; ')}.`
                : `This air lets it: the surface is ${dewMargin(air).toFixed(1)} °C above the dew point.`}
          </Text>
          <Cautions cautions={[way === 'sprayed' ? SPRAY_CAUTION : BRUSH_CAUTION]} />
          {way === 'sprayed' && inside && (
            <Check checked={airDrawn} onChange={setAirDrawn}>
              The air is drawn off outdoors
            </Check>
          )}
          {props.tested === 'ask' && (
            <Check checked={tested} onChange={setTested}>
              A spot was tried on a hidden place, and holds
            </Check>
          )}
          {masks.length > 0 && (
            <Check checked={covered} onChange={setCovered}>
              Covered: {masks.join(', ')}
            </Check>
          )}
          <MainAction>
            <Button
              look="go"
              bench
              disabled={busy || !mayFollow}
              onClick={() =>
                send(
                  (once) =>
                    layNext(
                      once({
                        ...{ jobId, airDrawn, tested, covered, stockId, words: '' },
                        ...Object.fromEntries(
                          Object.entries(read).map(([name, typed]) => [name, withPoint(typed).trim()]),
                        ),
                      }),
                    ),
                  () => say('Laid; the clock to the next one runs.'),
                )
              }
            >
              {`Laid: ${next.kind}`}
            </Button>
          </MainAction>
        </>
      )}
      {!next && through && (
        <MainAction>
          <Button
            look="go"
            bench
            disabled={busy}
            onClick={() =>
              send(
                (once) => coated(once({ jobId })),
                () => say('In the record.'),
              )
            }
          >
            It is coated
          </Button>
        </MainAction>
      )}
      <Fold quiet summary="One coat more">
        <Flex gap="2" wrap="wrap" align="center">
          <Select
            aria-label="Kind of coat"
            value={more}
            options={COAT_KINDS.map((value) => ({ value, label: value }))}
            onChange={(event) => setMore(event.target.value as CoatKind)}
          />
          <Button disabled={busy} onClick={() => send((once) => oneMore(once({ jobId, kind: more })))}>
            Into the plan
          </Button>
        </Flex>
      </Fold>
      <Wrong words={wrong} />
    </>
  );
}
