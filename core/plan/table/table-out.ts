import { escaped } from 'core/markup';
import { makeTable, named, valuesFrom, type Column, type Table } from 'core/table';
import type { TablePlan } from './table-plan';

/** The name of each column of cells, from its heads. */
function columnNames({ heads, columns }: TablePlan): string[] {
  const over = heads.map(row => row.flatMap(({ full, span }) => new Array<string>(span).fill(full)));
  return columns.map((_, nth) => [...new Set(over.map(row => row[nth] ?? ''))].filter(Boolean).join(', '));
}

/** A crosstab as it stands, as a table of its own: the names of its levels, then a column of exact numbers for each of its cells; small lines are left out. */
export function crosstabTable(plan: TablePlan): Table {
  const taken = new Set<string>();
  const free = (name: string): string => {
    let own = name || 'value';
    for (let n = 2; taken.has(own); n++) own = `${name} ${n}`;
    taken.add(own);
    return own;
  };
  const levels = plan.levels.map((name, level): Column =>
    named(
      free(name),
      valuesFrom(
        'text',
        plan.rows.map(({ names }) => names[level] || null),
      ),
    ),
  );
  const names = columnNames(plan);
  const cells = plan.columns.flatMap(({ kind }, nth): Column[] =>
    kind === 'trend' ? [] : [named(free(names[nth] ?? ''), { type: 'number', data: columnOf(plan, nth) })],
  );
  return makeTable(plan.title || 'crosstab', [...levels, ...cells]);
}

const columnOf = ({ rows, columns, cells }: TablePlan, nth: number): Float64Array =>
  Float64Array.from(rows, (_, row) => cells.values[row * columns.length + nth] as number);

/** The cells as tab-separated lines for pasting into a grid: heads, then rows; exact numbers, missing empty. */
export function crosstabLines(plan: TablePlan): string {
  const { columns, rowCount } = crosstabTable(plan);
  const plain = (text: string): string => text.replace(/[\t\r\n]+/g, ' ');
  const lines = [columns.map(({ name }) => plain(name)).join('\t')];
  for (let row = 0; row < rowCount; row++) lines.push(columns.map(column => plain(cellText(column, row))).join('\t'));
  return lines.join('\r\n');
}

function cellText(column: Column, row: number): string {
  if (column.type === 'number') return Number.isNaN(column.data[row]) ? '' : String(column.data[row]);
  return column.type === 'text' ? (column.dictionary[column.data[row] as number] ?? '') : '';
}

/** A crosstab as an HTML page: heads and rows as table elements, colours as drawn, no scripts and no requests. */
export function crosstabHtml(plan: TablePlan): string {
  const { livery, title, subtitle, note, source, axisNote } = plan;
  const words = (tag: string, text: string, style = ''): string =>
    text ? `<${tag}${style ? ` style="${style}"` : ''}>${escaped(text)}</${tag}>` : '';
  const soft = `color:${livery.soft}`;
  return [
    '<!doctype html>',
    '<html lang="en"><head><meta charset="utf-8">',
    `<title>${escaped(title || axisNote)}</title>`,
    `<style>body{margin:2rem;background:${livery.ground};color:${livery.ink};font:14px system-ui,sans-serif;font-variant-numeric:tabular-nums}` +
      `table{border-collapse:collapse}th,td{padding:.3rem .6rem;border-bottom:1px solid ${livery.hair}}th{text-align:left;font-weight:400}` +
      `thead th,.part th,.part td,.total th,.total td{font-weight:650}.total th,.total td{border-top:1px solid ${livery.soft}}</style></head><body>`,
    words('h1', title, 'font-size:1.3rem'),
    words('p', subtitle, soft),
    words('p', axisNote, soft),
    `<table>${headHtml(plan)}<tbody>${plan.rows.map((_, row) => rowHtml(plan, row)).join('\n')}</tbody></table>`,
    words('p', note, soft),
    words('p', source && `Source: ${source}`, soft),
    '</body></html>',
    '',
  ]
    .filter(Boolean)
    .join('\n');
}

function headHtml({ heads, levels }: TablePlan): string {
  const rows = heads.map((row, down) => {
    const corner = down === 0 ? levels.map(name => `<th scope="col" rowspan="${heads.length}">${escaped(name)}</th>`) : [];
    const over = row.map(
      ({ full, span }) =>
        `<th scope="${span > 1 ? 'colgroup' : 'col'}" colspan="${span}" style="text-align:${span > 1 ? 'center' : 'right'}">${escaped(full)}</th>`,
    );
    return `<tr>${[...corner, ...over].join('')}</tr>`;
  });
  return `<thead>${rows.join('\n')}</thead>`;
}

function rowHtml({ rows, columns, cells }: TablePlan, row: number): string {
  const { kind, names, depth } = rows[row] as TablePlan['rows'][number];
  const own = names.slice(0, Math.max(0, depth) + 1);
  // The name of a total takes the room of the levels that it sums up.
  const span = names.length - own.length + 1;
  const heads = own.map(
    (name, i) => `<th scope="row"${span > 1 && i === own.length - 1 ? ` colspan="${span}"` : ''}>${escaped(name)}</th>`,
  );
  const values = columns.map(({ align, kind: of }, nth) => {
    const at = row * columns.length + nth;
    const look = [
      `text-align:${align === 'middle' ? 'center' : align}`,
      ...(cells.grounds[at] ? [`background:${cells.grounds[at]}`] : []),
      ...(cells.inks[at] ? [`color:${cells.inks[at]}`] : []),
      ...(cells.marked[at] && !cells.grounds[at] ? ['font-weight:650'] : []),
    ];
    const text = of === 'trend' ? '' : [cells.texts[at], cells.labels[at]].filter(Boolean).join(' ');
    return `<td style="${look.join(';')}">${escaped(text)}</td>`;
  });
  return `<tr class="${kind}">${[...heads, ...values].join('')}</tr>`;
}
