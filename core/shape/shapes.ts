/** How one shape of marks is drawn and read. */
export interface Shape {
  /** As one of several in the brief: "shown in columns". */
  readonly words: string;
  /** As the description begins: "Columns show milk by hut". */
  readonly plural: string;
  /** Read by its length, so that zero belongs to its axis; else by the height at which it stands. */
  readonly byLength: boolean;
  /** Takes a slot of its own beside others of its category; else it runs through the middle. */
  readonly takesSlot: boolean;
  /** Fills the ground between its line and its base. */
  readonly fills: boolean;
  /** Goes from value to value in steps. */
  readonly steps: boolean;
  /** Where its marks begin unless they stand on others: at zero, or at a value of their own, which is then read as well. */
  readonly base: 'zero' | 'own';
  /** Its symbol in the legend. */
  readonly key: 'swatch' | 'stem' | 'line' | 'area' | 'dot';
}

const bar: Pick<Shape, 'byLength' | 'takesSlot' | 'fills' | 'steps' | 'base'> = {
  byLength: true,
  takesSlot: true,
  fills: false,
  steps: false,
  base: 'zero',
};
const line: Pick<Shape, 'byLength' | 'takesSlot' | 'fills' | 'steps' | 'base'> = {
  byLength: false,
  takesSlot: false,
  fills: false,
  steps: false,
  base: 'zero',
};

/** Every shape. Adding one is adding an entry, and what strokes it in `plot`. */
export const shapes = {
  column: { words: 'in columns', plural: 'Columns', key: 'swatch', ...bar },
  stem: { words: 'as stems with heads', plural: 'Stems with heads', key: 'stem', ...bar },
  line: { words: 'as a line', plural: 'Lines', key: 'line', ...line },
  step: { words: 'as a stepped line', plural: 'Stepped lines', key: 'line', ...line, steps: true },
  area: { words: 'as an area', plural: 'Areas', key: 'area', ...line, byLength: true, fills: true },
  'step-area': { words: 'as a stepped area', plural: 'Stepped areas', key: 'area', ...line, byLength: true, fills: true, steps: true },
  points: { words: 'as points', plural: 'Points', key: 'dot', ...line },
  span: { words: 'as spans', plural: 'Spans', key: 'swatch', ...bar, byLength: false, base: 'own' },
} as const satisfies Record<string, Shape>;

/** A shape by its name in the registry. */
export type ShapeName = keyof typeof shapes;

/** Anything that has a shape. */
export interface Shaped {
  readonly shape: ShapeName;
}

/** The registry's entry of what has a shape. */
export const shapeOf = ({ shape }: Shaped): Shape => shapes[shape];
/** Whether its marks stand beside others in slots. */
export const isBar = (item: Shaped): boolean => shapeOf(item).takesSlot;
/** Whether it fills the ground below its line. */
export const isArea = (item: Shaped): boolean => shapeOf(item).fills;
