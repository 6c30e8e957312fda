import { plainCrosstab, plainDress, plainLabels, plainScales, plainShape } from 'core/document';
import type { Shown } from '../services/engine/picture-store';

/** Nothing is shown yet. */
export const EMPTY_SHOWN: Shown = {
  ask: {
    figure: {
      id: '',
      name: '',
      data: {
        table: '',
        category: '',
        step: null,
        outer: [],
        seriesStep: null,
        empty: 'missing',
        series: null,
        panel: null,
        measures: [],
        helpers: [],
        filters: [],
        order: { by: 'table' },
        whatIfs: [],
      },
      shape: plainShape,
      cues: [],
      scales: plainScales,
      words: { title: '', subtitle: '' },
      labels: plainLabels,
      dress: plainDress,
      crosstab: plainCrosstab,
      view: 'cued',
    },
    table: { id: '', edits: [], derived: [], source: null, mends: [], others: null },
    writing: { units: {}, formats: [] },
    livery: { ground: '', ink: '', soft: '', hair: '', base: '', series: [], quiet: '', colours: {}, font: '' },
  },
  picture: null,
  problems: [],
  number: null,
};
