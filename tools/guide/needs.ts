/** A page of the guide: what an analyst has and wants, how to say it, and the figure of the sample project that shows it. */
export interface GuideNeed {
  readonly id: string;
  readonly title: string;
  /** What is there, and what is to come of it. */
  readonly about: string;
  /** What to do, step by step. */
  readonly steps: readonly string[];
  /** By its name in the sample project. */
  readonly figure: string;
  /** Words by which it is looked for. */
  readonly words: string;
}

/** One page for each need, in the words of the Highmeadow season. */
export const needs: readonly GuideNeed[] = [
  {
    id: 'n01',
    title: 'Values over many orders of magnitude',
    about:
      'Cell counts run from four thousand to three million: on a plain axis most of them are a flat line. A log axis with any base above 1 gives each of them room; values at or below zero are named, counted and shown at the edge.',
    steps: [
      'Click the value axis and choose that it counts by powers.',
      'Choose its base, its ends and how often a number stands.',
      'What has no logarithm is told beside the figure, with its mend.',
    ],
    figure: 'Cell counts',
    words: 'log logarithm scale base powers cells',
  },
  {
    id: 'n02',
    title: 'A unit that fits each value',
    about: '498,800 beside 2,200,000 reads as 498.8 K and 2.2 M in one figure, never as 0.50 M.',
    steps: [
      'Under Number formats make a format with a ladder of units.',
      'Choose a unit for each value, or one for all.',
      'Give the measure that format.',
    ],
    figure: 'Worst counts',
    words: 'units thousands millions ladder K M kg format',
  },
  {
    id: 'n03',
    title: 'Two measures of very different size',
    about: 'Litres and fat content each have an axis of their own; a second one never comes unasked.',
    steps: [
      'Add the second measure under Measures.',
      'Choose that it is read on the second axis, and as which shape.',
      'Keep zero for one, leave it out for the other, in a click on each axis.',
    ],
    figure: 'Milk and fat',
    words: 'dual axis secondary axis two scales line column',
  },
  {
    id: 'n04',
    title: 'Spans',
    about: 'The coolest and the warmest night of each hut as bars from low to high, with both ends labelled.',
    steps: [
      'Add a cue and choose spans: from one measure to another.',
      'Choose connectors, whiskers or a gradient in its sentence.',
      'Add average lines with two more cues.',
    ],
    figure: 'Nights',
    words: 'range low high floating bars temperature whiskers',
  },
  {
    id: 'n05',
    title: 'A report table',
    about: 'Rows and columns of a measure with totals, cells coloured by named steps.',
    steps: [
      'Choose crosstab as the shape: cues, formats and filters stay.',
      'Nest its rows, choose its totals.',
      'A cue with steps colours cells; its looks have names that the project shares.',
    ],
    figure: 'Milk by month',
    words: 'crosstab pivot table matrix totals subtotals heat',
  },
  {
    id: 'n06',
    title: 'Highest, lowest, the rest',
    about: 'Which hut brought most, and which least, under whatever filter: three helper columns that follow it.',
    steps: [
      'Open a file: its first figure marks the highest and the lowest already.',
      'Add a filter; the marks follow.',
      'Click a colour in the sentence to change it.',
    ],
    figure: 'Milk by hut',
    words: 'max min extremes top bottom highlight',
  },
  {
    id: 'n07',
    title: 'Plan against actual',
    about: 'Wheels made against wheels planned: reached, short by, beyond.',
    steps: ['Add a cue and search for plan.', 'Choose the plan in its sentence.', 'Edit a number in the ledger: the parts flip.'],
    figure: 'Plan of wheels',
    words: 'target budget goal variance shortfall bullet',
  },
  {
    id: 'n08',
    title: 'Several lists on one axis',
    about: 'Two pasture lists whose years do not coincide, aligned on one axis, gaps kept.',
    steps: [
      'Open both files, then Tables of the project.',
      'Make a table of these: align them on the year.',
      'Keys without a partner are listed there.',
    ],
    figure: 'Clover and grass',
    words: 'join align merge outer lists years',
  },
  {
    id: 'n09',
    title: 'Ranked lollipops',
    about: 'Huts by altitude as stems with heads, each named at its head, none lost.',
    steps: [
      'Choose stems as the shape, lying if names are long.',
      'Order them largest first.',
      'Labels say the name, the value, or a text of your own.',
    ],
    figure: 'Altitudes',
    words: 'lollipop stem dot rank sort',
  },
  {
    id: 'n10',
    title: 'Actual and deviation side by side',
    about: 'Beside each actual value what it is above or below plan, on one category axis.',
    steps: [
      'Choose “beside it, actual minus plan” under Shape.',
      'Gains and losses have two colours.',
      'Dress others like it copies its look.',
    ],
    figure: 'Wheels beside plan',
    words: 'variance difference panel deviation formula colour',
  },
  {
    id: 'n11',
    title: 'Markers on extremes only',
    about: 'A glyph on every highest and every lowest point of the tanks, ties too, nothing elsewhere.',
    steps: ['Add a cue for the highest and lowest.', 'Choose a glyph instead of a colour.', 'Your own small picture can be one.'],
    figure: 'Tank levels',
    words: 'marker glyph symbol peak trough line',
  },
  {
    id: 'n12',
    title: 'Average line and above-average colour',
    about: 'Which huts bring more than the average: the line says its value, the bars above it stand out.',
    steps: ['Add a cue and search for average.', 'Choose the line and the colour of what lies above.', 'The title can state the finding.'],
    figure: 'Above average',
    words: 'mean average line reference above below',
  },
  {
    id: 'n13',
    title: 'Window calculations',
    about: 'Milk so far, valley by valley: running totals, ranks and shares computed after grouping.',
    steps: [
      'Add a helper column, or a running cue.',
      'Choose where it looks: the whole figure, within each valley, along the weeks.',
      'Draw it as a line.',
    ],
    figure: 'Milk so far by valley',
    words: 'running total cumulative rank window previous',
  },
  {
    id: 'n14',
    title: 'Names beside bars that go both ways',
    about: 'A balance above and below zero: each name stands on the side where its bar is not.',
    steps: ['Choose lying bars.', 'Choose that names stand beside the bars.', 'The line at zero can be bold.'],
    figure: 'Balance against plan',
    words: 'negative diverging names labels balance',
  },
  {
    id: 'n15',
    title: 'Change from the one before',
    about: 'Month by month what was brought and by how much that is more or less than before, zeros of both axes at one height.',
    steps: [
      'Add a cue for the change from the one before.',
      'Choose difference or percent, and what the first row is.',
      'Let the zeros of both axes meet.',
    ],
    figure: 'Change by month',
    words: 'percent change growth delta previous month',
  },
  {
    id: 'n16',
    title: 'Direction glyphs',
    about: 'Whether each week went up or down, by a glyph at its point.',
    steps: [
      'Add a cue that compares with a level, a measure or the week before.',
      'Choose the glyphs and their colours.',
      'With or without the number.',
    ],
    figure: 'Direction',
    words: 'arrow up down trend triangle target',
  },
  {
    id: 'n17',
    title: 'Below and above target',
    about: 'Each month below and above its plan, the plan as a line, one total on top.',
    steps: ['Add the plan cue.', 'Choose a part below and a part above, the plan as a line.', 'Choose the total on top.'],
    figure: 'Milk against plan',
    words: 'target line stacked total above below',
  },
  {
    id: 'n18',
    title: 'A ceiling',
    about: 'Shares have headroom above the tallest, and never an axis past 100.',
    steps: ['Click the value axis.', 'Choose a ceiling, and headroom as a share.', 'Once the data reaches it, the headroom is gone.'],
    figure: 'First grade',
    words: 'maximum cap limit headroom percent 100',
  },
  {
    id: 'n19',
    title: 'Bands',
    about: 'What was expected of each day, as a band behind what was collected.',
    steps: ['Add a band cue: by two columns, a width, or a statistic.', 'Choose one of six styles.', 'Hovering names its range.'],
    figure: 'Expected range',
    words: 'band range confidence interval deviation error ribbon',
  },
  {
    id: 'n20',
    title: 'A ratio on a second axis',
    about: 'Fat content by quarter as the ratio of the sums, never the average of ratios.',
    steps: [
      'Add a measure by formula: sum(butterfat) / sum(milk).',
      'Read it on the second axis as a percent.',
      'Choose quarters as the step.',
    ],
    figure: 'Fat content by quarter',
    words: 'ratio rate percent quarter second axis',
  },
  {
    id: 'n21',
    title: 'No zero clutter',
    about: 'Stacks whose empty parts have no label, and missing ones neither; in the data the two stay apart.',
    steps: ['Stack the measures.', 'Label the parts.', 'Both kinds of label can be switched on.'],
    figure: 'Grades',
    words: 'zero labels stack missing empty',
  },
  {
    id: 'n22',
    title: 'Broken axes',
    about: 'One hut dwarfs the rest: a break gives them room, marked on the axis and on the bar that it cuts.',
    steps: [
      'Click the value axis and look at the breaks that it offers.',
      'Take one, or drag its ends.',
      'The drawn values stand in a helper column.',
    ],
    figure: 'Wheels, with a break',
    words: 'break gap axis cut outlier',
  },
  {
    id: 'n23',
    title: 'Scaled helper series',
    about: 'Valleys of different size, each as an index where its first week is 100.',
    steps: ['Add a cue that scales.', 'Choose index, share, 0 to 1, or z-score.', 'Choose within each valley.'],
    figure: 'Index of the valleys',
    words: 'index normalise scale share z-score base 100',
  },
  {
    id: 'n24',
    title: 'Compare and step back',
    about: 'Any cue off and on, plain beside cued, and every step undone and done again.',
    steps: ['Choose both above the figure.', 'Switch a cue off in its line.', 'Ctrl+Z and Ctrl+Shift+Z walk all that was done.'],
    figure: 'Twelve huts',
    words: 'undo redo compare before after plain',
  },
  {
    id: 'n25',
    title: 'Hand over',
    about:
      'The figure leaves as picture, SVG, document, workbook with living formulas, SQL and words; next month it is made again by one command.',
    steps: ['Open Hand over.', 'Choose what it leaves as.', 'For next month: cowbell run season.json --data deliveries=july.csv -o july/'],
    figure: 'Milk and fat share',
    words: 'export pdf png svg xlsx sql html report page print',
  },
];

/** What to say for what: one line for each need. */
export const says: readonly (readonly [wish: string, need: string])[] = [
  ['the biggest in colour', 'n06'],
  ['a line at the average', 'n12'],
  ['above plan, below plan', 'n07'],
  ['how far we are from plan', 'n10'],
  ['an arrow for up or down', 'n16'],
  ['change from last month in percent', 'n15'],
  ['a running total', 'n13'],
  ['everything as a share, or from 100', 'n23'],
  ['one bar is far too long', 'n22'],
  ['values from thousands to millions', 'n01'],
  ['a range from low to high', 'n04'],
  ['the usual range behind the line', 'n19'],
  ['a table with totals and coloured cells', 'n05'],
  ['two lists with different dates', 'n08'],
  ['a rate of two sums', 'n20'],
  ['a report of several figures', 'n25'],
];
