// `npm run check`: looks over everything that is kept in KVELL_DATA or ./data; `-- --mend` mends what can be mended.
import { existsSync } from 'node:fs';
import path from 'node:path';
import { clock } from '@/edge/clock';
import { closeDatabase } from '@/data/connection';
import { dataFolder } from '@/data/folder';
import { checkAll, mendAll } from '@/work/keeping/keeping';
import { houseWords, mendedWords } from '@/workshop/keepingWords';

if (!existsSync(path.join(dataFolder(), 'kvell.sqlite'))) {
  console.log(`There is no workshop in ${dataFolder()}. KVELL_DATA names another folder.`);
  process.exit(1);
}
if (process.argv.includes('--mend')) for (const line of mendedWords(await mendAll(clock()))) console.log(line);
const { words, lines, mendable } = houseWords(await checkAll());
console.log(words);
for (const line of lines) console.log(`- ${line}`);
if (mendable) console.log('What can be mended is mended by: npm run check -- --mend');
await closeDatabase();
process.exitCode = lines.length === 0 ? 0 : 1;
