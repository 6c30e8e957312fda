import type { Option } from 'core/sentence';
import type { TreatmentOf } from './treatments';

/** Dashes to choose from. */
export const DASH_OPTIONS: readonly Option[] = [
  { value: 'solid', label: 'solid' },
  { value: 'dashed', label: 'dashed' },
  { value: 'dotted', label: 'dotted' },
  { value: 'dash-dot', label: 'dash-dotted' },
];

/** Forms of a line of computed values. */
export const FORM_OPTIONS: readonly Option[] = [
  { value: 'joined', label: 'as a line' },
  { value: 'stepped', label: 'as a stepped line' },
  { value: 'points', label: 'as points' },
  { value: 'columns', label: 'as columns' },
];

/** Axes for a cue's own values. */
export const CUE_AXIS_OPTIONS: readonly Option[] = [
  { value: 'same', label: 'on the same axis' },
  { value: 'second', label: 'on the second axis' },
];

/** A line treatment with the defaults of most cues. */
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
