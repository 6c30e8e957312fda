import { execFile } from 'node:child_process';
import { mkdtemp, readFile, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { firstFigure } from 'core/brief';
import { plainTable, PROJECT_VERSION, type Project, type TableDoc } from 'core/document';
import { writeProjectFile } from 'core/io';
import { PLAIN_INTAKE, plainColumnIntake, tableOf } from 'core/table';
import { main } from './main';

const CSV =
  'hut,valley,week,milk\nAlm,Tolm,2031-05-01,10\nAlm,Tolm,2031-05-08,\nBerg,Siddel,2031-05-01,20.5\n"Cloud, upper",Siddel,2031-05-01,0\n';
let file = '';
const run = async (...args: string[]): Promise<{ code: number; out: string; err: string }> => {
  let [out, err] = ['', ''];
  const code = await main(
    args.map(arg => (arg === 'FILE' ? file : arg)),
    { out: text => (out += text), err: text => (err += text) },
  );
  return { code, out, err };
};

describe('the cowbell command', () => {
  beforeAll(async () => {
    file = join(await mkdtemp(join(tmpdir(), 'cowbell-')), 'deliveries.csv');
    await writeFile(file, CSV);
  });

  const done: readonly [name: string, args: string[], out: string][] = [
    [
      'adds columns behind the others, in order',
      ['derive', 'FILE', 'twice = milk * 2', '"of all" = twice / sum(twice) over ()'],
      'hut,valley,week,milk,twice,of all\r\nAlm,Tolm,2031-05-01,10,20,0.32786885245901637\r\nAlm,Tolm,2031-05-08,,,\r\nBerg,Siddel,2031-05-01,20.5,41,0.6721311475409836\r\n"Cloud, upper",Siddel,2031-05-01,0,0,0\r\n',
    ],
    [
      'keeps some rows',
      ['derive', 'FILE', '--filter', "milk > 5 and valley = 'Tolm'"],
      'hut,valley,week,milk\r\nAlm,Tolm,2031-05-01,10\r\n',
    ],
    [
      'sums up by groups',
      ['derive', 'FILE', '--group-by', 'valley', '--measure', 'milk = sum(milk)', '--measure', 'n = count(*)'],
      'valley,milk,n\r\nTolm,10,2\r\nSiddel,20.5,2\r\n',
    ],
    [
      'sums up a computed column, ordered',
      [
        'derive',
        'FILE',
        'big = milk > 5',
        '--group-by',
        'valley,hut',
        '--measure',
        'big = count(*) filter (where big)',
        '--order-by',
        'hut desc',
      ],
      'valley,hut,big\r\nSiddel,"Cloud, upper",0\r\nSiddel,Berg,1\r\nTolm,Alm,1\r\n',
    ],
    ['all rows as one group', ['derive', 'FILE', '--measure', 'milk = sum(milk)'], 'milk\r\n30.5\r\n'],
    [
      'as JSON',
      ['derive', 'FILE', '--filter', 'milk is null', '--format', 'json'],
      '[\n{"hut":"Alm","valley":"Tolm","week":"2031-05-08","milk":null}\n]\n',
    ],
    ['nothing kept', ['derive', 'FILE', '--filter', 'milk > 99', '--format', 'json'], '[]\n'],
    [
      'describes columns',
      ['describe', 'FILE'],
      'column,type,rows,missing,distinct,smallest,largest\r\nhut,text,4,0,3,Alm,"Cloud, upper"\r\nvalley,text,4,0,2,Siddel,Tolm\r\nweek,date,4,0,2,2031-05-01,2031-05-08\r\nmilk,number,4,1,3,0,20.5\r\n',
    ],
    ['reads a formula', ['check-formula', 'milk + 1'], 'The formula reads well. Give --columns FILE.csv to check its names and types.\n'],
    ['checks a formula', ['check-formula', 'milk / 2', '--columns', 'FILE'], 'type: number\nsql: (milk * 1.0 / nullif(2, 0))\n'],
    ['checks a measure', ['check-formula', 'sum(milk)', '--columns', 'FILE', '--place', 'measure'], 'type: number\nsql: sum(milk)\n'],
  ];
  for (const [name, args, out] of done) it(name, async () => expect(await run(...args)).toEqual({ code: 0, out, err: '' }));

  const faults: readonly [name: string, args: string[], code: number, says: RegExp][] = [
    ['no command', [], 2, /cowbell derive /],
    ['an unknown command', ['draw'], 2, /There is no command draw/],
    ['no file', ['derive'], 2, /Name a CSV file/],
    ['an unknown option', ['derive', 'FILE', '--sort', 'x'], 2, /Unknown option '--sort'/],
    ['no column', ['derive', 'FILE', 'milk * 2'], 2, /is no column: write "name = expression"/],
    ['an unknown format', ['derive', 'FILE', '--format', 'xml'], 2, /Choose csv or json/],
    ['groups without a measure', ['derive', 'FILE', '--group-by', 'hut'], 2, /needs at least one --measure/],
    ['an unknown place', ['check-formula', '1', '--place', 'cell'], 2, /Choose column, filter or measure/],
    ['a file that is not there', ['derive', '/nowhere/a.csv'], 1, /a\.csv cannot be read: ENOENT/],
    ['a misspelt name', ['derive', 'FILE', 'a = mlik + 1'], 1, /a: line 1, column 1: No column is called “mlik”\. Did you mean milk\?/],
    [
      'a fault in the filter',
      ['derive', 'FILE', '--filter', 'milk'],
      1,
      /filter: line 1, column 1: “milk” is number, but boolean is needed/,
    ],
    ['a broken formula', ['check-formula', 'milk +'], 1, /Line 1, column 7: the formula ends too early/],
    ['a name that is taken', ['derive', 'FILE', 'milk = 1'], 1, /A column is called milk already/],
    [
      'a group that is no column',
      ['derive', 'FILE', '--group-by', 'x', '--measure', 'n = count(*)'],
      1,
      /No column is called x\. Choose one of: hut, valley, week, milk\./,
    ],
  ];
  for (const [name, args, code, says] of faults)
    it(`refuses ${name}`, async () => {
      const answer = await run(...args);
      expect([answer.code, answer.out]).toEqual([code, '']);
      expect(answer.err).toMatch(says);
    });

  it('tells of rows without a value', async () =>
    expect((await run('derive', 'FILE', 'q = 1 / milk')).err).toBe(
      'cowbell: note: q: 1 row has no value, by a division by zero or the like; left missing.\n',
    ));
  it('writes to a file', async () => {
    expect((await run('derive', 'FILE', '--filter', 'milk = 0', '-o', `${file}.out`)).out).toBe('');
    expect(await readFile(`${file}.out`, 'utf8')).toContain('"Cloud, upper"');
  });
  describe('ledger', () => {
    const table = tableOf({ hut: ['Alm', 'Berg'], milk: [10, 30] }, 'deliveries');
    const figure = firstFigure('f', { id: 'd', name: 'deliveries', rowCount: 2, units: {}, columns: table.columns });
    const project: Project = {
      version: PROJECT_VERSION,
      id: 'p',
      name: 'season',
      tables: [{ ...plainTable('d', 'deliveries'), edits: [{ row: 0, column: 'milk', value: 5 }] }],
      figures: [figure, { ...figure, id: 'g', name: 'Second', cues: [] }],
      formats: [],
      pictures: [],
      liveries: [],
      looks: [],
    };
    let path = '';
    beforeAll(async () => {
      path = `${file}.json`;
      await writeFile(path, writeProjectFile({ project, tables: { d: table } }));
      await writeFile(`${file}.july.csv`, 'hut,milk\nAlm,7\nBerg,9\nCirn,8\n');
    });
    const cases: readonly [name: string, args: readonly string[], out: string, err: string][] = [
      ['the first figure, edits laid over', [], 'hut,milk,highest,lowest,rest\r\nBerg,30,30,,\r\nAlm,5,,5,\r\n', ''],
      ['another, by its name in any case', ['--figure', 'second'], 'hut,milk\r\nBerg,30\r\nAlm,5\r\n', ''],
      ['as JSON', ['--figure', 'Second', '--format', 'json'], '[\n{"hut":"Berg","milk":30},\n{"hut":"Alm","milk":5}\n]\n', ''],
      ['names', ['--list'], 'figure Milk by hut\nfigure Second\ntable deliveries, 2 rows\n', ''],
      [
        'other rows in the place of a table',
        ['--data', 'deliveries=JULY'],
        'hut,milk,highest,lowest,rest\r\nBerg,9,9,,\r\nCirn,8,,,8\r\nAlm,7,,7,\r\n',
        'cowbell: note: deliveries: left out 1 edit of rows that are not there as they were.\n',
      ],
    ];
    for (const [name, args, out, err] of cases)
      it(name, async () => {
        const given = args.map(arg => arg.replace('JULY', `${file}.july.csv`));
        expect(await run('ledger', path, ...given)).toEqual({ code: 0, out, err });
      });
    it('totals of a crosstab that cues look at', async () => {
      const months = tableOf({ hut: ['Alm', 'Berg', 'Alm'], month: ['May', 'May', 'Jun'], milk: [10, 30, 25] }, 'deliveries');
      const first = firstFigure('f', { id: 'd', name: 'deliveries', rowCount: 3, units: {}, columns: months.columns }, 'hut');
      const cues = first.cues.map(cue => ({ ...cue, scope: { kind: 'totals' as const, of: 'rows' as const } }));
      const shape = { ...first.shape, mark: 'crosstab' as const };
      const crosstab = { ...first, shape, cues, data: { ...first.data, series: 'month' } };
      const own = { ...project, tables: [plainTable('d', 'deliveries')], figures: [crosstab] };
      await writeFile(`${file}.months.json`, writeProjectFile({ project: own, tables: { d: months } }));
      const asked = (...more: readonly string[]) => run('ledger', `${file}.months.json`, ...more);
      expect((await asked('--totals', 'rows')).out).toBe('hut,milk,highest,lowest,rest\r\nAlm,35,35,,\r\nBerg,30,,30,\r\n');
      expect((await asked()).out).not.toContain('highest');
      expect([(await asked('--totals', 'columns')).code, (await asked('--totals', 'cells')).code]).toEqual([1, 2]);
      expect((await asked('--totals', 'columns')).err).toContain('No cue of this figure looks at totals of columns');
      const { out } = await run('render', `${file}.months.json`, '--format', 'html');
      expect(out).toContain('Totals of rows, as cues look at them');
    });
    it('other rows are read as the table’s intake says', async () => {
      const milk = { ...plainColumnIntake('Milch'), as: 'milk', missing: ['999'] };
      const intake = { ...PLAIN_INTAKE, above: 1, below: 1, missing: [], columns: [{ ...milk, missing: [...milk.missing] }] };
      const [own] = project.tables as [TableDoc];
      const read = { ...project, tables: [{ ...own, edits: [], intake }] };
      await writeFile(`${file}.intake.json`, writeProjectFile({ project: read, tables: { d: table } }));
      await writeFile(`${file}.july.txt`, 'Deliveries of July\nhut;Milch\nAlm;7,5\nBerg;999\nCirn;8\nall;15,5\n');
      const answer = await run('ledger', `${file}.intake.json`, '--figure', 'Second', '--data', `deliveries=${file}.july.txt`);
      expect(answer).toEqual({ code: 0, out: 'hut,milk\r\nCirn,8\r\nAlm,7.5\r\nBerg,\r\n', err: '' });
    });
    it('a table made of others takes no file', async () => {
      const made = { kind: 'stack' as const, tables: ['d', 'd'], from: null };
      const both = { ...project, tables: [...project.tables, { ...plainTable('both', 'both'), made }] };
      await writeFile(`${file}.made.json`, writeProjectFile({ project: both, tables: { d: table } }));
      expect((await run('ledger', `${file}.made.json`, '--list')).out).toContain('table both, 4 rows');
      const answer = await run('ledger', `${file}.made.json`, '--data', `both=${file}.july.csv`);
      expect(answer.err).toContain('both is made of other tables. Name one that has a file of its own.');
    });
    const faults: readonly [name: string, args: readonly string[], code: number, says: RegExp][] = [
      ['no project', [], 2, /Name one project file/],
      ['rows instead of a project', ['FILE'], 1, /is no project file/],
      [
        'a figure that is not there',
        ['PROJECT', '--figure', 'Third'],
        1,
        /No figure is called Third\. Choose one of: Milk by hut, Second\./,
      ],
      ['a table that is not there', ['PROJECT', '--data', 'tanks=FILE'], 1, /No table is called tanks\. Choose one of: deliveries\./],
      ['data without a file', ['PROJECT', '--data', 'deliveries'], 2, /is no --data TABLE=FILE/],
      ['rows that lack a column', ['PROJECT', '--data', 'deliveries=EMPTY'], 1, /Milk by hut: .*No column is called “milk”/],
    ];
    for (const [name, args, code, says] of faults)
      it(`refuses ${name}`, async () => {
        await writeFile(`${file}.empty.csv`, 'hut,fat\nAlm,1\n');
        const given = args.map(arg => arg.replace('PROJECT', path).replace('EMPTY', `${file}.empty.csv`).replace(/FILE$/, file));
        const answer = await run('ledger', ...given);
        expect([answer.code, answer.out]).toEqual([code, '']);
        expect(answer.err).toMatch(says);
      });
  });

  it('helps', async () => expect((await run('derive', '--help')).out).toContain('--order-by'));

  it('runs as npx runs it, from standard input', done => {
    const root = fileURLToPath(new URL('..', import.meta.url));
    const child = execFile(
      'npx',
      ['--no-install', 'cowbell', 'derive', '-', 'r = rank() over (order by milk desc)'],
      { cwd: root },
      (error, out) => {
        expect(error).toBeNull();
        expect(out).toBe('hut,milk,r\r\nAlm,10,2\r\nBerg,20,1\r\n');
        done();
      },
    );
    child.stdin?.end('hut,milk\nAlm,10\nBerg,20\n');
  }, 30_000);
});
