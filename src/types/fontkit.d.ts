/** The part of fontkit that is used: how wide a piece of text is in a font. */
declare module 'fontkit' {
  export function openSync(file: string): {
    readonly unitsPerEm: number;
    readonly layout: (text: string) => { readonly advanceWidth: number };
  };
}
