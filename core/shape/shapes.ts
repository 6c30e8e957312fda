/** One way to draw a whole figure in a shape: upright or lying. */
export interface FigureForm {
  /** As the brief offers it: "drawn as lying bars". */
  readonly choice: string;
  /** As a description begins: "Lying bars of milk for 20 huts". */
  readonly plural: string;
  /** Categories run down the page, values to the right. */
  readonly isLying: boolean;
}

/** Facts about one shape of marks: how it is drawn, read and offered. */
export interface Shape {
  /** As one of several in the brief: "milk is drawn in columns". */
  readonly words: string;
  /** Whether a measure or a helper column may be drawn in it by choice; else only cues draw it. */
  readonly isOffered: boolean;
  /** The forms in which a whole figure may be drawn in it, by their name in the document. */
  readonly forms: Readonly<Record<string, FigureForm>>;
  /** Read by its length, so that zero belongs to its axis; else by the height at which its marks lie. */
  readonly byLength: boolean;
  /** Each mark takes a slot of its own beside others of its category; else all lie in the middle of the category. */
  readonly takesSlot: boolean;
  /** Marks are joined in the order of the categories, so that an order by value would be misread. */
  readonly isJoined: boolean;
  /** A line that is drawn with a pen: width, dash and marker can be chosen. */
  readonly isLine: boolean;
  /** The area between line and base is filled. */
  readonly fills: boolean;
  /** The line goes from value to value in steps. */
  readonly steps: boolean;
  /** A point of some pixels in radius lies at the value, whatever the mark's length. */
  readonly hasPoint: boolean;
  /** Bars of several series carry a dashed seam, so that they differ by more than colour. */
  readonly hasSeam: boolean;
  /** Widest bar in CSS pixels; null where bars are as wide as their slot. */
  readonly maxWidth: number | null;
  /** Where its marks begin unless they are stacked: at zero, or at a second value of their own. */
  readonly base: 'zero' | 'own';
  /** Its symbol in the legend. */
  readonly key: 'swatch' | 'stem' | 'line' | 'area' | 'dot';
}

type Facts = Omit<Shape, 'words' | 'forms' | 'key'>;

const bar = {
  isOffered: true,
  byLength: true,
  takesSlot: true,
  isJoined: false,
  isLine: false,
  fills: false,
  steps: false,
  hasPoint: false,
  hasSeam: false,
  maxWidth: null,
  base: 'zero',
} as const satisfies Facts;
const line = {
  isOffered: true,
  byLength: false,
  takesSlot: false,
  isJoined: true,
  isLine: true,
  fills: false,
  steps: false,
  hasPoint: true,
  hasSeam: false,
  maxWidth: null,
  base: 'zero',
} as const satisfies Facts;
const area = { ...line, isLine: false, byLength: true, fills: true } as const satisfies Facts;

/** The form of a shape that stands upright and has no lying one. */
const upright = <P extends string, C extends string>(plural: P, choice: C) => ({ choice, plural, isLying: false }) as const;
const lying = <P extends string, C extends string>(plural: P, choice: C) => ({ choice, plural, isLying: true }) as const;

/** Every shape, in the order in which they are offered. A new one is an entry here and its marks in `plot/scene/marks/marks.ts`. */
export const shapes = {
  column: {
    ...bar,
    words: 'in columns',
    forms: { column: upright('Columns', 'columns'), bar: lying('Lying bars', 'lying bars') },
    hasSeam: true,
    key: 'swatch',
  },
  stem: {
    ...bar,
    words: 'as stems with heads',
    forms: {
      stem: upright('Stems with heads', 'stems with heads'),
      'lying-stem': lying('Lying stems with heads', 'lying stems with heads'),
    },
    hasPoint: true,
    maxWidth: 4,
    key: 'stem',
  },
  line: { ...line, words: 'as a line', forms: { line: upright('Lines', 'a line') }, key: 'line' },
  step: { ...line, words: 'as a stepped line', forms: { step: upright('Stepped lines', 'a stepped line') }, steps: true, key: 'line' },
  area: { ...area, words: 'as an area', forms: { area: upright('Areas', 'an area') }, key: 'area' },
  'step-area': {
    ...area,
    words: 'as a stepped area',
    forms: { 'step-area': upright('Stepped areas', 'a stepped area') },
    steps: true,
    key: 'area',
  },
  points: { ...line, words: 'as points', forms: { points: upright('Points', 'points') }, isJoined: false, isLine: false, key: 'dot' },
  span: { ...bar, words: 'as spans', forms: {}, isOffered: false, byLength: false, base: 'own', key: 'swatch' },
} as const satisfies Record<string, Shape>;

/** A shape by its name in the registry. */
export type ShapeName = keyof typeof shapes;
/** A shape that a measure or helper column may be drawn in by choice. */
export type OfferedShape = { [S in ShapeName]: (typeof shapes)[S]['isOffered'] extends true ? S : never }[ShapeName];
/** The name of a form in which a whole figure is drawn. */
export type FormName = { [S in ShapeName]: keyof (typeof shapes)[S]['forms'] }[ShapeName];

const entries = Object.entries(shapes) as [ShapeName, Shape][];

/** Shapes that a measure or helper column may be drawn in, in the order in which they are offered. */
export const OFFERED_SHAPES = entries.filter(([, { isOffered }]) => isOffered).map(([name]) => name as OfferedShape);

/** Every form of a whole figure with the shape that it is drawn in, in the order in which they are offered. */
export const figureForms = Object.fromEntries(
  entries.flatMap(([shape, { forms }]) => Object.entries(forms).map(([name, form]) => [name, { ...form, shape }])),
) as unknown as Readonly<Record<FormName, FigureForm & { readonly shape: OfferedShape }>>;

/** Names of all forms of a whole figure, in the order in which they are offered. */
export const FIGURE_FORMS = Object.keys(figureForms) as FormName[];

/** Anything that has a shape. */
export interface Shaped {
  readonly shape: ShapeName;
}

/** The registry's entry of what has a shape. */
export const shapeOf = ({ shape }: Shaped): Shape => shapes[shape];
/** Whether its marks lie beside others in slots. */
export const isBar = (item: Shaped): boolean => shapeOf(item).takesSlot;
/** Whether the area below its line is filled. */
export const isArea = (item: Shaped): boolean => shapeOf(item).fills;
