import { speakingCells, type CellMap } from '../photo/cells';

/** L* that a piece loses for each b* that it yellows: from clean bone to aged amber on the plastic scale. */
const DARKER_PER_B = 0.35;
/** Darker than clean by more than this counts as soiled: seen at a glance, and above the noise of a cell. */
const SOILED_L = 4;
/** Where the clean plastic lies among the cells of a face: most of what is light is clean. */
const CLEAN_QUANTILE = 0.8;
/** Dark like print, badges and gaps: not soil of the shell. */
const NOT_SHELL_L = 38;

/** What a cell would have for lightness without its yellow. */
const unyellowed = (map: CellMap, cell: number): number => map.lightness[cell]! + DARKER_PER_B * map.deltaB[cell]!;

const shellCells = (map: CellMap): number[] => speakingCells(map).filter((cell) => map.lightness[cell]! > NOT_SHELL_L);

/** Lightness of the clean plastic of a face, its yellowing allowed for, L*. */
export function cleanLevel(map: CellMap): number {
  const levels = Float64Array.from(shellCells(map), (cell) => unyellowed(map, cell)).sort();
  return levels.length === 0 ? 0 : levels[Math.floor(CLEAN_QUANTILE * (levels.length - 1))]!;
}

export interface Soiled {
  /** Share of the face that is soiled, 0 to 1. */
  share: number;
  /** For each cell of the map: 0 clean or not shell, up to 1 for the darkest soil. */
  depth: Float32Array;
}

/**
 * How much of a face is soiled: cells darker than its clean plastic by more than yellowing explains. Soil that is as
 * yellow as it is dark (an even veil of nicotine) is not told from yellowing.
 *
 * @param clean from `cleanLevel`, of this face after washing where there is such a picture
 */
export function soiledShare(map: CellMap, clean: number): Soiled {
  const depth = new Float32Array(map.weight.length);
  const cells = shellCells(map);
  let soiled = 0;
  for (const cell of cells) {
    const darker = clean - unyellowed(map, cell);
    if (darker <= SOILED_L) continue;
    soiled++;
    depth[cell] = Math.min(1, darker / 25);
  }
  return { share: cells.length === 0 ? 0 : soiled / cells.length, depth };
}

/** Whether two maps can be the same face: their shapes agree. */
export function sameFace(a: CellMap, b: CellMap): boolean {
  const shape = ({ columns, rows }: CellMap) => columns / rows;
  const filled = (map: CellMap) => speakingCells(map).length / map.weight.length;
  return Math.abs(Math.log(shape(a) / shape(b))) < 0.25 && Math.abs(filled(a) - filled(b)) < 0.2;
}
