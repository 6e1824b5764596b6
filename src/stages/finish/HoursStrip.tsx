import { Box, Text } from '@chakra-ui/react';
import { showTime } from '@/core/runsheet/time';

interface Hour {
  at: string;
  /** The air lets a coat be laid. */
  good: boolean;
  /** Somebody is there. */
  hands: boolean;
  /** Which coat is laid in it. */
  coat: number | null;
}

const HOUR_W = 10;
const ROW_H = 22;
/** Room for the names of the days. */
const LEFT = 100;

/** The days as strips of hours: where the air lets a coat be laid, where somebody is there, and which coat falls where. */
export function HoursStrip({ hours, timeZone }: { hours: readonly Hour[]; timeZone: string }) {
  const days = new Map<string, (Hour & { hour: number })[]>();
  for (const hour of hours) {
    const day = showTime(hour.at, timeZone, 'EEE d MMM');
    days.set(day, [...(days.get(day) ?? []), { ...hour, hour: Number(showTime(hour.at, timeZone, 'H')) }]);
  }
  const rows = [...days];
  const good = hours.filter((hour) => hour.good && hour.hands).length;
  return (
    <Box overflowX="auto">
      <Text mb="1">
        Of the coming {hours.length} hours {good} let a coat be laid while somebody is there.
      </Text>
      <svg
        role="img"
        aria-label={`Hours that let a coat be laid, day by day: ${rows
          .map(([day, of]) => `${day} ${of.filter((hour) => hour.good && hour.hands).length}`)
          .join(', ')}`}
        width={LEFT + 24 * HOUR_W}
        height={rows.length * ROW_H + 16}
        style={{ display: 'block' }}
      >
        {[0, 6, 12, 18].map((hour) => (
          <text key={hour} x={LEFT + hour * HOUR_W} y="11" fontSize="11" fill="var(--chakra-colors-soft)">
            {hour}
          </text>
        ))}
        {rows.map(([day, of], row) => (
          <g key={day} transform={`translate(0 ${16 + row * ROW_H})`}>
            <text x="0" y="15" fontSize="13" fill="var(--chakra-colors-ink)">
              {day}
            </text>
            {of.map(({ at, hour, good: may, hands, coat }) => (
              <g key={at} transform={`translate(${LEFT + hour * HOUR_W} 0)`}>
                <rect
                  width={HOUR_W - 1}
                  height={may ? 18 : 4}
                  y={may ? 0 : 14}
                  fill={may ? 'var(--chakra-colors-work)' : 'var(--chakra-colors-line)'}
                  opacity={hands ? 1 : 0.35}
                />
                {coat !== null && (
                  <text x="1" y="14" fontSize="12" fontWeight="700" fill="var(--chakra-colors-sheet)">
                    {coat}
                  </text>
                )}
              </g>
            ))}
          </g>
        ))}
      </svg>
      <Text color="soft" fontSize="15px">
        Tall: the air lets it; pale: nobody is there; a number: that coat.
      </Text>
    </Box>
  );
}
