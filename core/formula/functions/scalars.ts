import { missingFunctions } from './choose';
import { dateFunctions } from './dates';
import { numberFunctions } from './numbers';
import { textFunctions } from './texts';
import type { Scalar } from './entry';

/** Every scalar function by its name. */
export const scalars: Readonly<Record<string, Scalar>> = { ...numberFunctions, ...missingFunctions, ...textFunctions, ...dateFunctions };
