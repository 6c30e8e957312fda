import { LIVERIES, type Figure } from 'core/document';
import { counted } from 'core/sentence';
import { speakerOf, type Clause } from '../section';
import { choiceSetting, type Choice, type Subject } from '../setting';

/** Settings for the livery and for colours by hand. */
export const dressSettings = {
  livery: choiceSetting<string | null>({
    about: 'Livery',
    search: 'livery theme style colours palette dark print grey dress look brand',
    plain: '',
    options: ({ figure, liveries }) => {
      const names = [...liveries, ...LIVERIES.map(({ name }) => name)];
      const known = [...new Set(names)].map((name): Choice<string> => ({ value: name, label: name, means: name }));
      const { livery } = figure.dress;
      const gone = livery !== null && !names.includes(livery) ? [{ value: livery, label: `${livery}, which is gone`, means: livery }] : [];
      return [{ value: '', label: 'the colours of the page', means: null }, ...known, ...gone];
    },
    now: ({ figure }) => figure.dress.livery ?? '',
    set: ({ figure }, _place, livery) => ({ dress: { ...figure.dress, livery } }),
  }),
  'hand-colours': choiceSetting<boolean>({
    about: 'Colours by hand',
    search: 'colour by hand category series own manual',
    plain: '0',
    places: figure => (figure.dress.colours.length ? [''] : []),
    options: ({ figure }) => [
      { value: String(figure.dress.colours.length), label: handWords(figure), means: false },
      { value: 'none', label: 'let all of them go', means: true },
    ],
    now: ({ figure }) => String(figure.dress.colours.length),
    set: ({ figure }, _place, frees) => (frees ? { dress: { ...figure.dress, colours: [] } } : {}),
  }),
};

const handWords = ({ dress }: Figure): string => counted(dress.colours.length, 'value');

const { clause } = speakerOf(dressSettings);

/** "It wears Night barn. By hand you coloured 2 values." */
export const dressClauses = (subject: Subject): readonly Clause[] => [
  clause('livery', subject, { said: [' It wears ', '.'], finer: ['It wears ', '.'] }),
  ...(subject.figure.dress.colours.length
    ? [{ ...clause('hand-colours', subject, { said: [' By hand you coloured ', '.'], finer: ['', ''] }), isDecided: true }]
    : []),
];

/** The change that gives a category or series a colour by hand; null removes it. */
export function withHandColour({ dress }: Figure, of: 'category' | 'series', value: string, colour: string | null): Pick<Figure, 'dress'> {
  const others = dress.colours.filter(item => item.of !== of || item.value !== value);
  return { dress: { ...dress, colours: colour === null ? others : [...others, { of, value, colour }] } };
}
