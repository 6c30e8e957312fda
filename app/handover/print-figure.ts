/** Prints a picture on a page of its own size, in CSS pixels: as lines and letters, by the browser's own dialog. */
export async function printFigure(svg: string, { width, height }: { readonly width: number; readonly height: number }): Promise<void> {
  const parsed = new DOMParser().parseFromString(svg, 'image/svg+xml');
  const host = document.createElement('div');
  host.className = 'printed';
  host.append(document.adoptNode(parsed.documentElement));
  // A sheet that is made by the page's own script: the policy allows no styles from anywhere else.
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(
    `@page{size:${width}px ${height}px;margin:0}` +
      `@media screen{.printed{display:none}}` +
      `@media print{body>*{display:none!important}body>.printed{display:block!important}html,body{height:auto!important;overflow:visible!important;background:none!important}.printed svg{display:block;width:${width}px;height:${height}px}}`,
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
