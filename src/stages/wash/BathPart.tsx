'use client';

import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useState } from 'react';
import { showMinutes } from '@/core/runsheet/time';
import { Cautions } from '@/ui/Cautions';
import { Check } from '@/ui/Check';
import { showSpan, useNow } from '@/ui/clock';
import { Part } from '@/ui/layout';
import { MainAction } from '@/ui/MainAction';
import { say } from '@/ui/toast';
import { useReadCautions } from '@/ui/useReadCautions';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { endBathOf, startBathOf } from './actions';
import type { Bathing, BathView } from './bathView';

/** The bath first: all plastic that may go in, together, before any spot is named. */
export function BathPart({ restorationId, bath }: { restorationId: string; bath: BathView }) {
  if (bath.running) return <OutOfBath restorationId={restorationId} running={bath.running} />;
  if (bath.pieces.every(({ bathed, out }) => bathed || out !== null)) return null;
  return <IntoBath restorationId={restorationId} bath={bath} />;
}

const partsWords = ({ parts, minutes }: Bathing) =>
  `${parts > 1 ? `${parts} parts, ` : ''}about ${showMinutes(minutes)} to scrub`;

function IntoBath({ restorationId, bath: { ways, pieces } }: { restorationId: string; bath: BathView }) {
  const { wrong, busy, send } = useSend();
  const may = pieces.filter(({ out }) => out === null);
  const [chosen, setChosen] = useState<readonly string[]>(() =>
    may.filter(({ bathed }) => !bathed).map(({ id }) => id),
  );
  const [agent, setAgent] = useState(ways[0]!.agent);
  const way = ways.find((known) => known.agent === agent)!;
  const { areRead, onChange } = useReadCautions(way.cautions);
  const going = may.filter(({ id }) => chosen.includes(id));
  const labels = going.filter(({ label }) => label !== '');
  const minutes = going.reduce((sum, piece) => sum + piece.minutes, 0);
  return (
    <Part title="The bath first" id="bath">
      <Text mb="2">
        All loose plastic goes into warm soapy water together; what a spot is made of is named after that.{' '}
        {way.mix && `${way.mix}. `}
        {way.dwellMin > 0 ? `${way.dwellMin} min to soak, then a brush on every face.` : way.does}
      </Text>
      <Flex gap="2" wrap="wrap" role="group" aria-label="How" mb="2">
        {ways.map(({ agent: id, title }) => (
          <Button
            key={id}
            aria-pressed={agent === id}
            look={agent === id ? 'go' : 'quiet'}
            onClick={() => setAgent(id)}
          >
            {title}
          </Button>
        ))}
      </Flex>
      <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} columnGap="6" role="group" aria-label="What goes in">
        {may.map((piece) => (
          <Check
            key={piece.id}
            checked={chosen.includes(piece.id)}
            onChange={(is) => setChosen(is ? [...chosen, piece.id] : chosen.filter((id) => id !== piece.id))}
          >
            <b>{piece.tag}</b> {piece.name}
            <Text as="span" color="soft">
              , {partsWords(piece)}
              {piece.bathed && ', was in before'}
            </Text>
          </Check>
        ))}
      </Grid>
      {pieces
        .filter(({ out }) => out !== null)
        .map(({ id, tag, name, out }) => (
          <Text key={id} color="soft">
            Not in: <b>{tag}</b> {name}, {out}.
          </Text>
        ))}
      {labels.map(({ id, tag, label }) => (
        <Text key={id} borderLeftWidth="8px" borderColor="amber" pl="3" my="2" fontWeight="650">
          Cover first: {tag}, {label}. Lift it, or tape it over whole and keep it above the water.
        </Text>
      ))}
      {way.cautions.length > 0 && <Cautions cautions={way.cautions} confirm={{ checked: areRead, onChange }} />}
      <Wrong words={wrong} />
      <MainAction>
        <Button
          look="go"
          bench
          flex="1"
          whiteSpace="normal"
          height="auto"
          py="3"
          loading={busy}
          disabled={going.length === 0}
          onClick={() =>
            send(
              (once) =>
                startBathOf(
                  once({
                    restorationId,
                    pieceIds: going.map(({ id }) => id),
                    agent,
                    confirmed: areRead,
                  }),
                ),
              () => say(way.dwellMin > 0 ? 'They soak. It rings when the brush may begin.' : 'Under way.'),
            )
          }
        >
          {way.dwellMin > 0 ? 'Start the soak' : 'Start'}: {going.length} {going.length === 1 ? 'piece' : 'pieces'},
          about {showMinutes(minutes)} of hands
        </Button>
      </MainAction>
    </Part>
  );
}

function OutOfBath({ restorationId, running }: { restorationId: string; running: NonNullable<BathView['running']> }) {
  const now = useNow();
  const { wrong, busy, send } = useSend();
  const [left, setLeft] = useState<readonly string[]>([]);
  const ms = running.dueAt === null ? 0 : Date.parse(running.dueAt) - now;
  const due = now > 0 && running.dueAt !== null && ms <= 0;
  return (
    <Part title="In the bath" id="bath">
      <Text fontFamily="heading" fontWeight="650" fontSize={{ base: '26px', md: '30px' }} lineHeight="1.15">
        {running.title}
      </Text>
      {running.dueAt !== null && (
        <Text
          fontFamily="mono"
          fontSize="44px"
          lineHeight="1.1"
          bg={due ? 'amber' : 'transparent'}
          color={due ? 'onAmber' : 'ink'}
          px="2"
        >
          {now === 0 ? '––:––' : showSpan(ms)}
          <Text as="span" fontSize="18px">
            {' '}
            {due ? 'over: brush every face' : 'left to soak'}
          </Text>
        </Text>
      )}
      <Text my="2">
        Brush, rinse: {running.rinse}. Untick what still has something on it; its ladder goes on from here.
      </Text>
      <Box role="group" aria-label="What came clean">
        {running.pieces.map(({ id, tag, name }) => (
          <Check
            key={id}
            checked={!left.includes(id)}
            onChange={(clean) => setLeft(clean ? left.filter((other) => other !== id) : [...left, id])}
          >
            <b>{tag}</b> {name}: {left.includes(id) ? 'better, something is left' : 'clean'}
          </Check>
        ))}
      </Box>
      <Wrong words={wrong} />
      <MainAction>
        <Button
          look="go"
          bench
          flex="1"
          loading={busy}
          onClick={() =>
            send(
              (once) =>
                endBathOf(
                  once({
                    restorationId,
                    came: running.pieces.map(({ id }) => ({
                      pieceId: id,
                      outcome: left.includes(id) ? 'better' : 'gone',
                    })),
                  }),
                ),
              () => say('Rinsed. They dry by the clock now.'),
            )
          }
        >
          Out of the bath
        </Button>
      </MainAction>
    </Part>
  );
}
