'use client';

import { Box, Text } from '@chakra-ui/react';
import type { TubRow } from '@/data/rows';
import { AnswerForm } from '@/ui/AnswerForm';
import { Fold } from '@/ui/Fold';
import { EmptyPlace, Part } from '@/ui/layout';
import { addOwnTub } from './actions';

export interface LoadView {
  key: string;
  title: string;
  words: string;
  pieces: string[];
}

interface Props {
  loads: readonly LoadView[];
  tubs: readonly TubRow[];
}

/** Pieces of all restorations that can share a bath now, load by load. */
export function TubPart({ loads, tubs }: Props) {
  return (
    <Part title="Share a bath" id="baths">
      {tubs.length === 0 ? (
        <EmptyPlace>
          No sink or tub yet. Measure yours inside, and Kvell says what fits into one load and how much water and soap
          it takes.
        </EmptyPlace>
      ) : loads.length === 0 ? (
        <Text color="soft" mb="2">
          No piece with a size waits for a bath now.
        </Text>
      ) : (
        loads.map(({ key, title, words, pieces }) => (
          <Box key={key} borderTopWidth="1px" borderColor="line" py="2">
            <Text fontWeight="650">{title}</Text>
            <Text>{pieces.join('; ')}</Text>
            <Text color="soft">{words}</Text>
          </Box>
        ))
      )}
      <Fold summary="A sink or tub of your own">
        <AnswerForm
          draftKey="tub"
          fields={[
            { name: 'name', label: 'Name', half: true },
            { name: 'lengthMm', label: 'Length inside', kind: 'number', unit: 'mm', half: true },
            { name: 'widthMm', label: 'Width inside', kind: 'number', unit: 'mm', half: true },
            { name: 'depthMm', label: 'Depth inside', kind: 'number', unit: 'mm', half: true },
          ]}
          initial={{ name: '', lengthMm: '', widthMm: '', depthMm: '' }}
          submit="Add this tub"
          done="Tub added."
          send={(values) => addOwnTub(values)}
        />
      </Fold>
    </Part>
  );
}
