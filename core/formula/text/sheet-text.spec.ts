import { named, tableOf, valuesFrom, withColumns } from 'core/table';
import { compileFormula, scopeOf } from '../evaluate/compile';
import { sheetText, type SheetColumn, type SheetRoom } from './sheet-text';

const table = withColumns(tableOf({ hut: ['Alm'], milk: [1.5], plan: [2.5], ok: [true] }), [
  named('day', valuesFrom('date', ['2031-06-02'])),
]);
const LETTERS: Readonly<Record<string, string>> = { hut: 'A', milk: 'B', plan: 'C', day: 'D', ok: 'E' };
const at = (letter: string, isRaw: boolean): SheetColumn => ({ cell: `${letter}\u0000`, range: `${letter}2:${letter}9`, isRaw });
const room: SheetRoom = {
  rows: 8,
  column: name => (LETTERS[name] ? at(LETTERS[name], name === 'hut') : undefined),
  part: () => at('P', false),
  partition: () => at('Q', true),
  place: () => ({ ...at('R', true), isUnique: true }),
  behind: () => ({ values: at('S', true), conditions: [['T2:T9', 'U\u0000']] }),
};

const written = (formula: string, place: 'column' | 'measure' = 'column'): string | null => {
  const read = compileFormula(formula, scopeOf(table), place);
  if (!read.ok) throw new Error(formula);
  const text = sheetText(read.value, room);
  return text && `${text.isArray ? '{' : ''}${text.text.replaceAll('\u0000', '1')}`;
};

describe('formulas of spreadsheets', () => {
  const rows: readonly [formula: string, sheet: string | null][] = [
    ['milk + plan', 'IF(OR(B1="",C1=""),"",(B1+C1))'],
    ['milk / plan', 'IF(OR(B1="",C1=""),"",IF(C1=0,"",B1/C1))'],
    ['milk * 2', 'IF(B1="","",(B1*2))'],
    ['-milk', 'IF(B1="","",-(B1))'],
    ['hut', 'IF(ISBLANK(A1),"",A1)'],
    ["hut = 'Alm'", 'IF(IF(ISBLANK(A1),"",A1)="","",EXACT(IF(ISBLANK(A1),"",A1),"Alm"))'],
    ["hut < 'Alm'", null],
    ['milk is null', '(B1="")'],
    [
      'milk > plan and ok',
      'IF(OR(IF(OR(B1="",C1=""),"",B1>C1)=FALSE(),E1=FALSE()),FALSE(),IF(OR(IF(OR(B1="",C1=""),"",B1>C1)="",E1=""),"",TRUE()))',
    ],
    ['case when ok then milk end', 'IF(E1=TRUE(),B1,"")'],
    ['coalesce(milk, 0)', 'IF(B1="",0,B1)'],
    ['floor(milk)', 'IF(B1="","",(TRUNC(B1)-IF(B1<TRUNC(B1),1,0)))'],
    ["date_trunc('month', day)", 'IF(D1="","",DATE(YEAR(D1),MONTH(D1),1))'],
    ["day >= date '2031-06-01'", 'IF(D1="","",D1>=DATE(2031,6,1))'],
    ['milk > 1e-7', 'IF(B1="","",B1>(1*10^(-7)))'],
    ["hut like 'A%'", null],
    ['sum(milk) over ()', 'IF(COUNT(B2:B9)<1,"",SUM(B2:B9))'],
    [
      'avg(milk) over (partition by hut)',
      'IF(COUNTIFS(Q2:Q9,Q1,B2:B9,">-1E+300")<1,"",SUMIFS(B2:B9,Q2:Q9,Q1)/COUNTIFS(Q2:Q9,Q1,B2:B9,">-1E+300"))',
    ],
    ['max(milk) over (partition by hut)', '{IF(COUNTIFS(Q2:Q9,Q1,B2:B9,">-1E+300")<1,"",MAX(IF(ISNUMBER(B2:B9)*(Q2:Q9=Q1),B2:B9)))'],
    ['rank() over (order by milk)', 'R1'],
    ['lag(milk) over (order by day)', 'IF(COUNTIFS(R2:R9,R1-1,B2:B9,">-1E+300")=0,"",SUMIFS(B2:B9,R2:R9,R1-1))'],
    ['sum(milk) over (order by day)', 'IF(COUNTIFS(R2:R9,"<="&R1,B2:B9,">-1E+300")<1,"",SUMIFS(B2:B9,R2:R9,"<="&R1))'],
    [
      'sum(milk) over (order by day rows between 1 preceding and current row)',
      'IF(COUNTIFS(R2:R9,">="&(R1-1),R2:R9,"<="&(R1+0),B2:B9,">-1E+300")<1,"",SUMIFS(B2:B9,R2:R9,">="&(R1-1),R2:R9,"<="&(R1+0)))',
    ],
  ];
  for (const [formula, sheet] of rows) it(formula, () => expect(written(formula)).toBe(sheet));

  it('a measure looks at the rows behind its group; what counts different values has no form', () => {
    expect(written('sum(milk)', 'measure')).toBe('IF(COUNTIFS(T2:T9,U1,S2:S9,">-1E+300")<1,"",SUMIFS(S2:S9,T2:T9,U1))');
    expect(written('count(distinct milk)', 'measure')).toBeNull();
  });
});
