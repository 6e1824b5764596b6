'use client';

import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import dynamic from 'next/dynamic';
import { JOINTS, WAY_ROUND } from '@/core/teardown/joints';
import { isSameKind, lotWords } from '@/core/teardown/lots';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { cellName } from '@/core/teardown/tray';
import type { ConnectionRow, LotRow, Piece, RemovalStep, Tray } from '@/data/rows';
import { AnswerForm } from '@/ui/AnswerForm';
import { Fold } from '@/ui/Fold';
import { PhotoUpload } from '@/ui/PhotoUpload';
import { boxFor, Screw } from '@/ui/Screw';
import { LaterConfirm } from '@/ui/LaterConfirm';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { recountFasteners, removeStep, setPieceOfStep, pinFasteners, putIntoTray } from './actions';

// The question comes after the page: it is not the first thing that anybody taps.
// Forms come when they are unfolded.
const ConnectionForm = dynamic(() => import('./ConnectionForm').then((part) => part.ConnectionForm));
const PinPhoto = dynamic(() => import('./PinPhoto').then((part) => part.PinPhoto));
const LotForm = dynamic(() => import('./LotForm').then((part) => part.LotForm));

interface Props {
  step: RemovalStep;
  lots: readonly LotRow[];
  connections: readonly ConnectionRow[];
  /** The lot put away last, whichever step it came from. */
  lastLot: LotRow | null;
  trays: readonly Tray[];
  size: { width: number; height: number } | null;
  pieces: readonly Piece[];
}

export const placeOf = (lot: LotRow, trays: readonly Tray[]): string => {
  const tray = trays.find(({ name }) => name === lot.tray);
  return tray && lot.cell !== null ? `${tray.name} ${cellName(lot.cell, tray)}` : 'no cell';
};

/** One step with its photograph, fasteners and connections. */
export function StepCard({ step, lots, connections, lastLot, trays, size, pieces }: Props) {
  const box = boxFor(lots);
  const { wrong, busy, send } = useSend();
  return (
    <Box pb="4">
      <Text color="soft" mb="3">
        {[JOINTS[step.joint].title, step.way, step.springs, step.offBy && `by ${step.offBy}`]
          .filter(Boolean)
          .join(' · ')}
      </Text>
      <Wrong words={wrong} />
      <Grid templateColumns="repeat(auto-fit, minmax(min(100%, 300px), 1fr))" gap="5">
        <Box>
          {step.photoId !== null && size ? (
            <PinPhoto
              step={step}
              photoId={step.photoId}
              size={size}
              onPins={(pins) => send(() => pinFasteners({ stepId: step.id, photoId: step.photoId, pins }))}
            />
          ) : (
            <PhotoUpload
              restorationId={step.restorationId}
              stage="teardown"
              pieceId={null}
              onAdded={([photoId]) => photoId && send(() => pinFasteners({ stepId: step.id, photoId, pins: [] }))}
            />
          )}
        </Box>
        <Box>
          {lots.map((lot) => (
            <LotLine
              key={lot.id}
              lot={lot}
              box={box}
              place={placeOf(lot, trays)}
              busy={busy}
              onCount={(to) => send(() => recountFasteners(lot.id, to))}
            />
          ))}
          {lastLot && !lots.some((lot) => isSameKind(lot, lastLot)) && (
            <Button
              width="100%"
              mb="3"
              bench
              whiteSpace="normal"
              height="auto"
              py="3"
              loading={busy}
              onClick={() =>
                send((once) =>
                  putIntoTray(
                    once({ ...kindOf(lastLot), stepId: step.id, count: lastLot.count, deepestMm: lastLot.deepestMm }),
                  ),
                )
              }
            >
              The same again: {lotWords(lastLot)}
            </Button>
          )}
          <Fold
            summary={lots.length === 0 ? 'Put its fasteners into the tray' : 'Other fasteners'}
            openAtFirst={step.joint === 'screws' && lots.length === 0 && lastLot === null}
          >
            <LotForm stepId={step.id} like={lastLot} />
          </Fold>
          {connections.map(({ id, kind, way }) => (
            <Text key={id} borderTopWidth="1px" borderColor="line" py="2">
              <b>{JOINTS[kind].title}</b>: {way} <TakeThingBack what="connection" id={id} name={way} />
            </Text>
          ))}
          <Fold
            summary="A plug, ribbon or wire was undone"
            openAtFirst={WAY_ROUND.includes(step.joint) && connections.length === 0}
          >
            <ConnectionForm stepId={step.id} joint={step.joint} />
          </Fold>
          {pieces.length > 0 && (
            <Fold
              summary={step.pieceId ? `It is ${pieceName(pieces, step.pieceId)}` : 'Which tagged piece is it?'}
              quiet
            >
              <AnswerForm
                fields={[
                  {
                    name: 'pieceId',
                    label: 'It is',
                    kind: 'choice',
                    options: [
                      { value: '', label: 'no tagged piece' },
                      ...pieces.map(({ id, tag, name }) => ({ value: id, label: `${tag} ${name}` })),
                    ],
                  },
                ]}
                initial={{ pieceId: step.pieceId ?? '' }}
                submit="It is this"
                done="Noted. While it dries it does not go on."
                keeps
                draftKey={`step-piece:${step.id}`}
                send={(values) => setPieceOfStep({ stepId: step.id, ...values })}
              />
            </Fold>
          )}
          {step.onAt === null && (
            <LaterConfirm
              trigger={<Button look="bare">Take this step back</Button>}
              title={`“${step.name}” did not come off?`}
              yes="Take it back"
              onYes={() => send(() => removeStep(step.id))}
            >
              <Text>Its fasteners and connections go with it. The log keeps what was written.</Text>
            </LaterConfirm>
          )}
        </Box>
      </Grid>
    </Box>
  );
}

const pieceName = (pieces: readonly Piece[], id: string): string => {
  const piece = pieces.find((known) => known.id === id);
  return piece ? `${piece.tag} ${piece.name}` : 'a piece';
};

const kindOf = ({ thing, drive, head, diameterMm, lengthMm, shank, fate }: LotRow) => ({
  thing,
  drive,
  head,
  diameterMm,
  lengthMm,
  shank,
  fate,
});

interface LotProps {
  lot: LotRow;
  /** One scale for all lots of a step. */
  box: ReturnType<typeof boxFor>;
  place: string;
  busy: boolean;
  onCount: (to: number) => void;
}

function LotLine({ lot, box, place, busy, onCount }: LotProps) {
  return (
    <Flex align="center" gap="3" borderTopWidth="1px" borderColor="line" py="2">
      <Box width="44px" height="64px" flex="none">
        <Screw screw={lot} boxMm={box} title={lotWords(lot)} />
      </Box>
      <Box flex="1" minWidth="0">
        <Text fontWeight="650">{lotWords(lot)}</Text>
        <Text color="soft" fontSize="15px">
          {place}
        </Text>
        <TakeThingBack what="lot" id={lot.id} name={lotWords(lot)} />
      </Box>
      <Button
        aria-label="One fewer"
        disabled={busy || lot.count <= 1}
        onClick={() => onCount(lot.count - 1)}
        minWidth="52px"
        height="52px"
      >
        −
      </Button>
      <Text fontFamily="mono" fontSize="24px" minWidth="2ch" textAlign="center" aria-live="polite">
        {lot.count}
      </Text>
      <Button
        aria-label="One more"
        disabled={busy}
        onClick={() => onCount(lot.count + 1)}
        minWidth="52px"
        height="52px"
      >
        +
      </Button>
    </Flex>
  );
}
