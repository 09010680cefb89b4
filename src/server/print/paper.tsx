/**
 * What every printed paper shares: its fonts, its margins, its measures. Fonts ship with the app; nothing is fetched.
 */
import { join } from 'node:path';
import { Document, type DocumentProps, Font, Page, renderToBuffer, StyleSheet, Text, View } from '@react-pdf/renderer';
import { openSync } from 'fontkit';
import type { ReactElement, ReactNode } from 'react';
import { fileNamed } from './file-named';

const INK = '#111c33';
export const RIM = '#1d3f80';
const LINE = '#b8c3d6';

const fontFile = (subset: string, weight: number): string =>
  join(
    process.cwd(),
    'node_modules/@fontsource/atkinson-hyperlegible-next/files',
    `atkinson-hyperlegible-next-${subset}-${weight}-normal.woff`,
  );

let registered = false;
function fonts(): void {
  if (registered) return;
  registered = true;
  for (const subset of ['latin', 'latin-ext'])
    Font.register({
      family: subset,
      fonts: [400, 700].map((fontWeight) => ({ src: fontFile(subset, fontWeight), fontWeight })),
    });
  // a word is never broken: names and amounts are read at arm's length
  Font.registerHyphenationCallback((word) => [word]);
}

const measures = new Map<
  boolean,
  { readonly font: ReturnType<typeof openSync>; readonly widths: Map<string, number> }
>();
/** How wide a piece of text is printed in letters of one point. */
export function widthOfText(text: string, bold: boolean): number {
  let of = measures.get(bold);
  if (!of) {
    of = { font: openSync(fontFile('latin', bold ? 700 : 400)), widths: new Map() };
    measures.set(bold, of);
  }
  let width = of.widths.get(text);
  if (width === undefined) {
    width = of.font.layout(text).advanceWidth / of.font.unitsPerEm;
    if (of.widths.size < MOST_WIDTHS) of.widths.set(text, width);
  }
  return width;
}
/** Words that are kept with their width. */
const MOST_WIDTHS = 5000;

export const look = StyleSheet.create({
  page: { fontFamily: ['latin', 'latin-ext'], fontSize: 11, color: INK, paddingVertical: 30, paddingHorizontal: 36 },
  title: { fontSize: 22, fontWeight: 700, color: RIM },
  about: { marginTop: 2 },
  group: {
    marginTop: 8,
    borderBottomWidth: 1.5,
    borderBottomColor: RIM,
    color: RIM,
    fontWeight: 700,
    fontSize: 13,
    paddingBottom: 1,
  },
  row: { flexDirection: 'row', alignItems: 'center', borderBottomWidth: 0.5, borderBottomColor: LINE },
  box: { width: 11, height: 11, borderWidth: 1.2, borderColor: RIM, borderRadius: 2, marginRight: 3 },
  strong: { fontWeight: 700 },
  small: { fontSize: 8.5, marginTop: 6 },
});

/** A4 paper, or index cards of A6. @param name the document's title, for the tab it opens in */
export function Paper({
  name,
  children,
  landscape = false,
  index = false,
  dated,
}: {
  readonly name: string;
  readonly children: ReactNode;
  readonly landscape?: boolean;
  readonly index?: boolean;
  /** What stands in the file as its day, so that the same paper is the same file; left out: now. */
  readonly dated?: Date;
}) {
  fonts();
  return (
    <Document
      title={name}
      creator="Even Crumb"
      producer="Even Crumb"
      language="en"
      {...(dated && { creationDate: dated, modificationDate: dated })}
    >
      <Page
        size={index ? 'A6' : 'A4'}
        orientation={landscape || index ? 'landscape' : 'portrait'}
        style={index ? [look.page, { paddingVertical: 14, paddingHorizontal: 18 }] : look.page}
      >
        {children}
        <Text
          fixed
          style={{ position: 'absolute', bottom: 14, right: 36, fontSize: 8 }}
          render={({ pageNumber, totalPages }) => (totalPages > 1 ? `${pageNumber} of ${totalPages}` : '')}
        />
      </Page>
    </Document>
  );
}

export const Boxes = ({ count }: { readonly count: number }) => (
  <View style={{ flexDirection: 'row' }}>
    {Array.from({ length: count }, (_, n) => (
      // biome-ignore lint/suspicious/noArrayIndexKey: boxes are all alike
      <View key={n} style={look.box} />
    ))}
  </View>
);

/** A paper as an answer that opens in the browser. @param file its name when it is kept, without ".pdf" */
export async function asPdf(paper: ReactElement, file: string): Promise<Response> {
  const body = await renderToBuffer(paper as ReactElement<DocumentProps>);
  return new Response(new Uint8Array(body), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; ${fileNamed(file, 'pdf')}`,
      'cache-control': 'no-store',
    },
  });
}
