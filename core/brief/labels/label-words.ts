import { typedNumber } from 'core/cue';
import { MOST_BOUND, type Labels } from 'core/document';
import { formatChoices } from '../data/columns';
import { entrySetting } from '../entry-setting';
import { speakerOf, type Clause } from '../section';
import { choices, choiceSetting, textSetting, yesNo, type Choice, type Subject } from '../setting';

const EVERY_HINT = 'A whole number from 2 to 1,000.';
const OFFSET_HINT = 'Pixels such as “6 px”, a value of the axis such as “5”, or “no further”.';
const NO_FURTHER = 'no further';
const WHERE_HINT = 'A condition over the rows of the figure, such as milk > avg(milk) over ().';
// The furthest that a label is put off its mark, in CSS pixels.
const MOST_OFFSET = 400;
const PART = 'label';

const labelsOf = ({ figure }: Subject): Labels => figure.labels;
const changed = ({ figure }: Subject, change: Partial<Labels>) => ({ labels: { ...figure.labels, ...change } });

/** Whether the figure has labels of its own. */
const isAsked = (subject: Subject): boolean => !['cued', 'none'].includes(labelsOf(subject).what);
const isStacked = ({ figure: { shape } }: Subject): boolean => shape.arrange !== 'side';

const SAYS = choices([
  ['value', 'their values'],
  ['name', 'their names'],
  ['series', 'their series'],
  ['share', 'their shares of all'],
  ['part', 'their shares of their stack'],
  ['difference', 'how far they are from another measure'],
  ['previous', 'their change from the one before'],
  ['rank', 'their ranks'],
  ['glyph', 'a glyph for rise or fall'],
  ['text', 'words of your own'],
]);

/** Settings for which marks are labelled, with what, and where. */
export const labelSettings = {
  'label-what': choiceSetting<Labels['what']>({
    about: 'Labels',
    search: 'label values numbers data labels show every all none first last nth',
    governs: () => [PART],
    plain: 'cued',
    options: choices([
      ['cued', 'what the cues mark'],
      ['all', 'every mark'],
      ['ends', 'the first and the last'],
      ['nth', 'every so many'],
      ['where', 'what a formula picks'],
      ['none', 'nothing'],
    ]),
    now: subject => labelsOf(subject).what,
    set: (subject, _place, what) => changed(subject, { what }),
  }),
  'label-every': entrySetting<number>({
    about: 'Labelled every',
    search: 'label nth skip interval',
    places: figure => (figure.labels.what === 'nth' ? [''] : []),
    plain: '2',
    hint: EVERY_HINT,
    options: () => ['2', '3', '5', '10'].map(value => ({ value, label: value })),
    now: subject => labelsOf(subject).every,
    typed: String,
    reads: every => `every ${ordinal(every)}`,
    read(text) {
      const every = typedNumber(text);
      return Number.isInteger(every) && every >= 2 && every <= 1000 ? { value: every } : { fault: EVERY_HINT };
    },
    set: (subject, every) => changed(subject, { every }),
  }),
  'label-where': entrySetting<string>({
    about: 'Labelled where',
    search: 'label condition formula filter when',
    places: figure => (figure.labels.what === 'where' ? [''] : []),
    plain: '',
    hint: WHERE_HINT,
    options: ({ figure }) => figure.data.measures.slice(0, 2).map(({ name }) => proposal(name)),
    now: subject => labelsOf(subject).where,
    typed: where => where,
    reads: where => where || 'no condition yet',
    read: text => (text.length > MOST_BOUND ? { fault: `At most ${MOST_BOUND.toLocaleString('en')} characters.` } : { value: text.trim() }),
    set: (subject, where) => changed(subject, { where }),
  }),
  'label-of': choiceSetting<Labels['of']>({
    about: 'Labels of',
    search: 'label stack total sum parts',
    plain: 'parts',
    options: choices([
      ['parts', 'each part'],
      ['totals', 'each stack as a whole'],
    ]),
    now: subject => labelsOf(subject).of,
    set: (subject, _place, of) => changed(subject, { of }),
  }),
  'label-says': choiceSetting<Labels['says']>({
    about: 'What labels say',
    search: 'label text value name share percent rank difference change direction glyph',
    plain: 'value',
    options: SAYS,
    now: subject => labelsOf(subject).says,
    set: (subject, _place, says) => changed(subject, { says }),
  }),
  'label-measure': choiceSetting<string | null>({
    about: 'Measure that labels speak of',
    search: 'label other measure plan target compare',
    plain: '',
    options: ({ figure }) => [
      { value: '', label: 'the measure itself', means: null },
      ...[...figure.data.measures, ...figure.data.helpers].map(({ name }): Choice<string> => ({ value: name, label: name, means: name })),
    ],
    now: subject => labelsOf(subject).measure ?? '',
    set: (subject, _place, measure) => changed(subject, { measure }),
  }),
  'label-text': textSetting({
    about: 'Words of labels, with computed values in braces such as {milk}; \\n begins a second line',
    search: 'label template custom braces',
    plain: () => '',
    nothing: 'nothing yet',
    now: subject => labelsOf(subject).text,
    set: (subject, text) => changed(subject, { text }),
  }),
  'label-format': choiceSetting<string | null>({
    about: 'Format of labels',
    search: 'label number format unit decimals',
    plain: '',
    options: ({ formats }) => formatChoices(formats),
    now: subject => labelsOf(subject).format ?? '',
    set: (subject, _place, format) => changed(subject, { format }),
  }),
  'label-place': choiceSetting<Labels['place']>({
    about: 'Where labels stand',
    search: 'label position inside outside above below end base middle',
    plain: 'auto',
    options: choices([
      ['auto', 'where they can be read'],
      ['outside', 'beyond their marks'],
      ['end', 'inside, at the end'],
      ['middle', 'inside, in the middle'],
      ['base', 'inside, at the base'],
      ['above', 'above'],
      ['below', 'below'],
      ['left', 'to the left'],
      ['right', 'to the right'],
    ]),
    now: subject => labelsOf(subject).place,
    set: (subject, _place, place) => changed(subject, { place }),
  }),
  'label-offset': entrySetting<Labels['offset']>({
    about: 'How much further off labels stand',
    search: 'label distance offset gap pixels',
    places: () => [''],
    plain: NO_FURTHER,
    hint: OFFSET_HINT,
    options: () => [NO_FURTHER, '4 px', '12 px'].map(value => ({ value, label: value })),
    now: subject => labelsOf(subject).offset,
    typed: ({ as, amount }) => (amount === 0 ? NO_FURTHER : `${amount}${as === 'pixels' ? ' px' : ''}`),
    reads: ({ as, amount }) => (amount === 0 ? NO_FURTHER : `${amount}${as === 'pixels' ? ' px' : ''} further`),
    read(text) {
      if (text.trim() === NO_FURTHER) return { value: { as: 'pixels', amount: 0 } };
      const pixels = /^(.*\S)\s*px$/.exec(text.trim());
      const amount = typedNumber(pixels ? (pixels[1] as string) : text);
      const fits = Number.isFinite(amount) && (!pixels || Math.abs(amount) <= MOST_OFFSET);
      return fits ? { value: { as: pixels ? 'pixels' : 'units', amount } } : { fault: OFFSET_HINT };
    },
    set: (subject, offset) => changed(subject, { offset }),
  }),
  'label-zeros': choiceSetting({
    about: 'Labels of parts that are zero',
    search: 'label zero clutter empty stack',
    plain: 'false',
    options: yesNo('are labelled as well', 'have no label'),
    now: subject => String(labelsOf(subject).zeros),
    set: (subject, _place, zeros) => changed(subject, { zeros }),
  }),
  'label-missing': choiceSetting({
    about: 'Labels of missing values',
    search: 'label missing empty gap null',
    plain: 'false',
    options: yesNo('have a dash', 'have no label'),
    now: subject => String(labelsOf(subject).missing),
    set: (subject, _place, missing) => changed(subject, { missing }),
  }),
  pins: choiceSetting({
    about: 'Labels put somewhere by hand',
    search: 'label pinned drag reset position',
    plain: '0',
    places: figure => (figure.labels.pins.length ? [''] : []),
    options: subject => [
      { value: String(labelsOf(subject).pins.length), label: pinned(labelsOf(subject).pins.length), means: false },
      { value: 'free', label: 'let all of them go', means: true },
    ],
    now: subject => String(labelsOf(subject).pins.length),
    set: (subject, _place, frees) => (frees ? changed(subject, { pins: [] }) : {}),
  }),
};

const pinned = (count: number): string => (count === 1 ? 'one label' : `${count} labels`);

function proposal(measure: string) {
  const name = /^[a-z_][a-z0-9_]*$/.test(measure) ? measure : `"${measure.replaceAll('"', '""')}"`;
  const formula = `${name} > avg(${name}) over ()`;
  return { value: formula, label: formula };
}

function ordinal(count: number): string {
  const ending = Math.floor(count / 10) % 10 === 1 ? 'th' : (['th', 'st', 'nd', 'rd'][count % 10] ?? 'th');
  return `${count.toLocaleString('en')}${ending}`;
}

const { clause } = speakerOf(labelSettings);

/** "Label every mark. Labels say their ranks." Settings of labels are left out while the figure has none. */
export function labelClauses(subject: Subject): readonly Clause[] {
  const { says, what, pins } = labelsOf(subject);
  const asked = isAsked(subject);
  const speaksOfOther = says === 'value' || says === 'difference';
  return [
    clause('label-what', subject, { said: [' Label ', '.'], finer: ['Label ', '.'] }),
    ...(what === 'nth' ? [always(clause('label-every', subject, { said: [' That is ', ' one.'], finer: ['', ''] }))] : []),
    ...(what === 'where' ? [always(clause('label-where', subject, { said: [' It picks those where ', '.'], finer: ['', ''] }))] : []),
    ...(asked
      ? [
          ...(isStacked(subject)
            ? [clause('label-of', subject, { said: [' Labels speak of ', '.'], finer: ['Labels speak of ', '.'] })]
            : []),
          clause('label-says', subject, { said: [' Labels say ', '.'], finer: ['Labels say ', '.'] }),
          ...(speaksOfOther
            ? [clause('label-measure', subject, { said: [' The measure that they speak of is ', '.'], finer: ['Labels speak of ', '.'] })]
            : []),
          ...(says === 'text' ? [always(clause('label-text', subject, { said: [' They read ', '.'], finer: ['', ''] }))] : []),
          ...(says === 'value'
            ? [clause('label-format', subject, { said: [' Labels are written ', '.'], finer: ['Labels are written ', '.'] })]
            : []),
          clause('label-missing', subject, { said: [' Missing values ', '.'], finer: ['Missing values ', '.'] }),
        ]
      : []),
    ...(what === 'none'
      ? []
      : [
          clause('label-place', subject, { said: [' Labels stand ', '.'], finer: ['Labels stand ', '.'] }),
          clause('label-offset', subject, { said: [' Labels stand ', ' off.'], finer: ['Labels stand ', ' off their marks.'] }),
          ...(isStacked(subject)
            ? [clause('label-zeros', subject, { said: [' Parts that are zero ', '.'], finer: ['Parts that are zero ', '.'] })]
            : []),
          ...(pins.length ? [always(clause('pins', subject, { said: [' By hand you have put ', ' somewhere.'], finer: ['', ''] }))] : []),
        ]),
  ];
}

/** Clauses that belong to a choice and are always said with it. */
const always = (made: Clause): Clause => ({ ...made, isDecided: true });
