'use client';

import { Box, Grid, Text } from '@chakra-ui/react';
import { holeDepth, lotWords } from '@/core/teardown/lots';
import { cellName } from '@/core/teardown/tray';
import type { LotRow, RemovalStep, Tray } from '@/data/rows';
import { AnswerForm } from '@/ui/AnswerForm';
import { DataTable } from '@/ui/DataTable';
import { Fold } from '@/ui/Fold';
import { EmptyPlace, Part } from '@/ui/layout';
import { boxFor, Screw } from '@/ui/Screw';
import { addSortingTray } from './actions';
import { placeOf } from './StepCard';

interface Props {
  lots: readonly LotRow[];
  steps: readonly RemovalStep[];
  trays: readonly Tray[];
  /** Cells that other machines have. */
  taken: readonly { tray: string; cell: number; machine: string }[];
}

/** The tray as a tray: every lot in its cell, all at one scale. */
export function TrayPart({ lots, steps, trays, taken }: Props) {
  const box = boxFor(lots);
  const nameOf = (stepId: string) => steps.find(({ id }) => id === stepId)?.name ?? '';
  return (
    <Part title="The tray" id="tray">
      {trays.length === 0 && (
        <EmptyPlace>
          No tray yet. Say how many cells yours has, and each lot gets one, in the order of teardown.
        </EmptyPlace>
      )}
      {trays.map((tray) => (
        <Box key={tray.id} mb="4">
          <Text fontWeight="650">{tray.name}</Text>
          <Grid
            templateColumns={`repeat(${tray.columns}, minmax(0, 1fr))`}
            borderWidth="3px"
            borderColor="lineStrong"
            bg="sheet"
            role="list"
            aria-label={`Tray ${tray.name}`}
          >
            {Array.from({ length: tray.columns * tray.rows }, (_, cell) => {
              const lot = lots.find(
                (known) =>
                  known.tray === tray.name && known.cell === cell && known.returned + known.missing < known.count,
              );
              const other = lot ? undefined : taken.find((known) => known.tray === tray.name && known.cell === cell);
              return (
                <Box
                  key={cell}
                  role="listitem"
                  borderWidth="1px"
                  borderColor="line"
                  p="1"
                  minHeight="92px"
                  minWidth="0"
                >
                  <Text fontSize="13px" color="soft">
                    {cellName(cell, tray)}
                    {lot && ` ${lot.count}×`}
                  </Text>
                  {other && (
                    <Text fontSize="13px" lineClamp={3}>
                      {other.machine}
                    </Text>
                  )}
                  {lot && (
                    <>
                      <Box height="56px">
                        <Screw screw={lot} boxMm={box} title={`${nameOf(lot.stepId)}: ${lotWords(lot)}`} />
                      </Box>
                      <Text fontSize="13px" lineClamp={1}>
                        {nameOf(lot.stepId)}
                      </Text>
                    </>
                  )}
                </Box>
              );
            })}
          </Grid>
        </Box>
      ))}
      {lots.length > 0 && (
        <Fold summary="The tray in figures" quiet>
          <DataTable
            caption="In the order put away"
            rows={lots}
            rowKey={({ id }) => id}
            columns={[
              { title: 'Cell', cell: (lot) => placeOf(lot, trays) },
              { title: 'From', cell: ({ stepId }) => nameOf(stepId) },
              { title: 'Lot', cell: (lot) => lotWords(lot) },
              { title: 'Deepest hole, mm', figure: true, cell: (lot) => holeDepth(lot, lot.deepestMm) },
            ]}
          />
        </Fold>
      )}
      <Fold summary="A tray of your own">
        <AnswerForm
          draftKey="tray"
          fields={[
            { name: 'name', label: 'Name on the tray' },
            { name: 'columns', label: 'Cells across', kind: 'number', half: true },
            { name: 'rows', label: 'Cells down', kind: 'number', half: true },
          ]}
          initial={{ name: '', columns: '6', rows: '4' }}
          submit="Add tray"
          done="Tray added."
          send={(values) => addSortingTray(values)}
        />
      </Fold>
    </Part>
  );
}
