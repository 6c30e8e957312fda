// npm run formula-docs: writes docs/FORMULAS.md.
import { writeFileSync } from 'node:fs';
import { formulaDocs } from '../conformance/docs';

writeFileSync(new URL('../docs/FORMULAS.md', import.meta.url), formulaDocs());
