/** An export task and its options. */
export type HandingTask =
  | { readonly kind: 'png'; readonly scale: number }
  | { readonly kind: 'sized-png' | 'svg' | 'pdf' | 'print' | 'copy-picture' | 'copy-words' | 'copy-cells' | 'project' }
  | { readonly kind: 'crosstab'; readonly as: 'csv' | 'html' }
  /** A helper column's own statement, to the clipboard. */
  | { readonly kind: 'copy-sql'; readonly column: string }
  /** By the name of a format that the engine makes. */
  | { readonly kind: 'format'; readonly name: string };

/** Sizes of pictures. */
export const PNG_SCALES = [1, 2, 3, 4] as const;
