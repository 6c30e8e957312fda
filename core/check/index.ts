// Named risks of a figure, each with its mend.
export { checks, risksOf, severityOf, type CheckName, type FoundRisk } from './checks';
export type { Check } from './check';
export { liveryFaults, withColour, type LiveryFault } from './livery-faults';
export { isAsGrave, SEVERITIES, type Severity } from './severity';
