/** Normal numbers for tests, the same for the same seed (Box and Muller over a linear congruence). */
export function seededNormal(seed: number): () => number {
  let state = seed;
  const uniform = () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return (state + 0.5) / 4294967296;
  };
  return () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
}
