'use client';

import { figured, signed } from '@/core/colour/signed';
import { lightChanges } from '@/core/picture/warnings';
import { giveOrTake, limitWords, whatHelps } from './howSure';
import { warningWords } from './warningWords';
import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { readDifference } from '@/core/colour/difference';
import { HEAT_LEGEND } from '@/core/picture/heatMap';
import type { Went } from '@/core/fade/unevenness';
import type { MeasureResult } from '@/core/picture/measure';
import { VERDICT_WORDS } from '@/core/face/verdict';
import { DataTable } from '@/ui/DataTable';
import { Figure } from '@/ui/figures';
import { PlasticScale, Swatch } from '@/ui/PlasticScale';
import type { ScaleMark } from '@/ui/scaleMarks';
import { FaultWords } from '@/ui/FaultWords';
import { Fold } from '@/ui/Fold';

const sentenceCase = (words: string) => words[0]!.toUpperCase() + words.slice(1);

/** Verdict and map in one view: what it says, straight below the picture that it says it of. */
export function VerdictLine({ result, heat }: { result: MeasureResult; heat: boolean }) {
  const piece = result.regions.find(({ id }) => id === 'piece');
  if (!piece) return null;
  const helps = whatHelps(result);
  return (
    <Box aria-live="polite" mt="3">
      {heat && (
        <Box mb="2">
          <Flex
            height="12px"
            aria-hidden
            style={{ background: `linear-gradient(90deg, ${HEAT_LEGEND.map(({ css }) => css).join(', ')})` }}
          />
          <Flex justify="space-between" fontSize="14px" color="soft">
            {HEAT_LEGEND.map(({ difference }) => (
              <span key={difference}>{difference}</span>
            ))}
          </Flex>
          <Text fontSize="15px" color="soft">
            Map on the picture: ΔE00 to the hidden patch
          </Text>
        </Box>
      )}
      {piece.verdict && (
        <Text fontFamily="heading" fontSize="30px" fontWeight="700" lineHeight="1.1">
          {piece.sure === false ? 'About at the limit: measure once more' : sentenceCase(piece.verdict)}
          {piece.sure && ', surely'}
        </Text>
      )}
      {piece.verdict && (
        <Text>
          {piece.sure === false
            ? `By its figures “${piece.verdict}”, but they may be off by more than that.`
            : VERDICT_WORDS[piece.verdict]}{' '}
          {piece.deltaE00 !== null && limitWords(piece.deltaE00)}
        </Text>
      )}
      {helps.length > 0 && <Text color="soft">Surer with {helps.join('; or ')}.</Text>}
    </Box>
  );
}

/** A measurement to read: distance, colours on the plastic scale, how sure, and what to mind. */
export function ReadingPanel({ result, went }: { result: MeasureResult; went: Went }) {
  const piece = result.regions.find(({ id }) => id === 'piece');
  const hidden = result.regions.find(({ id }) => id === 'hidden');
  if (!piece) return null;
  const marks: ScaleMark[] = [
    ...(hidden?.lab ? [{ lab: hidden.lab, label: 'hidden patch', kind: 'hidden' as const }] : []),
    ...(piece.lab ? [{ lab: piece.lab, label: 'piece', kind: 'now' as const }] : []),
  ];
  return (
    <Box aria-live="polite">
      <Grid templateColumns="1fr 1fr" gap="4" mb="3">
        {piece.deltaE00 !== null && (
          <Figure
            value={piece.deltaE00.toFixed(1)}
            label={`ΔE00 to the hidden patch, ${readDifference(piece.deltaE00)}${piece.sdDeltaE00 === undefined ? '' : `; give or take ${giveOrTake(piece.sdDeltaE00)}`}`}
          />
        )}
        {piece.deltaB !== null && (
          <Figure
            value={signed(piece.deltaB)}
            label={`b*, yellow above the hidden patch${piece.sdB === undefined ? '' : `; give or take ${giveOrTake(piece.sdB)}`}`}
          />
        )}
        {piece.yellownessIndex !== null && <Figure value={piece.yellownessIndex.toFixed(1)} label="yellowness index" />}
        <Figure value={piece.evenness.toFixed(1)} label="evenness: b* from palest to yellowest part" />
      </Grid>
      <FaultWords fault={piece.fault} went={went} lightChanges={lightChanges(result.warnings)} />
      {marks.length > 0 && (
        <>
          <Flex gap="4" align="center">
            {piece.lab && <Swatch lab={piece.lab} label="Colour of the piece" size={56} />}
            {hidden?.lab && <Swatch lab={hidden.lab} label="Colour of the hidden patch" size={56} />}
            <Text fontSize="15px" color="soft">
              piece{hidden?.lab && ' and hidden patch'}, as measured
            </Text>
          </Flex>
          <PlasticScale marks={marks} />
        </>
      )}
      {result.warnings.length > 0 && (
        <Box borderLeftWidth="8px" borderColor="amber" pl="3" mb="3">
          {result.warnings.map(warningWords).map((words) => (
            <Text key={words}>{words}</Text>
          ))}
        </Box>
      )}
      <Fold summary="All figures, and how they came about">
        <DataTable
          caption={`Light undone by: ${result.card.method}. ${result.card.residualDeltaE00 === null || result.card.patches < 3 ? '' : `ΔE00 ${result.card.residualDeltaE00.toFixed(2)} left on the card.`}`}
          rows={result.regions}
          rowKey={({ id }) => id}
          columns={[
            { title: 'Region', cell: ({ id }) => id },
            { title: 'L*', figure: true, cell: ({ lab }) => lab?.[0].toFixed(1) ?? '–' },
            { title: 'a*', figure: true, cell: ({ lab }) => (lab ? figured(lab[1]) : '–') },
            { title: 'b*', figure: true, cell: ({ lab }) => (lab ? figured(lab[2]) : '–') },
            { title: 'YI', figure: true, cell: ({ yellownessIndex }) => yellownessIndex?.toFixed(1) ?? '–' },
            { title: 'b* ±', figure: true, cell: ({ sdB }) => sdB?.toFixed(2) ?? '–' },
            { title: 'ΔE00 ±', figure: true, cell: ({ sdDeltaE00 }) => sdDeltaE00?.toFixed(2) ?? '–' },
            { title: 'Blotch', figure: true, cell: ({ blotch }) => blotch.toFixed(2) },
            { title: 'Used', figure: true, cell: ({ usedShare }) => `${Math.round(100 * usedShare)} %` },
          ]}
        />
        <Text fontSize="15px" color="soft" mt="2">
          Median colour inside robust limits (glare, shadow, print and badges left out); CIEDE2000 after Sharma, Wu and
          Dalal (2005); yellowness index ASTM E313, D65/2°. “Give or take”: nine times in ten within it, from the card’s
          patches, the fall of the light on the bench, where the hidden patch lies, size and JPEG; ± in the table is one
          standard deviation.
        </Text>
      </Fold>
    </Box>
  );
}
