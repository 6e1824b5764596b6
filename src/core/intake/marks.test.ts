import { marksToKeep } from './marks';

const marked = (
  words: string,
  pieceId: string | null,
  rest: Partial<Parameters<typeof marksToKeep>[0][number]> = {},
) => ({
  kind: 'keep this mark' as const,
  words,
  pieceId,
  settledAs: null,
  ...rest,
});

it('a piece keeps its own marks and those of the machine; the machine keeps all; what is settled binds nobody', () => {
  const findings = [
    marked('sticker', 'lid'),
    marked('', null),
    marked('pen', 'base'),
    marked('gone', 'lid', { settledAs: 'left on purpose' }),
    marked('dirt', 'lid', { kind: 'soiled' }),
  ];
  expect(marksToKeep(findings, 'lid')).toEqual(['sticker', 'a mark that nobody named']);
  expect(marksToKeep(findings, null)).toEqual(['sticker', 'a mark that nobody named', 'pen']);
});
