import path from 'node:path';

/** Folder that holds everything of one workshop: the database and the photographs. */
export function dataFolder(): string {
  return path.resolve(/* turbopackIgnore: true */ process.env.KVELL_DATA ?? './data');
}
