'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { contactsToMend, MEASURE, MEASURES, mixedSprings, partsOff, type Measure } from '@/core/keyboard/measured';
import { withPoint } from '@/core/units';
import { usualContactLimits } from '@/core/keyboard/trace';
import type { ContactLimitsRow, KeyboardRow, KeyMeasureRow } from '@/data/rows';
import { KIND } from '@/core/keyboard/kinds';
import { AnswerForm } from '@/ui/AnswerForm';
import { Button } from '@/ui/Button';
import { Fold } from '@/ui/Fold';
import { TextBox } from '@/ui/Typed';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { keepMeasure, saveLimits } from './actions';
import { BoardDrawing, type Mark } from './BoardDrawing';
import { Chips } from '@/ui/Chips';

/** Contact that a meter shows open, as a number that stands over every limit. */
const OPEN_OHMS = 1e9;

/** Parts by measure: what each key’s part reads, the odd ones on the board, and springs that were mixed up. */
export function MeasuredPart({
  board,
  measures,
  ownLimits,
}: {
  board: KeyboardRow;
  measures: readonly KeyMeasureRow[];
  ownLimits: ContactLimitsRow | null;
}) {
  const limits = ownLimits ?? usualContactLimits();
  const can = MEASURES.filter((what) => MEASURE[what].for.includes(board.kind));
  const [what, setWhat] = useState<Measure>(can[0]!);
  const [key, setKey] = useState<string | null>(null);
  const [typed, setTyped] = useState('');
  const { wrong, busy, send } = useSend();
  const { unit, title } = MEASURE[what];
  // The newest of a key counts.
  const newest = new Map(measures.filter((one) => one.what === what).map((one) => [one.key, one]));
  const values = Object.fromEntries([...newest].map(([id, { value }]) => [id, value ?? OPEN_OHMS]));
  const off = what === 'pad' ? null : partsOff(values);
  const contacts = what === 'pad' ? contactsToMend(values, limits) : [];
  const springs = what.startsWith('spring') ? mixedSprings(board.keys, values) : [];
  const shown = (value: number | null) => (value === null || value >= OPEN_OHMS ? 'open' : `${value} ${unit}`);
  const odd = new Set([...(off?.off.map((one) => one.key) ?? []), ...contacts.map((one) => one.key)]);
  const marks: Record<string, Mark> = Object.fromEntries([
    ...[...newest.keys()].map((id): [string, Mark] => [
      id,
      odd.has(id)
        ? { tone: 'bad', sign: '×', words: `${shown(values[id]!)}, odd` }
        : { tone: 'good', sign: '✓', words: shown(values[id]!) },
    ]),
    ...(key ? [[key, { tone: 'chosen', sign: '›', words: 'measured now' }] as [string, Mark]] : []),
  ]);
  const keep = (open: boolean) =>
    send(
      (once) =>
        keepMeasure(
          once({
            ...{ keyboardId: board.id, what, key: key ?? '', open },
            ...(open || typed.trim() === '' ? {} : { value: withPoint(typed).trim() }),
          }),
        ),
      () => {
        setTyped('');
        // On to the next that has none, in the order of the board.
        const at = board.keys.findIndex(({ id }) => id === key);
        setKey(board.keys.slice(at + 1).find(({ id }) => !newest.has(id))?.id ?? null);
      },
    );
  const last = key === null ? null : newest.get(key);
  return (
    <Fold summary={`Parts by measure${measures.length > 0 ? `: ${measures.length} measured` : ''}`}>
      <Chips
        label="What is measured"
        of={can}
        words={Object.fromEntries(can.map((one) => [one, MEASURE[one].title])) as Record<Measure, string>}
        chosen={what}
        onChoose={setWhat}
      />
      <BoardDrawing
        board={board}
        label={`${title} of each key of ${board.name}`}
        marks={marks}
        onTap={(id) => setKey(id === key ? null : id)}
      />
      <Flex
        as="form"
        gap="2"
        wrap="wrap"
        align="end"
        mt="2"
        onSubmit={(event) => {
          event.preventDefault();
          keep(false);
        }}
      >
        <label>
          <Text fontSize="15px">
            {key === null ? `Tap a key; ${title.toLowerCase()}, ${unit}` : `${title} of ${key}, ${unit}`}
          </Text>
          <TextBox inputMode="decimal" figures value={typed} onChange={(event) => setTyped(event.target.value)} />
        </label>
        <Button type="submit" disabled={busy || key === null}>
          Keep it
        </Button>
        {what === 'pad' && (
          <Button disabled={busy || key === null} onClick={() => keep(true)}>
            Open
          </Button>
        )}
        {last && <TakeThingBack what="measured part" id={last.id} name={`${shown(last.value)} of ${last.key}`} />}
      </Flex>
      <Box aria-live="polite" mt="2">
        {contacts.map((one) => (
          <Text key={one.key}>
            <b>{one.key}</b>: {shown(one.value)}.{' '}
            {one.verdict === 'clean' ? 'Clean it.' : 'Clean it first, then renew it.'}
          </Text>
        ))}
        {springs.map(({ stiffUnder, belongsUnder }) => (
          <Text key={stiffUnder}>
            The stiff spring under <b>{stiffUnder}</b> looks like that of <b>{belongsUnder}</b>: the two may be mixed
            up.
          </Text>
        ))}
        {off?.off
          .filter((one) => !springs.some(({ stiffUnder }) => stiffUnder === one.key))
          .map((one) => (
            <Text key={one.key}>
              <b>{one.key}</b>: {shown(one.value)}, {one.side === 'low' ? 'below' : 'above'} the rest (about{' '}
              {off.middle} {unit}).
            </Text>
          ))}
        {what !== 'pad' && newest.size > 0 && !off && <Text color="soft">From five keys on, odd ones are named.</Text>}
        {newest.size >= 5 && odd.size === 0 && <Text>None of the {newest.size} measured is odd.</Text>}
      </Box>
      {what === 'pad' && <Limits board={board} own={ownLimits} />}
      <Wrong words={wrong} />
    </Fold>
  );
}

/** What a contact of this kind may read, by a handbook or by the workshop’s own service sheet. */
function Limits({ board, own }: { board: KeyboardRow; own: ContactLimitsRow | null }) {
  const { passOhms, cleanOhms } = own ?? usualContactLimits();
  const kind = KIND[board.kind].title;
  return (
    <Fold summary={`Passes under ${passOhms} Ω, cleaned up to ${cleanOhms} Ω${own ? ': own limits' : ''}`}>
      <Text color="soft" mb="2">
        For every keyboard of this kind: {kind[0]!.toLowerCase() + kind.slice(1)}.
      </Text>
      <AnswerForm<void>
        draftKey={`limits-${board.kind}`}
        fields={[
          { name: 'passOhms', label: 'Passes under', kind: 'number', unit: 'Ω', half: true },
          { name: 'cleanOhms', label: 'Cleaned up to', kind: 'number', unit: 'Ω', half: true },
        ]}
        initial={{ passOhms: String(passOhms), cleanOhms: String(cleanOhms) }}
        submit="Keep these limits"
        done="Limits kept."
        send={(values) => saveLimits({ kind: board.kind, ...values })}
      />
      {own && (
        <TakeThingBack what="contact limits" id={own.id} name="own limits of contacts">
          Back to the usual ones
        </TakeThingBack>
      )}
    </Fold>
  );
}
