// Named risks of a figure, each with its mend.
export { checks, risksOf, severityOf, type CheckName, type FoundRisk } from './checks';
export type { Check, CheckSubject, Mend, Risk } from './check';
export { liveryFaults, withColour, type LiveryFault, type LiverySpot } from './livery-faults';
export { isAsGrave, SEVERITIES, type Severity } from './severity';
