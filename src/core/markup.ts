const SIGNS: Readonly<Record<string, string>> = { '<': '&lt;', '>': '&gt;', '&': '&amp;', '"': '&quot;', "'": '&#39;' };

/** Words as they stand in SVG or HTML: none of their signs is one of the markup. */
export const escapedXml = (words: string): string => words.replace(/[<>&"']/g, (sign) => SIGNS[sign]!);
