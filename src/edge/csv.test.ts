import fc from 'fast-check';
import { fromCsv, toCsv } from './csv';
import { asFile, fileName } from './fileName';

describe('CSV', () => {
  const cell = fc.string({ maxLength: 12 }).map((words) => words.trim());
  it('comes back as it went out, formulas made harmless on the way', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ step: cell.filter(Boolean), words: cell }), { minLength: 1, maxLength: 6 }),
        (rows) => {
          // A quote before a formula is the mark itself; whoever writes one gets it back without.
          const plain = rows.filter(({ step, words }) => !/^'[=+\-@]/.test(step) && !/^'[=+\-@]/.test(words));
          fc.pre(plain.length === rows.length);
          expect(fromCsv(toCsv(rows)).rows).toEqual(rows);
        },
      ),
    );
  });

  it('no cell begins like a formula', () => {
    expect(toCsv([{ words: '=1+1' }, { words: '@x' }, { words: '-3' }, { words: 'a-3' }, { words: -3 }])).toBe(
      "words\r\n'=1+1\r\n'@x\r\n'-3\r\na-3\r\n-3",
    );
  });

  it('a formula behind a semicolon stays in its cell, whichever sign parts cells there', () => {
    expect(toCsv([{ words: 'a;=1+1', more: 'b' }])).toBe('words,more\r\n"a;=1+1",b');
  });

  it('what is not UTF-8 is refused and not guessed', () => {
    const read = (bytes: Uint8Array) => fromCsv(new TextDecoder().decode(bytes));
    expect(read(Buffer.from('step\nGehäuse\n', 'latin1'))).toEqual({
      rows: [],
      wrong: [expect.stringContaining('not in UTF-8')],
    });
    expect(read(Buffer.from('step\nLid\n', 'utf16le')).wrong).toHaveLength(1);
    expect(read(Buffer.from('step\nGehäuse\n')).wrong).toEqual([]);
  });

  it('takes the mark of a byte order, blank lines and spaces without complaint, and tells of a ragged line', () => {
    expect(fromCsv('\uFEFFstep , count\n Lid , 4 \n\n').rows).toEqual([{ step: 'Lid', count: '4' }]);
    expect(fromCsv('a,b\n1,2,3\n').wrong.join()).toMatch(/line 2: Too many fields/);
  });
});

describe('files', () => {
  it('get names that every system takes', () => {
    fc.assert(
      fc.property(fc.string(), (title) => {
        expect(fileName(title)).toMatch(/^[a-z0-9]+(-[a-z0-9]+)*-?$/);
      }),
    );
    expect(fileName('Brimsel Nine (copy)')).toBe('brimsel-nine-copy');
    expect(fileName('…')).toBe('restoration');
  });

  it('are saved, not shown', () => {
    const response = asFile('x', 'text/csv', 'x.csv');
    expect(response.headers.get('content-disposition')).toBe('attachment; filename="x.csv"');
    expect(response.headers.get('cache-control')).toBe('no-store');
  });
});
