'use client';

import { Box, Text } from '@chakra-ui/react';
import { DataTable } from '@/ui/DataTable';
import { Fold } from '@/ui/Fold';

/** A share that was seen, in words and figures. */
interface ShownShare {
  name: string;
  of: number;
  share: number | null;
  low: number;
  high: number;
}

export interface ShownLearnt {
  ways: {
    name: string;
    pieces: number;
    fell: string;
    sessions: string;
    hours: string;
    minutes: string;
    cost: string;
  }[];
  agents: ShownShare[];
  repairs: ShownShare[];
  forecasts: ShownShare[];
  /** How fast yellow came back: of each way and coat over its pieces, then piece by piece; b* a year. */
  returned: {
    id: string;
    name: string;
    looked: string;
    low: number;
    middle: number;
    high: number;
    words: string;
    of: number;
  }[];
  /** How many pieces that tells of; only the last stand by themselves. */
  lookedAgain: number;
  stages: { name: string; hours: string }[];
  worth: { id: string; title: string; spent: string; hours: string; goodOne: string }[];
}

const percent = (share: number) => `${Math.round(100 * share)} %`;
/** Fewer tell nothing yet. */
const FEW = 5;

const WIDE = 160;

/** A line on which something lies between two ends, by shares of its width; what is known of too few is pale. */
function Band({
  low,
  middle,
  high,
  mark,
  fill,
  isPale,
}: {
  low?: number;
  middle?: number;
  high?: number;
  mark?: number | undefined;
  fill: 'work' | 'amber';
  isPale: boolean;
}) {
  return (
    <svg width={WIDE} height="18" viewBox={`0 0 ${WIDE} 18`} aria-hidden style={{ display: 'block' }}>
      <line x1="0" x2={WIDE} y1="9" y2="9" stroke="var(--chakra-colors-line-strong)" />
      {mark !== undefined && (
        <line
          {...{ x1: WIDE * mark, x2: WIDE * mark, y1: '1', y2: '17' }}
          stroke="var(--chakra-colors-ink)"
          strokeDasharray="2 2"
        />
      )}
      {low !== undefined && high !== undefined && (
        <rect
          {...{ x: WIDE * low, y: '5', height: '8', width: Math.max(2, WIDE * (high - low)) }}
          fill={`var(--chakra-colors-${fill})`}
          opacity={isPale ? 0.4 : 0.8}
        />
      )}
      {middle !== undefined && <circle cx={WIDE * middle} cy="9" r="4" fill="var(--chakra-colors-ink)" />}
    </svg>
  );
}

/** Shares drawn on one line each: where each was seen, and where it truly lies nine times in ten. */
function Shares({
  caption,
  seen,
  rows,
  mark,
}: {
  caption: string;
  seen: string;
  rows: readonly ShownShare[];
  mark?: number;
}) {
  return (
    <>
      <DataTable
        caption={caption}
        rowKey={({ name }) => name}
        rows={rows}
        columns={[
          { title: 'What', cell: ({ name }) => name },
          { title: 'Looked at', figure: true, cell: ({ of }) => of },
          { title: seen, figure: true, cell: ({ share }) => (share === null ? '–' : percent(share)) },
          {
            title: 'Truly, nine times in ten',
            figure: true,
            cell: ({ of, low, high }) => (of === 0 ? '–' : `${percent(low)} to ${percent(high)}`),
          },
          {
            title: '0 to 100 %',
            cell: ({ of, share, low, high }) => (
              <Band {...(of > 0 && { low, middle: share!, high })} mark={mark} fill="work" isPale={of < FEW} />
            ),
          },
        ]}
      />
      {rows.some(({ of }) => of < FEW) && (
        <Text color="soft">Pale: looked at fewer than {FEW} times, which tells little.</Text>
      )}
    </>
  );
}

/** Yellow that came back, b* a year, each on one line from the least to the most that it may be. */
function Returned({ rows }: { rows: ShownLearnt['returned'] }) {
  const most = Math.max(1, ...rows.map(({ high }) => high));
  const least = Math.min(0, ...rows.map(({ low }) => low));
  const share = (value: number) => (value - least) / (most - least);
  return (
    <DataTable
      caption="b* that came back in a year, nine times in ten between the two"
      rowKey={({ id }) => id}
      rows={rows}
      columns={[
        { title: 'Way and last coat, or piece', cell: ({ name }) => name },
        { title: 'Looked at', figure: true, cell: ({ looked }) => looked },
        { title: 'b* a year', figure: true, cell: ({ middle }) => middle.toFixed(1) },
        { title: 'Between', figure: true, cell: ({ low, high }) => `${low.toFixed(1)} and ${high.toFixed(1)}` },
        {
          title: `${least.toFixed(0)} to ${most.toFixed(0)} a year`,
          cell: ({ low, middle, high, of }) => (
            <Band
              low={share(low)}
              middle={share(middle)}
              high={share(high)}
              mark={share(0)}
              fill="amber"
              isPale={of < FEW}
            />
          ),
        },
        { title: 'Of what', cell: ({ words }) => words },
      ]}
    />
  );
}

/** What the workshop has learnt over all of its restorations: each as a table with its drawing. */
export function LearntPart({ ways, agents, repairs, forecasts, returned, lookedAgain, stages, worth }: ShownLearnt) {
  const none = (what: string) => <Text color="soft">{what}</Text>;
  return (
    <>
      <Shares
        caption="Of forecasts that are to hold nine times in ten, so many did"
        seen="Held"
        rows={forecasts}
        mark={0.9}
      />
      <Box my="4">
        {ways.length === 0 ? (
          none('No piece was measured before and after its treatment yet.')
        ) : (
          <DataTable
            caption="What each way brought"
            rowKey={({ name }) => name}
            rows={ways}
            columns={[
              { title: 'Way, plastic', cell: ({ name }) => name },
              { title: 'Pieces', figure: true, cell: ({ pieces }) => pieces },
              { title: 'b* fell by', figure: true, cell: ({ fell }) => fell },
              { title: 'Sessions', figure: true, cell: ({ sessions }) => sessions },
              { title: 'Hours in it', figure: true, cell: ({ hours }) => hours },
              { title: 'Hands', figure: true, cell: ({ minutes }) => minutes },
              { title: 'Materials', figure: true, cell: ({ cost }) => cost },
            ]}
          />
        )}
      </Box>
      <Fold summary={`Agents against soils: ${agents.length}`}>
        {agents.length === 0 ? (
          none('No pass at the sink was answered yet.')
        ) : (
          <Shares caption="Gone, and better by half" seen="Won" rows={agents} />
        )}
      </Fold>
      <Fold summary={`Repairs that held: ${repairs.length} ways`}>
        {repairs.length === 0 ? (
          none('No repair was finished yet.')
        ) : (
          <Shares caption="Not broken again so far" seen="Held" rows={repairs} />
        )}
      </Fold>
      <Fold summary={`Yellow that came back: ${lookedAgain} pieces, those looked at again last`}>
        {returned.length === 0 ? (
          none('No piece was measured again a month or more after its end yet.')
        ) : (
          <Returned rows={returned} />
        )}
      </Fold>
      <Fold summary="Hours by stage">
        {stages.length === 0 ? (
          none('No minutes were booked yet.')
        ) : (
          <DataTable
            caption="Hours of hands, all machines"
            rowKey={({ name }) => name}
            rows={stages}
            columns={[
              { title: 'Stage', cell: ({ name }) => name },
              { title: 'Hours', figure: true, cell: ({ hours }) => hours },
            ]}
          />
        )}
      </Fold>
      <Fold summary="Price against worth">
        {worth.length === 0 ? (
          none('No restoration is finished yet.')
        ) : (
          <DataTable
            caption="The machines that were finished last"
            rowKey={({ id }) => id}
            rows={worth}
            columns={[
              { title: 'Machine', cell: ({ title }) => title },
              { title: 'Spent', figure: true, cell: ({ spent }) => spent },
              { title: 'Hours', figure: true, cell: ({ hours }) => hours },
              { title: 'A good one', figure: true, cell: ({ goodOne }) => goodOne },
            ]}
          />
        )}
      </Fold>
    </>
  );
}
