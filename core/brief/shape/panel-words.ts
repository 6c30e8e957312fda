import { isTable, plainShape, type Figure } from 'core/document';
import { layerCount } from '../data/layer-count';
import { speakerOf, type Clause } from '../section';
import { choices, choiceSetting, type Choice, type Subject } from '../setting';
import { handSetting } from '../data/step-choices';

type PanelOrder = Figure['shape']['panelOrder'];

/** Whether a figure has several panels. */
const hasPanels = (figure: Figure): boolean =>
  !isTable(figure) && (figure.data.panel !== null || (figure.shape.panels === 'measures' && layerCount(figure) > 1));
const inPanels = (figure: Figure): string[] => (hasPanels(figure) ? [''] : []);
const byColumn = (figure: Figure): string[] => (!isTable(figure) && figure.data.panel !== null ? [''] : []);

const COLUMNS: readonly number[] = [1, 2, 3, 4, 5, 6, 8, 10, 12];

/** Settings for the arrangement and order of panels. */
export const panelSettings = {
  'panel-columns': choiceSetting<number | null>({
    about: 'Panels beside each other',
    search: 'grid columns facets small multiples wrap side by side layout',
    governs: () => ['panel'],
    places: inPanels,
    plain: '',
    options: [
      { value: '', label: 'as many beside each other as fit', means: null },
      ...COLUMNS.map((count): Choice<number | null> => ({
        value: String(count),
        label: count === 1 ? 'one below the other' : `${count} beside each other`,
        means: count,
      })),
    ],
    now: ({ figure }) => String(figure.shape.columns ?? ''),
    set: ({ figure }, _place, columns) => ({ shape: { ...figure.shape, columns } }),
  }),
  'panel-order': choiceSetting<PanelOrder>({
    about: 'Order of the panels',
    search: 'sort panels facets small multiples order largest first',
    governs: () => ['panel'],
    places: byColumn,
    plain: plainShape.panelOrder.by,
    options: ({ figure }) => orders(figure.shape.panelOrder),
    now: ({ figure }) => orderValue(figure.shape.panelOrder),
    set: ({ figure }, _place, panelOrder) => ({ shape: { ...figure.shape, panelOrder } }),
  }),
  'panel-hand': handSetting('Order of the panels by hand', {
    places: figure => (figure.shape.panelOrder.by === 'hand' ? byColumn(figure) : []),
    now: ({ shape }) => shape.panelOrder.keys,
    set: ({ shape }, keys) => ({ shape: { ...shape, panelOrder: { by: 'hand', descending: false, keys } } }),
  }),
};

const orderValue = ({ by, descending }: PanelOrder): string =>
  by === 'hand' || by === 'table' ? by : `${by}${descending ? ':falling' : ''}`;

const orders = ({ keys }: PanelOrder): readonly Choice<PanelOrder>[] =>
  choices([
    ['table', 'as the table has them'],
    ['name', 'by their names, rising'],
    ['name:falling', 'by their names, falling'],
    ['size:falling', 'largest first'],
    ['size', 'smallest first'],
    ['hand', 'by hand'],
  ]).map(choice => {
    const [by = 'table', falling] = choice.value.split(':');
    return { ...choice, means: { by: by as PanelOrder['by'], descending: falling !== undefined, keys } };
  });

const { say, clause } = speakerOf(panelSettings);

/** "Panels stand 3 beside each other. Panels come largest first." */
export function panelClauses(subject: Subject): readonly Clause[] {
  const { figure } = subject;
  const order = clause('panel-order', subject, { said: [' Panels come ', '.'], finer: ['Panels come ', '.'] });
  return [
    ...(hasPanels(figure) ? [clause('panel-columns', subject, { said: [' Panels stand ', '.'], finer: ['Panels stand ', '.'] })] : []),
    ...(byColumn(figure).length
      ? [
          figure.shape.panelOrder.by === 'hand'
            ? { ...order, said: [' Panels come ', say('panel-order', subject), ' ', say('panel-hand', subject), '.'] }
            : order,
        ]
      : []),
  ];
}
