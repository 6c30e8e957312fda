import { createTheme } from 'ag-grid-community';

/** The grid in Cowbell's own dress: hairlines, no boxes, colours from tokens.css. */
export const gridTheme = createTheme().withParams({
  browserColorScheme: 'inherit',
  backgroundColor: 'var(--surface)',
  foregroundColor: 'var(--ink)',
  accentColor: 'var(--accent)',
  borderColor: 'var(--hair)',
  headerBackgroundColor: 'var(--surface)',
  headerTextColor: 'var(--soft)',
  headerFontWeight: 400,
  headerFontSize: '0.78125rem',
  fontFamily: 'var(--font-figure)',
  fontSize: '0.84375rem',
  spacing: 4,
  cellHorizontalPadding: 12,
  wrapperBorder: false,
  headerRowBorder: true,
  rowBorder: { color: 'color-mix(in srgb, var(--hair) 55%, transparent)' },
  columnBorder: false,
  rowHoverColor: 'var(--accent-wash)',
  headerColumnResizeHandleColor: 'var(--hair)',
});
