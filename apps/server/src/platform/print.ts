import { createRequire } from 'node:module';
import path from 'node:path';
import { fingerprintOf } from '@fanega/core';
import type { ClockStyle, UnitSystem } from '@fanega/contract';
import type { Response } from 'express';
import type { Column, Content, TDocumentDefinitions } from 'pdfmake/interfaces.js';

const require = createRequire(import.meta.url);

/** What is used of the library: its types are of a browser's. */
interface Pdfmake {
  addFonts(fonts: Readonly<Record<string, Readonly<Record<string, string>>>>): void;
  setLocalAccessPolicy(allowed: (file: string) => boolean): void;
  setUrlAccessPolicy(allowed: (url: string) => boolean): void;
  createPdf(document: TDocumentDefinitions): { getBuffer(): Promise<Uint8Array> };
}
let ready: Pdfmake | null = null;

/** Loaded with the first sheet: a server that starts prints nothing yet. */
function pdfmake(): Pdfmake {
  if (ready) return ready;
  const made = require('pdfmake') as Pdfmake;
  const fonts = path.join(path.dirname(require.resolve('pdfmake/package.json')), 'build/fonts/Roboto');
  const font = (cut: string): string => path.join(fonts, `Roboto-${cut}.ttf`);
  made.addFonts({
    Roboto: {
      normal: font('Regular'),
      bold: font('Medium'),
      italics: font('Italic'),
      bolditalics: font('MediumItalic'),
    },
  });
  // A sheet is made of its words and of these fonts, and of nothing that a name could point to.
  made.setLocalAccessPolicy((file) => path.resolve(file).startsWith(fonts + path.sep));
  made.setUrlAccessPolicy(() => false);
  return (ready = made);
}

export const INK = '#20262b';
export const CLAY = '#a83d24';
export const MUTED = '#5b5f60';

/** Whose sheet it is and of what state of the book. */
export interface Letterhead {
  readonly farm: string;
  readonly timeZone: string;
  readonly clock: ClockStyle;
  readonly units: UnitSystem;
  /** Entries that the book had. */
  readonly seq: number;
  /** What the book's chain had come to. */
  readonly link: string;
  readonly printedAt: number;
}

/** "Sep 8, 2026, 6:26 pm" */
export const moment = (at: string | number, { timeZone, clock }: Pick<Letterhead, 'timeZone' | 'clock'>): string =>
  new Intl.DateTimeFormat('en-US', {
    timeZone,
    month: 'short',
    day: 'numeric',
    year: 'numeric',
    hour: 'numeric',
    minute: '2-digit',
    hourCycle: clock === '24' ? 'h23' : 'h12',
  })
    .format(new Date(at))
    .replace(/\s?([AP])M$/, (_, half: string) => ` ${half.toLowerCase()}m`);

/** A figure in its column: at the right, with its digits under each other. */
export const figure = (text: string, more: object = {}): Content => ({ text, alignment: 'right', ...more });

/** A head of a column with its basis or unit under it. */
export const head = (text: string, basis = '', right = true): Content => ({
  stack: [text, ...(basis === '' ? [] : [{ text: basis, fontSize: 7.5, bold: false }])],
  alignment: right ? 'right' : 'left',
  fontSize: 9,
  bold: true,
});

/** Thin lines above and below the head and under the last row. */
export const LINES = {
  hLineWidth: (i: number, node: { table: { body: unknown[]; headerRows?: number } }): number =>
    i === 0 || i === (node.table.headerRows ?? 0) || i === node.table.body.length ? 0.7 : 0.25,
  vLineWidth: (): number => 0,
  hLineColor: (): string => INK,
  paddingLeft: (i: number): number => (i === 0 ? 0 : 6),
  paddingRight: (): number => 0,
  paddingTop: (): number => 2.5,
  paddingBottom: (): number => 2.5,
};

/** The one style of everything that is printed: the farm on top, what it is and its number, page x of y, the book's sequence and the time. */
export async function printSheet(
  letter: Letterhead,
  sheet: {
    readonly title: string;
    readonly number?: string;
    readonly content: readonly Content[];
    readonly notes?: readonly string[];
    readonly size?: TDocumentDefinitions['pageSize'];
    /** Printed over everything. */
    readonly stamp?: string;
  },
): Promise<Uint8Array> {
  const document: TDocumentDefinitions = {
    info: { title: [sheet.title, sheet.number].filter(Boolean).join(' '), creator: 'Fanega', author: letter.farm },
    pageSize: sheet.size ?? 'LETTER',
    pageMargins: [36, 36, 36, 62],
    defaultStyle: { font: 'Roboto', fontSize: 10, color: INK, lineHeight: 1.15 },
    ...(sheet.stamp
      ? { watermark: { text: sheet.stamp, color: CLAY, opacity: 0.35, bold: true, angle: -32, fontSize: 96 } }
      : {}),
    content: [
      { text: letter.farm, fontSize: 13, bold: true, marginBottom: 10 },
      {
        columns: [
          { text: sheet.title, fontSize: 13, width: '*' },
          ...(sheet.number
            ? [{ text: sheet.number, fontSize: 20, bold: true, alignment: 'right', width: 'auto' }]
            : []),
        ] as Column[],
      },
      {
        canvas: [{ type: 'line', x1: 0, y1: 0, x2: widthOf(sheet.size) - 72, y2: 0, lineWidth: 0.9, lineColor: INK }],
        margin: [0, 4, 0, 10],
      },
      ...sheet.content,
    ],
    footer: (page, pages) => ({
      margin: [36, 6, 36, 0],
      fontSize: 7.5,
      color: MUTED,
      stack: [
        ...(sheet.notes ?? []),
        {
          columns: [
            `Fanega, book at entry ${letter.seq.toLocaleString('en-US')} (${fingerprintOf(letter.link)}), printed ${moment(letter.printedAt, letter)}`,
            { text: `Page ${page} of ${pages}`, alignment: 'right', width: 80 },
          ],
        },
      ],
    }),
  };
  return pdfmake().createPdf(document).getBuffer();
}

const LETTER_WIDTH = 612;
const widthOf = (size: TDocumentDefinitions['pageSize']): number =>
  typeof size === 'object' && 'width' in size ? size.width : LETTER_WIDTH;

/** A sheet as an answer: a browser shows it, and saves it under this name. @param name without its ending */
export function sendSheet(response: Response, name: string, pdf: Uint8Array): void {
  response.type('application/pdf').setHeader('Content-Disposition', `inline; filename="${name}.pdf"`);
  response.send(Buffer.from(pdf));
}
