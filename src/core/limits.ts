/** The most that a form takes of each, and so the most that comes in by file: what is shown, drawn and printed is laid out for it. */
export const MOST = {
  title: 120,
  machine: 200,
  source: 300,
  /** A remark. */
  few: 500,
  /** A sentence or two. */
  words: 1000,
  /** A description. */
  long: 4000,
  name: 120,
  person: 80,
  tag: 12,
  trayName: 40,
  cells: 400,
  parts: 1000,
  pins: 200,
  /** Side of a piece, mm. */
  sideMm: 5000,
  /** What a litre of a coat covers at most, m²: a rubbed wax goes further than any paint. */
  coverageM2PerL: 500,
  /** Side of a part that is taken off another machine, mm. */
  donorPartMm: 1000,
  /** Length of a fastener and depth of its hole, mm. */
  fastenerMm: 300,
  diameterMm: 20,
  /** In whole units of the currency. */
  money: 1_000_000,
  stockMl: 1_000_000,
  strength: 2000,
  plannedMin: 10_080,
  turnMin: 1440,
  toleranceB: 20,
  lampMwPerCm2: 100,
  /** Nothing in sun or box gets hotter than this: what happened is kept, however wrong it went. */
  readingC: 120,
  coldestC: -20,
  /** What a meter shows at most, ohm. */
  ohm: 1e9,
} as const;
