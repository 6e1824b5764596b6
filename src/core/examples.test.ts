import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

const CORE = path.join(process.cwd(), 'src/core');

interface Example {
  file: string;
  call: string;
  is: string;
}

/** Every line of a docstring’s `@example` that says what it comes to. */
const EXAMPLES = readdirSync(CORE, { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
  .sort()
  .flatMap((file): Example[] =>
    [...readFileSync(path.join(CORE, file), 'utf8').matchAll(/@example\b([\s\S]*?)(?=\*\/|\n \* @)/g)].flatMap(
      ([, block]) =>
        block!
          .split('\n')
          .map((line) => line.replace(/^\s*\*\s?/, '').trim())
          .filter(Boolean)
          .map((line) => {
            const [call, is] = line.split(/;? \/\/ /) as [string, string | undefined];
            if (is === undefined) throw new Error(`${file}: the example “${line}” does not say what it comes to.`);
            return { file, call, is };
          }),
    ),
  );

/** What an example says, its numbers only as exact as they are written. */
function said(source: string): unknown {
  const near = source.replace(/'[^']*'|(?<![\w.])-?\d+(?:\.(\d+))?/g, (token: string, decimals: string | undefined) =>
    token.startsWith("'") || decimals === undefined ? token : `near(${token}, ${decimals.length})`,
  );

  return new Function('near', `return (${near});`)((value: number, digits: number): unknown =>
    expect.closeTo(value, digits),
  );
}

it('there are examples of what a stranger would call first', () => {
  expect(EXAMPLES.length).toBeGreaterThan(25);
});

it.each(EXAMPLES.map((example) => [`${example.file}: ${example.call}`, example] as const))('%s', async (_, example) => {
  const names = (await import(path.join(CORE, example.file))) as Record<string, unknown>;

  const run = new Function(...Object.keys(names), `return (${example.call});`);
  const came: unknown = run(...Object.values(names));
  expect(came).toEqual(said(example.is));
});
