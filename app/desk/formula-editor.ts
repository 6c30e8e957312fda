import {
  ChangeDetectionStrategy,
  Component,
  CSP_NONCE,
  DestroyRef,
  effect,
  ElementRef,
  inject,
  input,
  output,
  untracked,
} from '@angular/core';
import { autocompletion, completionKeymap, type Completion, type CompletionContext, type CompletionResult } from '@codemirror/autocomplete';
import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { sql, StandardSQL } from '@codemirror/lang-sql';
import { bracketMatching, HighlightStyle, syntaxHighlighting } from '@codemirror/language';
import { setDiagnostics, type Diagnostic } from '@codemirror/lint';
import { EditorState } from '@codemirror/state';
import { EditorView, keymap, placeholder } from '@codemirror/view';
import { tags } from '@lezer/highlight';
import { functionReference, nameText } from 'core/formula';
import type { ColumnType } from 'core/table';

/** A fault under some words of the formula. */
export interface Underline {
  readonly from: number;
  readonly to: number;
  readonly message: string;
}

/** Colours of the standard SQL mode in our own tokens. */
const colours = HighlightStyle.define([
  { tag: tags.keyword, color: 'var(--accent-ink)', fontWeight: '600' },
  { tag: [tags.string, tags.special(tags.string)], color: 'var(--cue-pasture)' },
  { tag: [tags.number, tags.bool, tags.null], color: 'var(--cue-lake)' },
  { tag: tags.comment, color: 'var(--soft)', fontStyle: 'italic' },
  { tag: tags.standard(tags.name), color: 'var(--cue-plum)' },
]);

const dress = EditorView.theme({
  '&': {
    fontSize: '13px',
    backgroundColor: 'var(--raised)',
    color: 'var(--ink)',
    borderRadius: '4px',
    border: '1px solid var(--edge)',
    height: '100%',
  },
  '&.cm-focused': { outline: '2px solid var(--accent)', outlineOffset: '-2px' },
  '.cm-content': { fontFamily: 'var(--font-formula)', caretColor: 'var(--ink)', padding: '8px 4px' },
  '.cm-scroller': { overflow: 'auto' },
  '.cm-cursor': { borderLeftColor: 'var(--ink)' },
  '.cm-placeholder': { color: 'var(--soft)' },
  '.cm-tooltip': {
    backgroundColor: 'var(--raised)',
    color: 'var(--ink)',
    border: '1px solid var(--hair)',
    borderRadius: '6px',
    boxShadow: '0 8px 28px rgb(10 26 21 / 22%)',
  },
  '.cm-tooltip.cm-tooltip-autocomplete > ul > li': { padding: '4px 10px', lineHeight: '1.5' },
  '.cm-tooltip.cm-tooltip-autocomplete > ul > li[aria-selected]': { backgroundColor: 'var(--accent-wash)', color: 'var(--ink)' },
  '.cm-completionDetail': { color: 'var(--soft)', fontStyle: 'normal', marginLeft: '12px' },
  '.cm-completionMatchedText': { textDecoration: 'none', fontWeight: '700' },
  '.cm-completionInfo': { maxWidth: '260px', padding: '6px 10px' },
  '.cm-lintRange-error': { backgroundImage: 'none', textDecoration: 'underline wavy var(--warn-ink) 1.5px', textUnderlineOffset: '3px' },
  '.cm-diagnostic-error': { borderLeft: '3px solid var(--warn-ink)' },
});

/** A formula as text: highlighted, completed from the columns it sees, underlined where it is wrong. */
@Component({
  selector: 'cb-formula-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { class: 'block min-h-0 overflow-hidden' },
  template: '',
})
export class FormulaEditor {
  readonly text = input('');
  readonly columns = input<readonly { readonly name: string; readonly type: ColumnType }[]>([]);
  readonly faults = input<readonly Underline[]>([]);
  readonly label = input('Formula');
  readonly changed = output<string>();
  readonly submitted = output();

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly view: EditorView;

  constructor() {
    const nonce = inject(CSP_NONCE, { optional: true });
    this.view = new EditorView({ parent: this.host.nativeElement, state: this.firstState(nonce) });
    inject(DestroyRef).onDestroy(() => this.view.destroy());
    effect(() => this.show(this.text()));
    effect(() => this.underline(this.faults()));
    effect(() => this.view.contentDOM.setAttribute('aria-label', this.label()));
  }

  focus(): void {
    this.view.focus();
  }

  /** Puts words where the cursor is. */
  insert(words: string): void {
    this.view.dispatch(this.view.state.replaceSelection(words));
    this.view.focus();
  }

  private firstState(nonce: string | null): EditorState {
    return EditorState.create({
      doc: untracked(this.text),
      extensions: [
        ...(nonce ? [EditorView.cspNonce.of(nonce)] : []),
        history(),
        keymap.of([
          { key: 'Mod-Enter', run: () => (this.submitted.emit(), true) },
          ...completionKeymap,
          ...defaultKeymap,
          ...historyKeymap,
        ]),
        sql({ dialect: StandardSQL, upperCaseKeywords: false }),
        syntaxHighlighting(colours),
        bracketMatching(),
        autocompletion({ override: [context => this.complete(context)], icons: false, filterStrict: true }),
        placeholder('milk - lag(milk)'),
        EditorView.lineWrapping,
        EditorView.updateListener.of(update => {
          if (update.docChanged) this.changed.emit(update.state.doc.toString());
        }),
        dress,
      ],
    });
  }

  private show(text: string): void {
    const now = this.view.state.doc.toString();
    if (text !== now) this.view.dispatch({ changes: { from: 0, to: now.length, insert: text } });
  }

  private underline(faults: readonly Underline[]): void {
    const { length } = this.view.state.doc;
    const diagnostics = faults.map(({ from, to, message }): Diagnostic => {
      const start = Math.max(0, Math.min(from, length - 1));
      return { from: start, to: Math.max(Math.min(length, start + 1), Math.min(to, length)), severity: 'error', message };
    });
    this.view.dispatch(setDiagnostics(this.view.state, diagnostics));
  }

  private complete(context: CompletionContext): CompletionResult | null {
    const word = context.matchBefore(/"?[\p{L}_][\p{L}\p{N}_]*/u);
    if (!word && !context.explicit) return null;
    const columns = untracked(this.columns).map(({ name, type }): Completion => ({
      label: name,
      apply: nameText(name),
      detail: type,
      boost: 2,
    }));
    const functions = functionReference.map(({ name, signature, help }): Completion => ({
      label: name,
      detail: signature.slice(name.length),
      info: help,
      apply: signature.startsWith(`${name}()`) ? `${name}()` : `${name}(`,
    }));
    return { from: word?.from ?? context.pos, options: [...columns, ...functions], validFor: /^"?[\p{L}\p{N}_]*$/u };
  }
}
