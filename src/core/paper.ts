/** Levels of a paper’s parts that must not be parted by the end of a page: a heading from what follows it, what is shown from the words below it. */
export const PLACED = { heading: 1, captioned: 2, caption: 3 } as const;
