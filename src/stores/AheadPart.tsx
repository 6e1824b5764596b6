'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { showTime } from '@/core/runsheet/time';
import { AnswerForm } from '@/ui/AnswerForm';
import { Button } from '@/ui/Button';
import { DataTable } from '@/ui/DataTable';
import { Fold } from '@/ui/Fold';
import { say } from '@/ui/toast';
import { useAmount } from '@/ui/units';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import type { Ahead } from './ahead';
import { backOnShelf, keepCare, throwAway, wantIt } from './actions';

interface CareOf {
  id: string;
  name: string;
  unit: string;
  low: string;
  shelf: string;
  keepsDays: string;
  openedAt: string;
  deliveryDays: string;
}

interface Props {
  rows: readonly Ahead[];
  items: readonly CareOf[];
  /** What was thrown away: it can be put back. */
  thrown: readonly { id: string; name: string }[];
  /** What each purchase costs, in the workshop’s money. */
  costs: readonly string[];
  total: string;
  timeZone: string;
}

/** What runs out on which day, the list that keeps the plan, and what is said of each thing on the shelf. */
export function AheadPart({ rows, items, thrown, costs, total, timeZone }: Props) {
  const amount = useAmount();
  const { wrong, busy, send } = useSend();
  const day = (ms: number | null) => (ms === null ? '' : showTime(new Date(ms).toISOString(), timeZone, 'EEE d MMM'));
  const buy = rows.filter((row) => row.buy > 0);
  const planned = ({ planned: sum, uses, unit }: Ahead) =>
    sum > 0 ? amount(sum, unit) : uses === 0 ? '' : uses === 1 ? 'once' : `${uses} times`;
  return (
    <Box>
      {rows.length === 0 ? (
        <Text mb="4">The plan uses nothing that runs out, and nothing is under its lowest stock.</Text>
      ) : (
        <DataTable
          caption="What the plan uses against what is there"
          rows={rows}
          rowKey={({ id, name }) => id ?? name}
          columns={[
            { title: 'What', cell: ({ name, isOld }) => `${name}${isOld ? ', past its age' : ''}` },
            { title: 'Planned', figure: true, cell: planned },
            {
              title: 'There',
              figure: true,
              cell: ({ id, left, unit }) => (id === null ? 'none' : left === null ? 'not known' : amount(left, unit)),
            },
            {
              title: 'Runs out',
              cell: ({ at, lowAt, task }) =>
                at !== null ? `${day(at)}, ${task}` : lowAt !== null ? `under its lowest stock ${day(lowAt)}` : 'lasts',
            },
            { title: 'Order by', cell: ({ orderBy }) => day(orderBy) },
          ]}
        />
      )}
      {buy.length > 0 && (
        <Box my="4">
          <Text fontWeight="650">To buy, so that the plan holds{total && `: ${total} by the prices known`}</Text>
          {buy.map((row) => (
            <Flex
              key={row.id ?? row.name}
              gap="3"
              align="center"
              wrap="wrap"
              borderTopWidth="1px"
              borderColor="line"
              py="1"
            >
              <Text flex="1" minWidth="200px">
                {row.buy > 1 ? `${row.buy} × ` : ''}
                {row.name}
                {costs[rows.indexOf(row)] && `, ${costs[rows.indexOf(row)]}`}, by {day(row.orderBy)}
              </Text>
              <Button
                disabled={busy}
                onClick={() =>
                  send(
                    (once) =>
                      wantIt(
                        once({
                          what: row.name.slice(0, 120),
                          words: row.task ? `for: ${row.task}`.slice(0, 300) : '',
                          restorationId: '',
                        }),
                      ),
                    () => say('On the list of what is to be bought.'),
                  )
                }
              >
                Put on the list
              </Button>
            </Flex>
          ))}
          <Wrong words={wrong} />
        </Box>
      )}
      {items.map(({ id, name, unit, ...care }) => (
        <Fold key={id} summary={`${name}${care.shelf ? `, ${care.shelf}` : ''}`} quiet>
          <AnswerForm
            draftKey={`care:${id}`}
            fields={[
              { name: 'low', label: 'Lowest stock wanted', kind: 'number', unit, half: true, optional: true },
              {
                name: 'shelf',
                label: 'Stands at',
                half: true,
                optional: true,
                hint: 'Like “shelf 2, left”; it is on its label',
              },
              { name: 'openedAt', label: 'Opened on', half: true, optional: true, hint: 'Like 2026-06-21' },
              {
                name: 'keepsDays',
                label: 'Keeps, once open',
                kind: 'number',
                half: true,
                optional: true,
                hint: 'Days, by its sheet',
              },
              {
                name: 'deliveryDays',
                label: 'A new one takes',
                kind: 'number',
                half: true,
                optional: true,
                hint: 'Days from its source; 7 where nothing is said',
              },
            ]}
            initial={care}
            submit="Keep"
            done="Kept."
            send={(values) => keepCare({ stockId: id, ...values })}
            keeps
          />
          <Button
            disabled={busy}
            onClick={() =>
              send(
                (once) => throwAway(once({ stockId: id })),
                () => say('Thrown away: it is on the shelf no more.'),
              )
            }
          >
            Thrown away
          </Button>
        </Fold>
      ))}
      {thrown.map(({ id, name }) => (
        <Flex key={id} gap="3" align="center" wrap="wrap">
          <Text color="soft">{name}, thrown away</Text>
          <Button disabled={busy} onClick={() => send((once) => backOnShelf(once({ stockId: id })))}>
            On the shelf again
          </Button>
        </Flex>
      ))}
    </Box>
  );
}
