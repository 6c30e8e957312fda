/**
 * How grave a risk is: a figure says what is not so (`wrong`), it leads a reader to what is not so (`misleading`), or it is hard to read (`unclear`). The
 * gravest first.
 */
export const SEVERITIES = ['wrong', 'misleading', 'unclear'] as const;
/** How grave a risk is. */
export type Severity = (typeof SEVERITIES)[number];

/** Whether one is as grave as another, or graver. */
export const isAsGrave = (own: Severity, least: Severity): boolean => SEVERITIES.indexOf(own) <= SEVERITIES.indexOf(least);
