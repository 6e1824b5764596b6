/** Outer size of a piece, or its box, mm. */
export interface PieceSize {
  lengthMm: number;
  widthMm: number;
  heightMm: number;
}

/** Inside of a sink or tub, mm. */
export interface TubSize {
  lengthMm: number;
  widthMm: number;
  depthMm: number;
}
