'use client';

import { Flex, Text } from '@chakra-ui/react';
import { bowed, type Corner } from '@/core/mending/outline/smooth';
import type { Point } from '@/core/picture/picture';
import { withPoint } from '@/core/units';
import { Button } from '@/ui/Button';
import { LabelledBox } from '@/ui/LabelledBox';

/** An outline keeps so many corners: two of arcs are a disc. */
const LEAST_CORNERS = 2;

/** One corner of an outline in figures: where it lies, and how far the side after it bows. */
export function CornerPart({
  corners,
  from: [left, top],
  chosen,
  onChoose,
  onChange,
}: {
  corners: readonly Corner[];
  /** What its figures are counted from: the upper left of the outline, mm. */
  from: Point;
  chosen: number | null;
  onChoose: (corner: number | null) => void;
  onChange: (corners: readonly Corner[]) => void;
}) {
  const corner = chosen === null ? undefined : corners[chosen];
  if (chosen === null || !corner)
    return (
      <Flex gap="3" align="center" wrap="wrap" mt="2">
        <Button onClick={() => onChoose(0)}>Put a corner right</Button>
        <Text color="soft">Drag a corner, or choose one to type where it lies.</Text>
      </Flex>
    );
  const set = (changes: Partial<Corner>) =>
    onChange(corners.map((one, i) => (i === chosen ? { ...one, ...changes } : one)));
  const figure = (key: string, label: string, value: number, take: (mm: number) => void) => (
    <LabelledBox
      key={`${chosen}${key}`}
      label={label}
      inputMode="decimal"
      figures
      defaultValue={value.toFixed(2)}
      onBlur={(event) => {
        const mm = Number(withPoint(event.target.value).trim() || NaN);
        if (Number.isFinite(mm) && Math.abs(mm - value) > 0.005) take(mm);
      }}
    />
  );
  const next = corners[(chosen + 1) % corners.length]!;
  const [x, y] = corner.at;
  const split = () => {
    const middle: Corner = { at: bowed(corner.at, next.at, corner.bowMm), bowMm: 0 };
    onChange([...corners.slice(0, chosen), { ...corner, bowMm: 0 }, middle, ...corners.slice(chosen + 1)]);
    onChoose(chosen + 1);
  };
  return (
    <>
      <Text mt="3" fontWeight="650">
        Corner {chosen + 1} of {corners.length}
      </Text>
      <Flex gap="3" wrap="wrap" align="end">
        {figure('x', 'From the left, mm', x - left, (mm) => set({ at: [mm + left, y] }))}
        {figure('y', 'From the top, mm', y - top, (mm) => set({ at: [x, mm + top] }))}
        {figure('bow', 'The side after it bows, mm', corner.bowMm, (mm) => set({ bowMm: mm }))}
      </Flex>
      <Flex gap="2" wrap="wrap" mt="2">
        <Button onClick={() => onChoose((chosen + 1) % corners.length)}>Next corner</Button>
        <Button onClick={split}>Another corner after it</Button>
        <Button
          disabled={corners.length <= LEAST_CORNERS}
          onClick={() => {
            onChange(corners.filter((_, i) => i !== chosen));
            onChoose(null);
          }}
        >
          Take it out
        </Button>
        <Button look="bare" onClick={() => onChoose(null)}>
          It is right
        </Button>
      </Flex>
    </>
  );
}
