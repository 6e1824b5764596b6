/** A title as it stands inside a sentence: “Textured ABS” becomes “textured ABS”, “PVC cable” stays. */
export const inSentence = (title: string): string =>
  /^[A-Z][a-z ]/.test(title) ? title[0]!.toLowerCase() + title.slice(1) : title;
