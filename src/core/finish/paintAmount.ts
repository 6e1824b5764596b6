export interface Painting {
  areaCm2: number;
  /** Of one coat, by the sheet. */
  coverageM2PerL: number;
  coats: number;
  /** Share of the paint that lands on the piece: about 0.6 sprayed, 0.9 brushed. */
  transfer: number;
}

/** Paint for a piece, mL. */
export const paintAmount = ({ areaCm2, coverageM2PerL, coats, transfer }: Painting): { paintMl: number } => ({
  paintMl: ((areaCm2 / 10_000 / coverageM2PerL) * coats * 1000) / transfer,
});
