import type { Figure, NumberFormat } from 'core/document';
import { dataSection } from './data/data-section';
import { helperSection } from './data/helper-section';
import { scalesSection } from './axes/scales-section';
import type { Section } from './section';
import type { FigureFacts, Subject } from './setting';
import { shapeSection } from './shape/shape-section';
import type { TableFacts } from './data/table-facts';
import { wordsSection } from './labels/words-section';

/** All sections of the brief except the cues, which have sentences of their kinds. */
export interface Brief {
  readonly data: Section;
  readonly shape: Section;
  /** One per helper column by hand. */
  readonly helpers: readonly Section[];
  readonly scales: Section;
  readonly words: Section;
}

/** The subject of the brief when it describes a figure. */
export const subjectOf = (
  figure: Figure,
  tables: readonly TableFacts[],
  formats: readonly NumberFormat[] = [],
  facts: FigureFacts = { emptyRows: 0, marks: [], titles: [] },
  liveries: readonly string[] = [],
): Subject => ({ figure, tables, table: tables.find(item => item.id === figure.data.table), formats, facts, liveries });

/** The figure in sentences whose words are controls: decided settings as prose, others beside it. */
export const briefOf = (subject: Subject): Brief => ({
  data: dataSection(subject),
  shape: shapeSection(subject),
  helpers: subject.figure.data.helpers.map((_, i) => helperSection(subject, i)),
  scales: scalesSection(subject),
  words: wordsSection(subject),
});
