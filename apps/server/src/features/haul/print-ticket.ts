import type { WeighTicketInfo } from '@fanega/contract';
import { cropOf, kilogramsPerBushel, KG_PER_LB } from '@fanega/core';
import { PDFDocument, type PDFFont, type PDFPage, rgb, StandardFonts } from 'pdf-lib';

export interface TicketWords {
  readonly farm: string;
  readonly timeZone: string;
  readonly truck: string;
  readonly fieldOf: (lotId: string) => string;
}

// Half a letter page: it fits a clipboard.
const [WIDTH, HEIGHT, MARGIN] = [396, 612, 36];
const INK = rgb(0.13, 0.15, 0.17);
const CLAY = rgb(0.71, 0.28, 0.16);

const pounds = (kg: number): string => Math.round(kg / KG_PER_LB).toLocaleString('en-US');
const tonnes = (kg: number): string => (kg / 1000).toFixed(3);
/** What the built-in fonts can write: accents are kept where Latin 1 has them, everything else becomes a question mark. */
const plain = (text: string): string => text.normalize('NFC').replace(/[^\x20-\x7e\xa0-\xff]/g, (c) => c.normalize('NFD').replace(/[^\x20-\x7e]/g, '') || '?');

/** A weight on paper: what was weighed, how, and for whom. */
export async function printTicket(ticket: WeighTicketInfo, words: TicketWords): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(`Weight ticket ${ticket.number}`);
  pdf.setCreator('Fanega');
  const page = pdf.addPage([WIDTH, HEIGHT]);
  const [font, bold] = await Promise.all([pdf.embedFont(StandardFonts.Helvetica), pdf.embedFont(StandardFonts.HelveticaBold)]);
  let y = HEIGHT - MARGIN;
  const write = (text: string, { x = MARGIN, size = 10, face = font, right = false, color = INK } = {}): void => {
    const shown = plain(text);
    page.drawText(shown, { x: right ? x - face.widthOfTextAtSize(shown, size) : x, y, size, font: face, color });
  };
  const line = (): void => page.drawLine({ start: { x: MARGIN, y: y - 5 }, end: { x: WIDTH - MARGIN, y: y - 5 }, thickness: 0.7, color: INK });
  const right = WIDTH - MARGIN;
  const when = new Intl.DateTimeFormat('en-US', { timeZone: words.timeZone, dateStyle: 'medium', timeStyle: 'short', hourCycle: 'h23' }).format(Date.parse(ticket.at));

  y -= 10;
  write(words.farm, { size: 13, face: bold });
  y -= 26;
  write('Weight ticket', { size: 12 });
  write(`No. ${ticket.number}`, { x: right, size: 22, face: bold, right: true });
  line();
  y -= 24;
  for (const [label, text] of [
    ['When', when],
    ['Truck', words.truck],
    ['Tractor and trailer', ticket.combination],
    ['Weighed', ticket.byHand ? 'typed by hand from a bridge without a wire' : ticket.grossKg.length > 1 ? 'axle by axle' : 'whole truck at once'],
    ['By', ticket.by],
  ] as const) {
    write(label, { size: 9 });
    write(text, { x: MARGIN + 110 });
    y -= 15;
  }
  y -= 6;
  // Three columns of figures, from the right.
  const columns = [right - 170, right - 85, right];
  write('lb', { size: 9 });
  ['gross', 'tare', 'net'].forEach((text, i) => write(text, { x: columns[i]!, size: 9, right: true }));
  line();
  y -= 18;
  const byAxle = ticket.grossKg.length > 1 && ticket.grossKg.length === ticket.tareKg.length;
  if (ticket.grossKg.length > 1) {
    ticket.grossKg.forEach((gross, i) => {
      write(`axle ${i + 1}`);
      write(pounds(gross), { x: columns[0]!, right: true });
      if (byAxle) {
        write(pounds(ticket.tareKg[i]!), { x: columns[1]!, right: true });
        write(pounds(gross - ticket.tareKg[i]!), { x: columns[2]!, right: true });
      }
      y -= 14;
    });
    y += 4;
    line();
    y -= 16;
  }
  const total = (axles: readonly number[]): number => axles.reduce((sum, kg) => sum + kg, 0);
  [total(ticket.grossKg), total(ticket.tareKg), ticket.netKg].forEach((kg, i) => write(pounds(kg), { x: columns[i]!, size: 12, face: bold, right: true }));
  y -= 15;
  write('t', { size: 9 });
  [total(ticket.grossKg), total(ticket.tareKg), ticket.netKg].forEach((kg, i) => write(tonnes(kg), { x: columns[i]!, right: true }));
  y -= 34;
  const crop = cropOf(ticket.crop ?? '');
  write('Net', { size: 12 });
  write(`${pounds(ticket.netKg)} lb`, { x: right, size: 26, face: bold, right: true });
  y -= 20;
  if (crop) write(`${(ticket.netKg / kilogramsPerBushel(crop.legalPounds)).toFixed(1)} wet bu of ${crop.name.toLowerCase()} at ${crop.legalPounds} lb`, { x: right, right: true });
  y -= 26;
  write('By the book, from', { size: 9 });
  y -= 14;
  for (const [lotId, share] of Object.entries(ticket.shares)
    .sort((a, b) => b[1] - a[1])
    .slice(0, 6)) {
    write(words.fieldOf(lotId));
    write(`${(100 * share).toFixed(1)} %   ${pounds(share * ticket.netKg)} lb`, { x: right, right: true });
    y -= 14;
  }
  y = MARGIN + 30;
  line();
  y -= 8;
  foot(
    page,
    font,
    ticket.grossKg.length > 1
      ? 'Sum of axles: an estimate of 1 to 2 %, not a weight for trade.'
      : 'A weight of the farm’s own scale; for trade only where the scale is sealed for it.',
    y,
  );
  foot(page, font, 'Made with Fanega. The number is used once; a void ticket keeps it.', y - 11);
  if (ticket.voided) {
    page.drawText('VOID', { x: 90, y: 250, size: 90, font: bold, color: CLAY, opacity: 0.5 });
  }
  return pdf.save();
}

function foot(page: PDFPage, font: PDFFont, text: string, y: number): void {
  page.drawText(text.replace('’', "'"), { x: MARGIN, y: y - 8, size: 8, font, color: INK });
}
