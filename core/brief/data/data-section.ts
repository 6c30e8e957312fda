import type { SentencePart } from 'core/sentence';
import { firstFigure } from '../first-figure/first-figure';
import { formulaWord } from './formula-word';
import { speakerOf, type Section } from '../section';
import { choiceSetting, type Choice, type Subject } from '../setting';
import type { TableFacts } from './table-facts';

/** Which rows the figure takes. */
export const dataSettings = {
  table: choiceSetting<TableFacts>({
    about: 'Table',
    search: 'data source file rows',
    plain: null,
    options: ({ tables }): readonly Choice<TableFacts>[] => tables.map(item => ({ value: item.id, label: item.name, means: item })),
    now: ({ figure }) => figure.data.table,
    // A table of its own columns needs a figure of its own; what it looks like stays.
    set({ figure }, _place, table) {
      if (table.id === figure.data.table) return {};
      const { id: _id, name: _name, ...fresh } = firstFigure(figure.id, table);
      return { ...fresh, shape: figure.shape, view: figure.view };
    },
  }),
};

const { say } = speakerOf(dataSettings);

/** "Take deliveries, 480 rows, kept by the filter above the figure. Compute fat share." */
export function dataSection(subject: Subject): Section {
  const { table } = subject;
  const { filters } = subject.figure.data;
  const rows = table ? `, ${table.rowCount.toLocaleString('en')} rows` : '';
  const kept = filters.length ? `, kept by ${filters.length === 1 ? 'the filter' : `${filters.length} filters`} above the figure` : '';
  const derived = table?.columns.filter(column => column.formula !== undefined) ?? [];
  const computed = derived.flatMap(({ name, formula = '' }): SentencePart[] => [
    ' Compute ',
    formulaWord(`derived:${name}`, 'Derived column', { name, formula }, 'derived'),
    '.',
  ]);
  return { said: ['Take ', say('table', subject), `${rows}${kept}.`, ...computed], finer: [] };
}
