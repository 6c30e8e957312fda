/** A print job: markup without scripts, its styles, and its own paper size, if any, in CSS pixels. */
export interface PrintJob {
  readonly markup: string;
  readonly style: string;
  readonly size: { readonly width: number; readonly height: number } | null;
}

/** Prints something in the place of the page: as lines and letters, by the browser's own dialog. */
export async function print({ markup, style, size }: PrintJob): Promise<void> {
  // The page's policy takes no styles from within; those that matter stand in the sheet.
  const parsed = new DOMParser().parseFromString(markup.replace(/<style>[^<]*<\/style>/g, ''), 'text/html');
  const host = document.createElement('div');
  host.className = 'printed';
  host.append(...[...parsed.body.childNodes].map(node => document.adoptNode(node)));
  // A sheet that is made by the page's own script: the policy allows no styles from anywhere else.
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(
    `@page{${size ? `size:${size.width}px ${size.height}px;` : ''}margin:${size ? '0' : '14mm'}}` +
      '@media screen{.printed{display:none}}' +
      `@media print{body>*{display:none!important}body>.printed{display:block!important}html,body{height:auto!important;overflow:visible!important;background:none!important}.printed text{white-space:pre}${style}}`,
  );
  document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet];
  document.body.append(host);
  const done = new Promise<void>(resolve => window.addEventListener('afterprint', () => resolve(), { once: true }));
  try {
    window.print();
    await done;
  } finally {
    host.remove();
    document.adoptedStyleSheets = document.adoptedStyleSheets.filter(own => own !== sheet);
  }
}

/** Prints a picture on a page of its own size. */
export const printFigure = (svg: string, size: { readonly width: number; readonly height: number }): Promise<void> =>
  print({ markup: svg, size, style: `.printed svg{display:block;width:${size.width}px;height:${size.height}px}` });
