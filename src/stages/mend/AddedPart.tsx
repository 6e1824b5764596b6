'use client';

import { Flex, Text } from '@chakra-ui/react';
import type { Point } from '@/core/picture/picture';
import { withPoint } from '@/core/units';
import { Button } from '@/ui/Button';
import { LabelledBox } from '@/ui/LabelledBox';

const KINDS = {
  screwHoles: {
    title: 'Screw hole',
    fields: {
      x: 'From the left, mm',
      y: 'From the top, mm',
      holeMm: 'Hole, mm',
      headMm: 'Its head, mm',
      deepMm: 'Sunk, mm',
    },
  },
  pins: {
    title: 'Pin',
    fields: { x: 'From the left, mm', y: 'From the top, mm', diameterMm: 'Diameter, mm', highMm: 'Height, mm' },
  },
  ribs: {
    title: 'Rib',
    fields: {
      x: 'From: left, mm',
      y: 'From: top, mm',
      x2: 'To: left, mm',
      y2: 'To: top, mm',
      wideMm: 'Width, mm',
      highMm: 'Height, mm',
    },
  },
} as const;
type Kind = keyof typeof KINDS;
const ORDER = ['screwHoles', 'pins', 'ribs'] as const satisfies readonly Kind[];

/** What a flat part is given, as it is typed. */
export interface Added {
  chamfer: string;
  things: readonly { kind: Kind; typed: Readonly<Record<string, string>> }[];
}
export const NOTHING_ADDED: Added = { chamfer: '', things: [] };

/** The same as the sizes of a flat part, from the upper left of its outline. */
export function addedSizes({ chamfer, things }: Added, [left, top]: Point): Record<string, unknown> {
  const number = (typed: string | undefined) => withPoint(typed ?? '').trim();
  const at = (x: string | undefined, y: string | undefined) => [Number(number(x)) + left, Number(number(y)) + top];
  const of = (kind: Kind) =>
    things
      .filter((thing) => thing.kind === kind)
      .map(({ typed: { x, y, x2, y2, ...sizes } }) => ({
        ...(kind === 'ribs' ? { from: at(x, y), to: at(x2, y2) } : { at: at(x, y) }),
        ...Object.fromEntries(Object.entries(sizes).map(([name, value]) => [name, number(value)])),
      }));
  return {
    chamferMm: number(chamfer) || 0,
    ...Object.fromEntries(ORDER.map((kind) => [kind, of(kind)])),
  };
}

/** A chamfer, screw holes whose heads sink in, pins and ribs of a flat part, each by its place and sizes. */
export function AddedPart({ added, onChange }: { added: Added; onChange: (added: Added) => void }) {
  const { chamfer, things } = added;
  return (
    <>
      <Flex>
        <LabelledBox
          label="Chamfer of the upper edge, mm"
          inputMode="decimal"
          figures
          value={chamfer}
          onChange={(event) => onChange({ ...added, chamfer: event.target.value })}
        />
      </Flex>
      {things.map(({ kind, typed }, i) => (
        <fieldset key={i}>
          <Text as="legend" fontWeight="650" mt="3">
            {KINDS[kind].title}
          </Text>
          <Flex gap="3" wrap="wrap" align="end">
            {Object.entries(KINDS[kind].fields).map(([name, label]) => (
              <LabelledBox
                key={name}
                label={label}
                inputMode="decimal"
                figures
                value={typed[name] ?? ''}
                onChange={(event) =>
                  onChange({
                    ...added,
                    things: things.map((one, k) =>
                      k === i ? { kind, typed: { ...one.typed, [name]: event.target.value } } : one,
                    ),
                  })
                }
              />
            ))}
            <Button look="bare" onClick={() => onChange({ ...added, things: things.filter((_, k) => k !== i) })}>
              Without it
            </Button>
          </Flex>
        </fieldset>
      ))}
      <Flex gap="2" wrap="wrap" mt="3">
        {ORDER.map((kind) => (
          <Button
            key={kind}
            onClick={() =>
              onChange({
                ...added,
                things: [
                  ...things,
                  { kind, typed: Object.fromEntries(Object.keys(KINDS[kind].fields).map((name) => [name, ''])) },
                ],
              })
            }
          >
            {`A ${KINDS[kind].title.toLowerCase()}`}
          </Button>
        ))}
      </Flex>
    </>
  );
}
