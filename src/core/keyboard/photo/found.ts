/** A key on the field of its keyboard, mm, and how sure it is one. */
export interface FoundKey {
  x: number;
  y: number;
  w: number;
  h: number;
  /** 0 to 1. */
  confidence: number;
}

/** A key that is surer than this is not asked about. */
export const SURE_KEY = 0.7;
