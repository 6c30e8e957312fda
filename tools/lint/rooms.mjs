/**
 * The arrows of docs/ARCHITECTURE.md: what each room may import beside itself. A room is a folder; one inside another is a room of its own. A new
 * arrow is a design decision, written there first.
 */
const leaves = [
  'core/result',
  'core/result/words',
  'core/format',
  'core/scale',
  'core/label',
  'core/glyph',
  'core/stages',
  'core/sentence',
  'core/shape',
  'core/colour',
  'core/markup',
];
const data = [...leaves, 'core/table', 'core/table/steps'];
const formula = [...data, 'core/formula'];
const frame = [...formula, 'core/frame'];
const cue = [...frame, 'core/cue'];
const document = [...cue, 'core/document', 'core/document/edits'];
const core = [
  ...document,
  'core/brief',
  'core/check',
  'core/crosstab',
  'core/intake',
  'core/io',
  'core/io/formats',
  'core/making',
  'core/mend',
  'core/plan',
  'core/words',
];

export const rooms = {
  'core/result': [],
  // Apart, so that the page's first part comes without them.
  'core/result/words': ['core/result'],
  'core/stages': [],
  'core/sentence': [],
  'core/colour': [],
  'core/markup': [],
  'core/format': ['core/stages'],
  'core/scale': [],
  'core/label': [],
  'core/glyph': ['core/sentence'],
  'core/shape': [],
  'core/table': ['core/result', 'core/format', 'core/stages'],
  'core/table/steps': ['core/result', 'core/table'],
  'core/formula': data,
  'core/frame': formula,
  'core/cue': frame,
  'core/document': [...cue, 'core/document/edits'],
  // The schema's types alone: what the page loads first must not bring the schemas with it.
  'core/document/edits': [...cue, 'core/document'],
  'core/brief': [...document, 'core/words', 'core/crosstab'],
  'core/io': document,
  // The readers of all kinds of files: apart, so that the page comes without them.
  'core/io/formats': [...document, 'core/io'],
  'core/making': document,
  'core/mend': [...document, 'core/io'],
  'core/intake': [...document, 'core/io', 'core/mend'],
  'core/words': document,
  'core/crosstab': document,
  'core/plan': [...document, 'core/words', 'core/crosstab'],
  'core/check': [...document, 'core/plan', 'core/words'],
  engine: [...core, 'engine/parcel'],
  // What the page opens, too: apart, so that it comes without the engine.
  'engine/parcel': core,
  plot: [...core, 'plot/files', 'plot/table'],
  // Figures as files: apart, so that the stage comes without what makes them.
  'plot/files': [...core, 'plot', 'plot/table'],
  // How tables stand: apart, so that charts come without it.
  'plot/table': [...core, 'plot'],
  // What leaves: a figure in every format, on the screen or without one.
  handover: [...core, 'engine', 'handover/offers'],
  // What is offered, and what of it the page itself does.
  'handover/offers': core,
  // Letters and pictures without a screen: only Node has its packages.
  headless: [...core, 'engine', 'plot', 'plot/files', 'handover', 'handover/offers'],
  app: [...core, 'engine', 'engine/parcel', 'plot', 'plot/files', 'plot/table', 'handover', 'handover/offers'],
  'app/services': [...core, 'engine', 'engine/parcel', 'plot', 'plot/files', 'handover', 'handover/offers'],
  'app/ui': leaves,
  server: [...core, 'engine', 'plot', 'plot/files', 'handover', 'handover/offers', 'headless'],
  cli: [...core, 'engine', 'plot', 'plot/files', 'handover', 'handover/offers', 'headless'],
  demo: core,
};
