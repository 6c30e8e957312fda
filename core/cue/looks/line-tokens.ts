import type { Option } from 'core/sentence';
import type { TreatmentOf } from './treatments';

/** Dashes to choose from. */
export const DASH_OPTIONS: readonly Option[] = [
  { value: 'solid', label: 'solid' },
  { value: 'dashed', label: 'dashed' },
  { value: 'dotted', label: 'dotted' },
  { value: 'dash-dot', label: 'dash-dotted' },
];

/** How a row of computed values is drawn. */
export const FORM_OPTIONS: readonly Option[] = [
  { value: 'joined', label: 'as a line' },
  { value: 'stepped', label: 'as a stepped line' },
  { value: 'points', label: 'as points' },
  { value: 'columns', label: 'as columns' },
];

/** Axes that a cue's own values may be read at. */
export const CUE_AXIS_OPTIONS: readonly Option[] = [
  { value: 'same', label: 'on the same axis' },
  { value: 'second', label: 'on the second axis' },
];

/** A drawn row of values with what most cues leave as it is. */
export const drawn = (
  line: Pick<TreatmentOf<'line'>, 'part' | 'measure' | 'colour' | 'legend'> & Partial<TreatmentOf<'line'>>,
): TreatmentOf<'line'> => ({
  show: 'line',
  dash: 'solid',
  width: 2,
  marker: '',
  form: 'joined',
  axis: 'same',
  label: false,
  drag: null,
  ...line,
});
