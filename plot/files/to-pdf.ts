// A PDF counts in points, of which there are so many to a CSS pixel.
const POINTS = 0.75;

/** What a page says of itself. */
export interface PageWords {
  readonly title: string;
  readonly subject: string;
}

/** A picture on a page of its own size, in CSS pixels. The picture is a PNG of any resolution. */
export async function toPdf(png: Blob, size: { readonly width: number; readonly height: number }, words: PageWords): Promise<Blob> {
  // What writes such files comes when the first is asked for.
  const { PDFDocument } = await import('pdf-lib');
  const pdf = await PDFDocument.create();
  pdf.setTitle(words.title);
  pdf.setSubject(words.subject);
  const image = await pdf.embedPng(await png.arrayBuffer());
  const [width, height] = [size.width * POINTS, size.height * POINTS];
  pdf.addPage([width, height]).drawImage(image, { x: 0, y: 0, width, height });
  const bytes = await pdf.save();
  return new Blob([bytes as Uint8Array<ArrayBuffer>], { type: 'application/pdf' });
}
