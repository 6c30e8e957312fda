import type { Option } from 'core/sentence';

/** Emphasis colours by name; each livery gives them their hex values, light and dark. */
export const COLOUR_NAMES = ['brass', 'slate', 'pasture', 'clay', 'plum', 'lake', 'ink'] as const;

/** Emphasis colours to choose from. */
export const colourOptions: readonly Option[] = COLOUR_NAMES.map(name => ({ value: name, label: name, colour: name }));
