import { expect } from '@playwright/test';
import { brief, ledger, openApp, test } from './support';

test.beforeEach(({ page }) => openApp(page));

test('the brief is read as sentences whose words are buttons, section by section', async ({ page }) => {
  await expect(brief(page)).toMatchAriaSnapshot(`
    - region "Brief":
      - region "Data":
        - heading "Data" [level=2]
        - text: Take
        - 'button "Table: deliveries"'
        - text: ", 480 rows."
        - button "Compute a column"
      - region "Shape":
        - heading "Shape" [level=2]
        - text: Show
        - 'button "Measure: milk"'
        - 'button "Summed how: summed"'
        - text: by
        - 'button "Category: hut"'
        - text: as
        - 'button "Drawn as: columns"'
        - text: ","
        - 'button "Order: largest first"'
        - text: .
        - button "Measures"
        - button "Helper column"
        - button "Finer settings of shape"
      - region "Cues":
        - heading "Cues" [level=2]
        - list:
          - listitem:
            - 'button "Move cue 1: Alt and arrow keys"'
            - text: Mark
            - 'button "What to mark: the highest and the lowest"'
            - text: of
            - 'button "Measure: milk"'
            - 'button "Where to look: in the whole figure"'
            - text: in
            - 'button "Colour of highest: brass"'
            - text: and
            - 'button "Colour of lowest: slate"'
            - text: ","
            - 'button "Labels: with their values"'
            - text: ;
            - 'button "All the others: quiet the rest"'
            - text: .
            - button "More for cue 1"
            - text: Cue 1
            - switch "Cue 1 on" [checked]
            - button "Finer settings of cue 1"
            - button "formulas"
        - button "Add a cue"
  `);
});

test('the ledger is a grid with heads for its columns and rows', async ({ page }) => {
  await expect(ledger(page)).toMatchAriaSnapshot(`
    - region "Ledger":
      - heading "Ledger" [level=2]
      - text: 20 rows
      - grid "Ledger":
        - rowgroup:
          - 'row "Cue 1: extremes"':
            - 'columnheader "Cue 1: extremes"'
          - row:
            - columnheader "hut"
            - columnheader "valley"
            - columnheader "milk"
            - columnheader /highest/
            - columnheader /lowest/
            - columnheader /rest/
          - row:
            - rowheader "Kettlemoor"
            - gridcell "Auvers Gap"
            - gridcell "94,190"
            - gridcell "94,190"
            - gridcell /missing/
            - gridcell /missing/
  `);
});

test('an open list is a listbox in a named dialog; a field with a list is its combobox', async ({ page }) => {
  await brief(page).locator('[data-token="order"]').click();
  await expect(page.getByRole('dialog')).toMatchAriaSnapshot(`
    - dialog "Order":
      - paragraph: Order
      - listbox "Order":
        - option "largest first" [selected]
        - option "smallest first"
        - option "in table order"
        - option "by hut, rising"
        - option "by hut, falling"
        - option "by hand"
  `);
  await page.keyboard.press('Escape');
  await page.keyboard.press('Alt+b');
  await page.keyboard.type('show pla');
  await expect(page.getByRole('dialog')).toMatchAriaSnapshot(`
    - dialog "Find an action":
      - combobox "What to do" [expanded]
      - listbox "Actions":
        - option "Show plain"
  `);
});
