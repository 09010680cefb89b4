/** A number stays with its unit: no line ends between "2 153" and "g". */
export const unbroken = (text: string): string =>
  text.replace(/(\d) (?=(?:g|kg|oz|ml|min|s|h|cm|pcs|°[CF]|%)(?![\p{L}\d]))/gu, '$1\u00a0');
