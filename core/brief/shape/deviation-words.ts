import { cueFactsOf, cueKinds, type Cue } from 'core/cue';
import { isTable, type Figure } from 'core/document';
import { nameText } from 'core/formula';
import { partsOfMeasure, plainMeasure, ROWS, simpleMeasure, type Measure } from 'core/frame';
import { isMeasurable } from '../data/column-roles';
import { speakerOf, type Clause } from '../section';
import { choiceSetting, type Change, type Choice, type Subject } from '../setting';
import { offeredColumns } from '../data/table-facts';

/** The cue that colours gains and losses in the deviation panel. */
const CUE = 'beside';
const PLAN = /plan|target|goal|budget|expected|quota|previous|before|last year/i;
// More than this would be a list to search.
const MOST_OFFERED = 12;

/** The measure that the deviation panel subtracts; null when there is no such panel. */
function besideIn({ data, shape }: Figure): { readonly measure: Measure; readonly less: Measure } | null {
  const [first] = data.measures;
  if (!first || shape.panels !== 'measures') return null;
  for (const measure of data.measures)
    for (const less of data.measures) if (measure.formula === differenceOf(first, less)) return { measure, less };
  return null;
}

const differenceOf = (first: Measure, less: Measure): string => `${first.formula} - ${less.formula}`;

/** Measures that can be subtracted from the first one, a plan first. */
function offered({ figure, table }: Subject): readonly string[] {
  const parts = partsOfMeasure(figure.data.measures[0] as Measure);
  if (!parts || parts.column === ROWS) return [];
  const columns = offeredColumns(table)
    .filter(column => column.name !== parts.column && isMeasurable(column))
    .map(({ name }) => name);
  return [...columns.filter(name => PLAN.test(name)), ...columns.filter(name => !PLAN.test(name))].slice(0, MOST_OFFERED);
}

/** The setting for a second panel with the same categories: the first measure minus another, gains and losses in their own colours. */
export const deviationSettings = {
  beside: choiceSetting<string | null>({
    about: 'Beside it',
    search: 'deviation variance difference actual minus plan gap gain loss second panel',
    governs: () => ['panel'],
    places: figure => (isTable(figure) || figure.data.panel !== null || figure.data.measures.length === 0 ? [] : ['']),
    plain: '',
    options: subject => {
      const name = subject.figure.data.measures[0]?.name ?? '';
      const now = valueOf(subject.figure);
      const names = [...new Set([...(now ? [now] : []), ...offered(subject)])];
      return [
        { value: '', label: 'nothing', means: null },
        ...names.map((column): Choice<string | null> => ({ value: column, label: `${name} minus ${column}`, means: column })),
      ];
    },
    now: ({ figure }) => valueOf(figure),
    set: ({ figure }, _place, column) => (column === null ? without(figure) : withBeside(figure, column)),
  }),
};

const valueOf = (figure: Figure): string => {
  const found = besideIn(figure);
  return found ? (partsOfMeasure(found.less)?.column ?? '') : '';
};

function without(figure: Figure): Change {
  const found = besideIn(figure);
  if (!found) return {};
  const gone = [found.measure, ...(found.less.shape === 'none' ? [found.less] : [])];
  return {
    data: { ...figure.data, measures: figure.data.measures.filter(measure => !gone.includes(measure)) },
    shape: { ...figure.shape, panels: 'one' },
    cues: figure.cues.filter(({ id }) => id !== CUE),
  };
}

function withBeside(figure: Figure, column: string): Change {
  const bare = { ...figure, ...without(figure) };
  const [first, ...others] = bare.data.measures as [Measure, ...Measure[]];
  const summary = partsOfMeasure(first)?.summary ?? 'sum';
  const taken = [bare.data.category, ...bare.data.measures.map(({ name }) => name), ...bare.data.helpers.map(({ name }) => name)];
  const known = others.find(measure => partsOfMeasure(measure)?.column === column && partsOfMeasure(measure)?.summary === summary);
  const less: Measure = known ?? { ...simpleMeasure(summary, column, taken), shape: 'none', format: first.format };
  const measure = { ...plainMeasure(`${first.name} − ${column}`, differenceOf(first, less)), format: first.format };
  const rest = others.filter(item => item !== known);
  return {
    data: { ...bare.data, measures: [first, measure, less, ...rest] },
    shape: { ...bare.shape, panels: 'measures' },
    cues: [...bare.cues, gainsAndLosses(measure.name, bare.data.category)],
  };
}

function gainsAndLosses(measure: string, category: string): Cue {
  const cue = cueKinds.rule.create(CUE, cueFactsOf({ measures: [measure], category }));
  const look = (colour: string) => ({ colour, outline: false, glyph: '', label: 'value' as const, text: '' });
  return {
    ...cue,
    branches: [
      { name: 'gain', when: `${nameText(measure)} > 0` },
      { name: 'loss', when: `${nameText(measure)} < 0` },
    ],
    quiet: false,
    looks: { gain: look('pasture'), loss: look('clay') },
  };
}

const { clause } = speakerOf(deviationSettings);

/** "Beside it, wheels minus wheels planned." */
export const deviationClauses = (subject: Subject): readonly Clause[] =>
  deviationSettings.beside.places(subject.figure).length && (offered(subject).length || valueOf(subject.figure))
    ? [clause('beside', subject, { said: [' Beside it, ', '.'], finer: ['Beside it stands ', '.'] })]
    : [];
