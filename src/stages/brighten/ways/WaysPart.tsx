import { assumedLine } from '@/core/assumptions/assumptions';
import { waysAssume } from '@/core/assumptions/ofSchools';
import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Typed';
import type { Way } from '@/core/choice/compare';
import { viewHref } from '@/core/runsheet/views';
import { SKY_WORDS, skyKnown } from '@/core/sun/skyKnown';
import { formatMoney } from '@/core/ledger/money';
import { showMinutes, showTime } from '@/core/runsheet/time';
import { Part } from '@/ui/layout';
import { LinkButton, TextLink } from '@/ui/links';
import { MainAction } from '@/ui/MainAction';
import { Worked } from '@/ui/Worked';
import { SunSessions } from './SunSessions';
import { DAYS, type WaysView } from './ways';
import { WaysBoard } from './WaysBoard';
import { skyOverDays, waysOnCalendar } from './waysCalendar';
import { wayWorking } from '../workings';
import { blockWords, missingWords, reasonWords, riskWords, STAYS_YELLOW, takesWords } from './words';
import type { UnitSystem } from '@/core/units';

interface Props {
  view: WaysView | null;
  restorationId: string;
  pieceId: string;
  /** Address of the plan of this piece. */
  planHref: string;
  timeZone: string;
  currency: string;
  by: string | null;
  now: Date;
}

const day = (iso: string, timeZone: string) => showTime(iso, timeZone, 'd MMM');

/** What a way comes to, in one line of figures. */
function figuresOf(
  { finish, finishSlow, handsMin, waitingH, costMinor, sessions, dose }: Way,
  timeZone: string,
  currency: string,
): string[] {
  const until =
    finish && finishSlow && day(finish, timeZone) !== day(finishSlow, timeZone)
      ? ` to ${day(finishSlow, timeZone)}`
      : finish && !finishSlow
        ? ' or later'
        : '';
  return [
    finish
      ? `done about ${day(finish, timeZone)}${until}`
      : dose
        ? 'not in the coming two weeks'
        : 'no date before it is measured',
    `${sessions || 'no'} ${sessions === 1 ? 'session' : 'sessions'}`,
    `${showMinutes(handsMin)} of hands`,
    waitingH > 0 ? `${waitingH.toFixed(0)} h of waiting` : '',
    costMinor === null ? '' : formatMoney(costMinor, currency),
  ].filter(Boolean);
}

/** What is known of the sky that the dates of a way rest on, in words; empty where it is known, or where no sun is used. */
function skyOf({ sun }: Way, clouds: WaysView['clouds']): string {
  const [first, last] = [sun?.sessions[0], sun?.sessions[sun.sessions.length - 1]];
  return first && last ? SKY_WORDS[skyKnown(clouds, new Date(first.from), new Date(last.to))] : '';
}

/** What a way that needs no sun asks. */
function insteadWords(
  { finish, costMinor, missing }: Way,
  timeZone: string,
  currency: string,
  units: UnitSystem,
): string {
  return [
    finish ? `done about ${day(finish, timeZone)}` : 'no date yet',
    costMinor === null ? '' : formatMoney(costMinor, currency),
    missing.length > 0 ? `missing ${missing.map((one) => missingWords(one, units)).join(', ')}` : '',
  ]
    .filter(Boolean)
    .join(', ');
}

/** Choosing the way: every one for this piece, these days and this place, with what is missing and what can go wrong. */
export function WaysPart({ view, restorationId, pieceId, planHref, timeZone, currency, by, now }: Props) {
  if (!view)
    return (
      <Part title="Choosing the way" id="ways">
        <Text>
          Give the piece its length, width and height on{' '}
          <TextLink href={`/restorations/${restorationId}/pieces/${pieceId}/known`}>its page</TextLink>; then every way
          is worked out for it.
        </Text>
      </Part>
    );
  const best = view.ways.find(({ school }) => school === view.recommended)!;
  const parts = { planHref, pieceId, timeZone, currency, pieces: view.pieces, clouds: view.clouds, units: view.units };
  return (
    <>
      <Box borderLeftWidth="8px" borderColor="work" pl="4" mb="4" id="ways">
        <Text fontFamily="heading" fontWeight="650" fontSize="24px" lineHeight="1.2">
          Kvell would take: {best.title.toLowerCase()}
        </Text>
        <Text mb="2">{reasonWords(view.why)}</Text>
        {view.better && (
          <Text mb="2">
            Better, if you buy {view.better.buy.map((need) => missingWords(need, view.units)).join(', and ')}:{' '}
            <b>{view.better.title.toLowerCase()}</b>,{' '}
            {figuresOf(view.better, timeZone, currency).slice(0, 3).join(', ')}.
          </Text>
        )}
        {view.instead && (
          <Text mb="2" borderLeftWidth="8px" borderColor="amber" pl="3">
            The sky will not do it by then. Instead:{' '}
            {view.instead
              .map((way) => `${way.title.toLowerCase()}: ${insteadWords(way, timeZone, currency, view.units)}`)
              .join('; ')}
            .
          </Text>
        )}
        {best.school !== 'leave-it' && (
          <MainAction>
            <LinkButton href={`${planHref}&way=${best.school}`} look="go" bench>
              Plan it this way
            </LinkButton>
          </MainAction>
        )}
      </Box>
      <WaysBoard
        onCalendar={waysOnCalendar(view.ways, now, DAYS)}
        sky={skyOverDays(view.place, view.clouds, now, DAYS)}
        timeZone={timeZone}
        first={best.school}
        bodies={Object.fromEntries(
          view.ways.map((way) => [way.school, <WayBody key={way.school} way={way} {...parts} best={way === best} />]),
        )}
      />
      <form method="get">
        <input type="hidden" name="piece" value={pieceId} />
        <Flex gap="3" align="end" wrap="wrap" my="3">
          <label>
            <Text fontSize="15px">Wanted by</Text>
            <TextBox type="date" name="by" defaultValue={by ?? ''} style={{ width: 190 }} />
          </label>
          <Button type="submit">Compare by that day</Button>
        </Flex>
      </form>
      <Text color="soft" fontSize="15px" mt="2">
        Estimates. The sky is that of{' '}
        <TextLink href={`${viewHref(restorationId, 'brighten', 'sky')}?piece=${pieceId}`}>the coming days</TextLink>, in
        your hours of the day, past what <TextLink href="/workshop/horizon">stands in the sun’s way</TextLink>; rates
        are those of your own past pieces where there are any; a way’s evenness is what people get with it. The last
        word is yours.
      </Text>
    </>
  );
}

function WayBody({
  way,
  planHref,
  pieceId,
  timeZone,
  currency,
  pieces,
  clouds,
  units,
  best,
}: {
  way: Way;
  planHref: string;
  pieceId: string;
  timeZone: string;
  currency: string;
  pieces: WaysView['pieces'];
  clouds: WaysView['clouds'];
  units: UnitSystem;
  best: boolean;
}) {
  const sky = skyOf(way, clouds);
  const takes = takesWords(way.supply, units);
  const { school, risks, missing, blocked, spreadB, dose, sun } = way;
  if (school === 'leave-it') return <Text>{STAYS_YELLOW}</Text>;
  return (
    <Grid templateColumns={{ base: '1fr', md: 'minmax(0, 1fr) auto' }} gap="3" alignItems="start">
      <Box>
        <Text>{figuresOf(way, timeZone, currency).join(' · ')}</Text>
        <Text color="soft">
          {dose &&
            `${dose.toGo.median.toFixed(0)} ${dose.unit} to go (${dose.toGo.low.toFixed(0)} to ${dose.toGo.high.toFixed(0)}), `}
          {pieces[school]
            ? `from ${pieces[school]} past ${pieces[school] === 1 ? 'piece' : 'pieces'}; `
            : 'from the usual rate; '}
          spread about {spreadB} b*
        </Text>
        {takes && <Text color="soft">It takes {takes}.</Text>}
        {sky && (
          <Text borderLeftWidth="8px" borderColor="lineStrong" pl="3" my="1">
            {sky}
          </Text>
        )}
        {[...blocked.map(blockWords), ...missing.map((one) => `Missing: ${missingWords(one, units)}.`)].map((words) => (
          <Text key={words} borderLeftWidth="8px" borderColor="amber" pl="3" my="1" fontWeight="650">
            {words}
          </Text>
        ))}
        {risks.map(riskWords).map((words) => (
          <Text key={words} fontSize="15px">
            {words}
          </Text>
        ))}
        {sun && sun.sessions.length > 0 && (
          <SunSessions
            pieceId={pieceId}
            title={way.title}
            school={school}
            sessions={sun.sessions}
            timeZone={timeZone}
          />
        )}
        <Worked
          lines={[...wayWorking(way), assumedLine(waysAssume(school))]}
          source="The models of Science in the docs; minutes of hands and spreads are workshop guesses."
          sum={{ name: 'exposure-forecast', title: 'exposure forecast' }}
        />
      </Box>
      {!best && <LinkButton href={`${planHref}&way=${school}`}>Plan it this way</LinkButton>}
    </Grid>
  );
}
