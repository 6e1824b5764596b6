import { globSync, readFileSync } from 'node:fs';
import ts from 'typescript';

/**
 * `npm run -s words`: every sentence that the house says, by room, so that they can be read together.
 * A literal counts as a sentence where it holds two words and stands in no import.
 */
const files = (globSync ? globSync('src/**/*.{ts,tsx}') : []).filter(
  (file) => !/\.test\.|\.testing\.|migrations/.test(file),
);
