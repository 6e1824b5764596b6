import path from 'node:path';
import { openSync, type Font } from 'fontkit';
import pdfMake, { type Content } from 'pdfmake';
import { workBench, type BenchWork, type BenchWorked } from '@/core/schedule/benchWork';
import type { BenchFacts } from '@/core/schedule/facts/facts';
import { laidOut as laidOutOf, moveCost, type LaidOut, type MoveCost } from '@/core/schedule/move';
import { canBeSameFace, faceOf, type Face } from '@/core/face/face';
import { leftSpots, soiledBetween } from '@/core/face/soiled';
import { evened } from '@/core/picture/flatField';
import type { Picture } from '@/core/picture/picture';
import type { FacePlane } from '@/core/picture/plane';
import type { MeasureSpec } from '@/core/picture/spec';
import { PLACED } from '@/core/paper';
import { refusingAsData } from '@/core/refusal';
import { planCalendar, type CalendarGiven } from './planCalendar';

type Sheet = Parameters<typeof pdfMake.createPdf>[0];

const packages = path.join(process.cwd(), 'node_modules');
// As plain TrueType: of a packed font whoever measures and sets unpacks all letters anew for each letter.
const own = (style: string) =>
  path.join(packages, '@expo-google-fonts/atkinson-hyperlegible-next', style, `AtkinsonHyperlegibleNext_${style}.ttf`);
const wide = (name: string) => path.join(packages, 'dejavu-fonts-ttf/ttf', `DejaVuSansCondensed${name}.ttf`);

const FONTS = {
  Own: {
    normal: own('400Regular'),
    bold: own('700Bold'),
    italics: own('400Regular_Italic'),
    bolditalics: own('700Bold_Italic'),
  },
  // Letters that the own type does not have: a name from anywhere prints as it is written.
  Wide: { normal: wide(''), bold: wide('-Bold'), italics: wide('-Oblique'), bolditalics: wide('-BoldOblique') },
};

const lettersOf = ({ characterSet }: Font): string => characterSet.map((code) => `\\u{${code.toString(16)}}`).join('');

/** What is no letter of the own type; all its files have the same ones. */
const BEYOND_OWN = new RegExp(`[^\\u0000-\\u0020${lettersOf(openSync(FONTS.Own.normal) as Font)}]+`, 'gu');

pdfMake.setFonts(FONTS);
// Pictures are handed over as data; a sheet reads no file but its fonts, and asks no network.
pdfMake.setLocalAccessPolicy((file) => file.startsWith(packages));
pdfMake.setUrlAccessPolicy(() => false);

type Node = Record<string, unknown>;

function runs(text: string): Content {
  const parts: Content[] = [];
  let from = 0;
  for (const found of text.matchAll(BEYOND_OWN)) {
    if (found.index > from) parts.push(text.slice(from, found.index));
    parts.push({ text: found[0], font: 'Wide' });
    from = found.index + found[0].length;
  }
  return parts.length === 0 ? text : { text: [...parts, text.slice(from)] };
}

/** Sets every letter in a type that has it. */
function set(node: unknown): unknown {
  if (typeof node === 'string') return runs(node);
  if (Array.isArray(node)) return node.map(set);
  if (node === null || typeof node !== 'object') return node;
  const inner = { ...(node as Node) };
  if (typeof inner.text === 'string') {
    const text = runs(inner.text);
    inner.text = typeof text === 'string' ? text : (text as { text: Content }).text;
    return inner;
  }
  for (const part of ['text', 'stack', 'columns', 'ul', 'ol'])
    if (inner[part] !== undefined) inner[part] = set(inner[part]);
  if (inner.table) inner.table = { ...(inner.table as Node), body: set((inner.table as Node).body) };
  return inner;
}

const mm = (millimetres: number): number => (millimetres * 72) / 25.4;
const line = (width: number) => ({
  hLineWidth: () => width,
  vLineWidth: () => width,
  hLineColor: () => '#bbbbbb',
  vLineColor: () => '#bbbbbb',
  paddingLeft: () => 0,
  paddingRight: () => 0,
  paddingTop: () => 0,
  paddingBottom: () => 0,
});
// Thin lines to cut along on a plain sheet; a roll is cut already.
pdfMake.setTableLayouts({ 'cut lines': line(0.25), uncut: line(0) });

/** A document as it comes over: plain data, since functions do not. */
interface Given {
  /** Stands below every page, with its number. */
  footerTitle?: string;
  content: unknown;
  defaultStyle?: object;
}

const FOOTER = 'footer';

/**
 * Whether a heading stands at the foot of a page with headings only, or something shown without the words that belong below
 * it: then it goes to the next page, with all its headings. The line below every page is nothing.
 *
 * @param after what stands after it on its page, in order
 */
function standsAlone(level: number, after: readonly { id?: string; headlineLevel?: number }[]): boolean {
  const first = after.find(({ id, headlineLevel }) => id !== FOOTER && headlineLevel !== PLACED.heading);
  const isShown = level === PLACED.captioned || first?.headlineLevel === PLACED.captioned;
  if (isShown) return !after.some(({ headlineLevel }) => headlineLevel === PLACED.caption);
  return first === undefined;
}

/** Makes a PDF of a document that stands in the own type. */
export async function pdf({ footerTitle, ...document }: Given): Promise<Uint8Array> {
  const footer = (page: number, pages: number): Content => ({
    id: FOOTER,
    text: runs(`${footerTitle}, ${page} of ${pages}`),
    alignment: 'center',
    fontSize: 9,
    color: '#555555',
  });
  const sheet = {
    pageSize: 'A4',
    pageMargins: [mm(18), mm(18), mm(18), mm(16)],
    ...document,
    ...(footerTitle !== undefined && { footer }),
    pageBreakBefore: ({ headlineLevel }, { getFollowingNodesOnPage }) =>
      (headlineLevel === PLACED.heading || headlineLevel === PLACED.captioned) &&
      standsAlone(headlineLevel, getFollowingNodesOnPage()),
    defaultStyle: { font: 'Own', fontSize: 11, lineHeight: 1.2, ...document.defaultStyle },
    content: set(document.content) as Content,
  } as Sheet;
  return new Uint8Array(await pdfMake.createPdf(sheet).getBuffer());
}

/** Lays the tasks of the bench, and plays the plan through. */
export const bench = refusingAsData((work: BenchWork): BenchWorked => workBench(work, () => performance.now()));

/** Lays the tasks of the bench without a search. */
export const laidOut = refusingAsData((facts: BenchFacts): LaidOut => laidOutOf(facts));

/** What it costs to begin a task at another time. */
export const move = refusingAsData(
  (given: { facts: BenchFacts; laid: LaidOut; task: string; minutes: number }): MoveCost =>
    moveCost(given.facts, given.laid, given.task, given.minutes),
);

/** The plan as a calendar. */
export const calendar = (given: CalendarGiven): string => planCalendar(given);

/** A photograph as it comes over, with that of a plain sheet where one went with it. */
export interface Photographed {
  picture: Picture;
  flat: Picture | null;
}

const evenedBy = ({ picture, flat }: Photographed): Picture => (flat ? evened(picture, flat) : picture);

/** Evens the light of a picture by that of a plain sheet. */
export const evenedOf = refusingAsData(evenedBy);

/** What is taken out of a photograph: which region of what was measured on it, so many cells across, in a shape or in its own. */
export interface FaceAsked extends Photographed {
  spec: MeasureSpec;
  regionId: string;
  columns: number;
  shape: number | null;
}

/** A measured face on its own plane. */
export const face = refusingAsData(({ spec, regionId, columns, shape, ...photographed }: FaceAsked) =>
  faceOf(evenedBy(photographed), spec, regionId, columns, shape === null ? {} : { shape }),
);

/** Whether two faces can be one. */
export const sameFace = ({ first, later }: { first: Face; later: Face }): boolean => canBeSameFace(first, later);

/** How soiled a face was and is, and where something is left. */
export const soiled = ({ before, after }: { before: FacePlane; after: FacePlane }) => {
  const between = soiledBetween(before, after);
  return { ...between, left: leftSpots(between.after) };
};
