import type {
  CueProblem,
  DocumentProblem,
  FileProblem,
  FormulaProblem,
  MakingProblem,
  MendProblem,
  PictureProblem,
  Problem,
  SettingProblem,
} from 'core/result';

/** The one place where a problem becomes words: what was found, then what was done or what to do next. */
export function messageFor(problem: Problem): string {
  return words[problem.code](problem as never);
}

type Code = Problem['code'];
type WordsOf<C extends Code> = (problem: Extract<Problem, { readonly code: C }>) => string;

const megabytes = (bytes: number): string => `${Math.round(bytes / 1e5) / 10} MB`;
const listed = (names: readonly string[]): string => (names.length > 8 ? [...names.slice(0, 8), '…'].join(', ') : names.join(', '));
const meant = (nearest: string | undefined, otherwise: string): string => (nearest ? `Did you mean ${nearest}?` : otherwise);

const formulaWords: { [C in FormulaProblem['code']]: WordsOf<C> } = {
  syntax: p =>
    `Line ${p.at.line}, column ${p.at.column}: ${p.words ? `“${p.words}” does not fit here` : 'the formula ends too early'}. Expected ${p.expected.join(' or ')}.`,
  'too-long': p => `The formula is longer than ${p.limit} characters. Split it into two columns.`,
  'too-deep': p => `The formula is nested deeper than ${p.limit} levels. Split it into two columns.`,
  'unknown-name': p => `No column is called “${p.words}”. ${meant(p.nearest, `Choose one of: ${listed(p.known)}.`)}`,
  'unknown-function': p => `No function is called “${p.words}”. ${meant(p.nearest, 'Look it up in the function reference.')}`,
  'argument-count': p => `${p.name} takes ${p.takes}, but got ${p.got}.`,
  'wrong-type': p => `“${p.words}” is ${p.got}, but ${p.needs} is needed here.`,
  'aggregate-here': p => `${p.name} sums up many rows and cannot stand here. Give it a window: ${p.name}(…) over ().`,
  'aggregate-nested': p => `${p.name} stands inside another aggregate or window. Make it a column or measure of its own first.`,
  'not-aggregated': p => `“${p.name}” has many values per group. Put it inside sum, avg, min, max or count.`,
  'window-needed': p => `${p.name} needs a window: ${p.name}() over (order by …).`,
  'window-here': p => `${p.name}(…) over (…) cannot stand in a filter or a measure. Make it a helper column first.`,
  'order-needed': p => `${p.name} needs an order: ${p.name}() over (order by …).`,
  'not-windowed': p => `${p.name} takes no window, filter or within group. Take them off.`,
  'within-needed': p => `${p.name} needs the order of its values: ${p.signature}.`,
  'distinct-window': p => `${p.name}(distinct …) cannot move along an order. Take off the order, or distinct.`,
  'frame-backwards': () => 'The window runs backwards. Put the earlier end first: between 3 preceding and current row.',
  'range-order': () => 'A range by distance needs one order key, a number or a date. Use rows instead.',
  'cast-impossible': p => `A ${p.from} cannot become a ${p.to}. Choose another type.`,
};

const identifierWords = {
  zeros: 'a number would lose its zeros in front',
  plus: 'digits behind a plus are a telephone number or a code',
  digits: 'a number would lose digits of so long ones',
  codes: 'digits around an E are codes',
} as const;

/** Lines of a text, rows of a sheet or records of a list. */
const placeWord = ({ counts }: { readonly counts?: 'row' }): string => (counts === 'row' ? 'Row' : 'Line');

const fileWords: { [C in FileProblem['code']]: WordsOf<C> } = {
  'file-empty': p => `${p.file} is empty. Choose a file with a header line and rows.`,
  'file-binary': p => `Line ${p.line} of ${p.file} is not text. Save the table as CSV first, then open that file.`,
  'file-too-large': p => `${p.file} has ${megabytes(p.bytes)}; up to ${megabytes(p.limit)} can be opened. Split it or drop columns.`,
  'file-no-rows': p => `${p.file} has a header line but no rows. Nothing was opened.`,
  'quote-unclosed': p => `Line ${p.line}: a quote opens and never closes. Close it with " and open the file again.`,
  'quote-misplaced': p => `Line ${p.line}: a quote closes before its cell ends. The cell was kept as it stands.`,
  'unpacked-too-large': p => `${p.file} holds more than ${megabytes(p.limit)} once unpacked. Split it or drop columns.`,
  'file-broken': p => `${p.file} is no ${p.what} that can be read: it is broken or cut off. Save or fetch it once more.`,
  'json-broken': p => `Line ${p.line} of ${p.file} is not JSON. Save or fetch it once more.`,
  'json-no-list': p => `${p.file} holds no list of records. Choose a file with an array of objects, or with one object on each line.`,
  'json-line-broken': p => `Line ${p.line} is no record and was left out.`,
  'json-lists-kept': p => `Lists within ${p.column} were kept as text.`,
  'workbook-locked': p => `${p.file} is protected by a password. Take the protection off and save it, then open it again.`,
  'workbook-empty': p =>
    p.sheet === null
      ? `${p.file} has no sheet with cells. Choose another file.`
      : `The sheet ${p.sheet} of ${p.file} has no cells there. Choose another sheet or more of it.`,
  'sheet-absent': p => `No sheet is called ${p.name}. Choose one of: ${listed(p.known)}.`,
  'rows-hidden': p =>
    `${p.count === 1 ? 'One hidden row was' : `${p.count} hidden rows were`} ${p.isKept ? `read as well. Leave ${p.count === 1 ? 'it out if it does' : 'them out if they do'} not belong` : 'left out'}.`,
  'headers-joined': p => `${p.rows} rows of names were joined into one, such as “${p.example}”.`,
  'rows-beyond': p =>
    `${p.count === 1 ? 'One row stands' : `${p.count} rows stand`} below an empty one, from ${p.counts ?? 'line'} ${p.line} on. Leave ${p.count === 1 ? 'it' : 'them'} out at the bottom if ${p.count === 1 ? 'it does' : 'they do'} not belong.`,
  'merges-filled': p =>
    `${p.count === 1 ? 'One merged text stands' : `${p.count} merged texts stand`} in every row that ${p.count === 1 ? 'it covers' : 'they cover'}.`,
  'errors-missing': p =>
    `${p.count === 1 ? 'One cell holds' : `${p.count} cells hold`} an error, such as ${p.example}. ${p.count === 1 ? 'It was' : 'They were'} left missing.`,
  'numbers-as-text': p =>
    `${p.count === 1 ? 'One number' : `${p.count} numbers`} of ${p.column} ${p.count === 1 ? 'was' : 'were'} kept as text there and read as ${p.count === 1 ? 'a number' : 'numbers'}.`,
  'row-ragged': p =>
    p.cells < p.columns
      ? `${placeWord(p)} ${p.line} has ${p.cells} of ${p.columns} cells. The rest was left missing.`
      : `${placeWord(p)} ${p.line} has ${p.cells} cells for ${p.columns} columns. The extra ones were put into columns of their own.`,
  'rows-ragged-more': p => `${p.count} more lines have too few or too many cells; they were treated the same way.`,
  'cell-misfit': p => `${placeWord(p)} ${p.line}: “${p.text}” in ${p.column} is not a ${p.type}. It was left missing.`,
  'cells-misfit-more': p => `${p.count} more cells of ${p.column} are not a ${p.type}; they were left missing.`,
  'name-repeated': p => `Two columns are called “${p.name}”. The second became “${p.renamed}”.`,
  'name-missing': p => `Column ${p.position} has no name. It became “${p.renamed}”.`,
  'date-order-assumed': p => `Dates in ${p.column}, such as ${p.example}, were read as day, month, year.`,
  'decimal-assumed': p => `Numbers in ${p.column}, such as ${p.example}, were read as ${p.value}.`,
  'bytes-unreadable': p =>
    `${p.count} ${p.count === 1 ? 'byte is' : 'bytes are'} no UTF-8, the first in line ${p.line}. ${p.count === 1 ? 'It was' : 'They were'} replaced by �; everything else was read.`,
  'lines-above': p =>
    `${p.count === 1 ? 'One line stands' : `${p.count} lines stand`} above the table and ${p.count === 1 ? 'was' : 'were'} left out: “${p.text}”.`,
  'header-missing': () => 'The first line holds values, not names, so it was read as data. The columns are named by their position.',
  'identifiers-kept': p => `${p.column} stays text, because ${identifierWords[p.sign]}, such as ${p.example}.`,
  'unit-kept': p => `Numbers in ${p.column} stand beside “${p.unit}”, which became the column’s unit.`,
  'year-assumed': p => `Years of two digits in ${p.column} lie in 1969 to 2068: ${p.example} was read as ${p.year}.`,
  'moments-cut': p => `Times in ${p.column}, such as ${p.example}, were cut to the millisecond.`,
  'guards-removed': p =>
    `${p.count} ${p.count === 1 ? 'text' : 'texts'} had an apostrophe against spreadsheets in front; it was taken off.`,
  'notes-more': p => `${p.count} more of this kind.`,
  'cell-too-long': p =>
    `Line ${p.line}: a cell begins that does not end within 16 MB. Most often a quote opens and never closes: close it with ".`,
  'too-many-columns': p =>
    `${placeWord(p)} ${p.line} has more than ${p.limit.toLocaleString('en')} cells. ${p.counts === 'row' ? 'Drop columns first.' : 'Check the mark between cells, or drop columns.'}`,
  'too-many-cells': p =>
    `By ${p.counts ?? 'line'} ${p.line} the table has more than ${p.limit.toLocaleString('en')} cells. Drop columns or rows first.`,
  'encoding-assumed': p => `The file is not UTF-8. It was read as ${p.encoding}; check accented letters.`,
};

const mendWords: { [C in MendProblem['code']]: WordsOf<C> } = {
  'mend-no-column': p => `The table has no column ${p.name} now. Choose another, or take this mend off.`,
  'mend-other-type': p =>
    `${p.name} holds no ${p.needs === 'text' ? 'texts' : 'numbers'} now. Choose another column, or take this mend off.`,
  'mend-no-rule': p => `“${p.words}” is no rule: it must be true or false in each row, such as cows > 0.`,
  'mend-unread': p => `“${p.text}” cannot be read here. Type it as it stands in the table.`,
};

const keysWord = (count: number): string => (count === 1 ? 'One key' : `${count.toLocaleString('en')} keys`);
const rowsWord = (count: number): string => (count === 1 ? 'One row' : `${count.toLocaleString('en')} rows`);

const makingWords: { [C in MakingProblem['code']]: WordsOf<C> } = {
  'made-no-table': p => `The table ${p.name} that this one is made of is not there any more. Choose another, or undo what removed it.`,
  'made-circle': p => `${p.name} would be made of itself. Choose another table.`,
  'made-no-column': p => `${p.table} has no column ${p.name}. Choose another column.`,
  'made-name-taken': p => `A column is called ${p.name} already. Choose another name.`,
  'made-too-large': p =>
    `This would make ${p.rows.toLocaleString('en')} rows; up to ${p.limit.toLocaleString('en')} can be made. Filter or sum up first.`,
  'made-too-wide': p =>
    `${p.name} has ${p.columns.toLocaleString('en')} values, and each would be a column; up to ${p.limit.toLocaleString('en')} can be made. Choose a column with fewer.`,
  'made-place-twice': p =>
    `Rows ${p.rows.join(' and ')} both have a value for ${p.name} and agree in all else. Sum them up first, or keep a column that tells them apart.`,
  'keys-uneven': p => `The key of ${p.table} has ${p.keys} of ${p.needed} columns. Choose as many as the first list has.`,
  'keys-differ': p =>
    `${p.name} of ${p.table} is a ${p.type}, and the first list’s key is a ${p.other}. Choose a key of the same type, or change how it is read.`,
  'keys-twice': p =>
    `${p.table} has several rows of one key, such as ${listed(p.keys)}. ${p.isLookedUp ? 'Choose more columns for the key, or mend its duplicate keys.' : 'Sum them, take the first, or choose more columns for the key.'}`,
  'keys-alone': p =>
    `${keysWord(p.count)} of ${p.table} ${p.count === 1 ? 'has' : 'have'} no partner: ${p.examples.join(', ')}${p.count > p.examples.length ? ` and ${(p.count - p.examples.length).toLocaleString('en')} more` : ''}.`,
  'keys-missing': p => `${rowsWord(p.count)} of ${p.table} ${p.count === 1 ? 'has' : 'have'} no key.`,
  'keys-not-found': p =>
    `${rowsWord(p.count)} ${p.count === 1 ? 'is' : 'are'} not found in ${p.table}; what was looked up is missing there.`,
  'types-differ': p => `${p.name} is ${p.types.join(' and ')}, so it became text.`,
};

const pictureWords: { [C in PictureProblem['code']]: WordsOf<C> } = {
  'picture-too-large': p =>
    `${p.name} has ${Math.ceil(p.bytes / 1024)} kB; up to ${p.limit / 1024} kB will do for a glyph. Make it smaller.`,
  'picture-too-wide': p => `${p.name} has ${p.width} × ${p.height} pixels; up to ${p.limit} each way will do. Make it smaller.`,
  'picture-foreign': p => `${p.name} is neither PNG nor SVG. Save it as one of these.`,
  'picture-active': p => `${p.name} holds “${p.words}”, which is more than shapes. Save it as plain SVG, or as PNG.`,
};

const settingWords: { [C in SettingProblem['code']]: WordsOf<C> } = {
  'setting-unknown': p => `This figure has no setting “${p.key}”. Choose one of the underlined words of the brief.`,
  'setting-value': p => `${p.about} cannot be “${p.value}” here. Choose one of: ${listed(p.offered)}.`,
  'setting-too-long': p => `${p.about} takes up to ${p.limit} characters. Shorten it.`,
  'setting-entry': p => p.words,
};

const documentWords: { [C in DocumentProblem['code']]: WordsOf<C> } = {
  'engine-fault': p =>
    `This cannot be computed, by a fault of Cowbell’s own (${p.words}). Nothing is lost: take back the last change, or say it in another way.`,
  'document-not-json': p => `This is not a project file: line ${p.line} is not JSON. Choose a file that Cowbell saved.`,
  'document-foreign': () => 'This JSON is not a Cowbell project. Choose a file that Cowbell saved.',
  'sql-too-long': p =>
    `Written as SQL this would have more than ${p.limit.toLocaleString('en')} characters. Split the formula into two columns.`,
  'document-newer': p => `This project was saved by a newer version (${p.version}; known up to ${p.known}). Update Cowbell, then open it.`,
  'document-field': p => `The project file has a fault at ${p.path}: ${p.found}. Nothing was opened.`,
  'value-misfit': p => `“${p.text}” is not a ${p.type}, so ${p.column} keeps its value. Type a ${p.type}, or clear the cell for missing.`,
};

const partsWords = (parts: number, of: number): string => (of > 1 ? `${parts} of ${of} parts have` : 'There are');

const cueWords: { [C in CueProblem['code']]: WordsOf<C> } = {
  'cue-no-measure': p => {
    const choice = p.known.length ? `Choose ${listed(p.known)}` : 'Add a measure under Shape';
    return p.name === ''
      ? 'It needs another measure, and this table has no other number. Compute a column, then choose it.'
      : `There is no measure called ${p.name} here. ${choice}.`;
  },
  'cue-no-scope': p => `${p.name} is not one value per ${p.category}, so the cue rests. Look in the whole figure instead.`,
  'cue-no-rows': () => 'No row passes the filters, so there is nothing to mark. Take one off above the figure.',
  'cue-no-totals': p => `The figure shows no totals of ${p.of}, so the cue rests. A crosstab has them, unless they are left out.`,
  'cue-no-place': p =>
    p.rests
      ? `A crosstab has no place for its ${listed(p.what)}, so the cue rests here. In any other shape it shows again.`
      : `A crosstab has no place for its ${listed(p.what)}; the rest of the cue shows.`,
  'cue-all-missing': p => `Every value of ${p.name} is missing, so there is nothing to mark.`,
  'cue-one-value': p => `There is only one value of ${p.name}, so there is nothing to compare it with.`,
  'cue-all-equal': p => `All values of ${p.name} are equal, so none stands out from the others.`,
  'cue-no-order': () => 'This needs an order to go along. Choose one where it says where to look.',
  'cue-needs-dates': p =>
    `A year before can only be found along dates, and ${p.name} has none. Go along a date, or compare with the one before.`,
  'cue-negative': p => `Some values of ${p.name} are negative, and parts of a whole cannot be. Read the parts with care.`,
  'cue-ties': p =>
    `Ties at the edge widen ${p.n === 1 ? 'the one place' : `the ${p.n} places`} to ${p.marked} rows; all of them are marked.`,
  'cue-first-missing': p =>
    `The first row has no value of ${p.name}, so nothing can be compared with it. Filter it out, or compare with the one before.`,
  'cue-odd-base': p =>
    p.value === null
      ? `${p.name} has no value everywhere, so there nothing can be 100. Choose another.`
      : p.value === 0
        ? `${p.name} is zero somewhere, and zero cannot be 100: there the index has no value. Choose another.`
        : `${p.name} is negative somewhere, so there the index turns its signs around. Read it with care, or choose another.`,
  'cue-mean-interval': () =>
    'This range is about where the mean lies, not single values: most of them lie outside it. Leave them unmarked, or choose standard deviations.',
  'cue-window-short': p =>
    `With ${p.rows} ${p.rows === 1 ? 'row' : 'rows'} in the window no row can ever lie outside this range. Take at least ${p.needed}.`,
  'cue-too-few': p =>
    `${partsWords(p.parts, p.of)} fewer than ${p.needed} values, and of so few none can ever lie more than ${p.limit}. Lower the number, or look at more rows.`,
  'cue-no-spread': p =>
    `The ${p.spread === 'sd' ? 'standard deviation' : 'median absolute deviation'} is zero${p.of > 1 ? ` in ${p.parts} of ${p.of} parts` : ''}, so distances in it cannot be told. Measure in inter-quartile ranges.`,
  'cue-no-row': p => `There is no ${p.category} called ${p.name} in the figure, so nothing can be 100. Choose another, or the first.`,
  'helper-formula': p => `The helper column ${p.name} rests; everything else is drawn. ${messageFor(p.problem)}`,
  'cue-formula': p => `The formula of ${p.name} does not work here: ${messageFor(p.problem)}`,
  'figure-name-taken': p => `Two columns of this figure would be called “${p.name}”. Choose another measure or category.`,
  'column-cycle': p =>
    p.names.length > 1
      ? `${p.names.join(' and ')} are computed from each other, so neither can come first. Take one out of the other.`
      : `${p.names[0]} is computed from itself. Take its own name out of its formula.`,
  'figure-no-table': p => `The table ${p.name} is not in this project. Choose another table.`,
  'figure-no-column': p => `No column is called “${p.name}”. Choose one of: ${listed(p.known)}.`,
};

const words: { [C in Code]: WordsOf<C> } = {
  ...formulaWords,
  ...fileWords,
  ...mendWords,
  ...makingWords,
  ...pictureWords,
  ...documentWords,
  ...settingWords,
  ...cueWords,
};
