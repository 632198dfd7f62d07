import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { Annotation, Compartment, EditorSelection, EditorState, type Extension } from '@codemirror/state';
import { EditorView, keymap, placeholder } from '@codemirror/view';
import type { FillContext } from '$lib/core/ads/fill-slots';
import type { SlotSegment } from '$lib/core/ads/parse-slots';
import { joinPastedLines } from '$lib/core/text/clean';
import { splitEntries } from '$lib/core/text/split-entries';
import { chipField, contextFacet, looks, slotBeside } from './slot-chips';

/** What the editor tells its surroundings. */
export interface SlotEditorEvents {
  onedit(text: string): void;
  /** A slot is being begun at the caret with `[[` and these letters; null when it no longer is. */
  onquery(query: SlotQuery | null): void;
  /** A chip is to be edited in place. */
  onchip(slot: SlotSegment, box: DOMRect): void;
  onenter(): void;
  onmove(direction: -1 | 1): void;
  onfocus(): void;
  onblur(): void;
  onpaste(changed: boolean): void;
  /** Several pasted lines, the first with what stood around the caret; absent where the field is no entry of a list. */
  onpastelines?: (texts: string[]) => void;
  /** A key while the menu is open; true where the menu takes it. */
  onmenukey(key: string): boolean;
}

export interface SlotQuery {
  text: string;
  from: number;
  to: number;
  box: { left: number; bottom: number };
}

const fromOutside = Annotation.define<boolean>();
function findQuery(view: EditorView): SlotQuery | null {
  const { head, empty } = view.state.selection.main;
  if (!empty || !view.hasFocus) return null;
  const before = view.state.doc.sliceString(0, head);
  const from = before.lastIndexOf('[[');
  if (from < 0 || (from > 0 && before[from - 1] === '\\')) return null;
  const text = before.slice(from + 2);
  if (/[\][]/.test(text) || text.split('|').length > 3 || view.state.doc.sliceString(head, head + 2) === ']]') return null;
  const box = view.coordsAtPos(head);
  return box && { text, from, to: head, box };
}

function openChip(view: EditorView, slot: SlotSegment, events: SlotEditorEvents): void {
  const box = view.coordsAtPos(slot.at);
  events.onchip(slot, new DOMRect(box?.left ?? 0, box?.top ?? 0, 0, (box?.bottom ?? 0) - (box?.top ?? 0)));
}

function keysFor(events: SlotEditorEvents): Extension {
  const menuKey = (key: string, otherwise: () => boolean) => ({
    key,
    run: () => events.onmenukey(key) || otherwise(),
  });
  const move = (direction: -1 | 1) => () => {
    events.onmove(direction);
    return true;
  };
  return keymap.of([
    {
      key: 'Alt-Enter',
      run: (view) => {
        const slot = slotBeside(view.state, view.state.selection.main.head);
        if (slot) openChip(view, slot, events);
        return slot !== null;
      },
    },
    menuKey('ArrowDown', move(1)),
    menuKey('ArrowUp', move(-1)),
    menuKey('Escape', () => false),
    menuKey('Tab', () => false),
    menuKey('Enter', () => {
      events.onenter();
      return true;
    }),
  ]);
}

/** What an editor is made with. */
export interface SlotEditorOptions {
  text: string;
  context: FillContext;
  label: string;
  hint: string;
  events: SlotEditorEvents;
}

/** What a field is called, and what stands in it while it is empty. */
const named = (label: string, hint: string): Extension => [EditorView.contentAttributes.of({ 'aria-label': label }), placeholder(hint)];

/** One line of text in which slots stand as chips. The text itself stays in the text form. */
export class SlotEditor {
  private readonly view: EditorView;
  private readonly context = new Compartment();
  private readonly naming = new Compartment();

  constructor(host: HTMLElement, { text, context, label, hint, events }: SlotEditorOptions) {
    // In a shadow root the editor's style sheets are constructed ones, which the content security policy allows.
    const root = host.attachShadow({ mode: 'open', delegatesFocus: true });
    this.view = new EditorView({
      root,
      parent: root,
      state: EditorState.create({
        doc: text,
        extensions: [
          this.context.of(contextFacet.of(context)),
          chipField,
          looks,
          history(),
          EditorView.lineWrapping,
          keysFor(events),
          keymap.of([...historyKeymap, ...defaultKeymap.filter(({ key }) => key !== 'Enter')]),
          this.naming.of(named(label, hint)),
          EditorState.transactionFilter.of((transaction) => (transaction.newDoc.lines > 1 ? [] : transaction)),
          EditorView.clipboardInputFilter.of((pasted) => {
            const { text: joined, changed } = joinPastedLines(pasted.trim());
            events.onpaste(changed);
            return joined;
          }),
          EditorView.contentAttributes.of({ 'aria-multiline': 'false', spellcheck: 'true', lang: context.language }),
          EditorView.domEventHandlers({
            focus: () => events.onfocus(),
            blur: () => events.onblur(),
            paste: (event, view) => {
              const texts = splitEntries(event.clipboardData?.getData('text/plain') ?? '', 'lines');
              const [first, ...rest] = texts;
              if (!events.onpastelines || first === undefined || rest.length === 0) return false;
              event.preventDefault();
              const { from, to } = view.state.selection.main;
              const { doc } = view.state;
              events.onpastelines([doc.sliceString(0, from) + first + doc.sliceString(to), ...rest]);
              return true;
            },
            mousedown: (event, view) => {
              const chip = (event.target as HTMLElement).closest('.chip');
              if (!chip) return false;
              const slot = slotBeside(view.state, view.posAtDOM(chip));
              if (slot) events.onchip(slot, chip.getBoundingClientRect());
              return slot !== null;
            },
          }),
          EditorView.updateListener.of((update) => {
            const isOwn = update.docChanged && !update.transactions.some((transaction) => transaction.annotation(fromOutside));
            if (isOwn) events.onedit(update.state.doc.toString());
            if (update.docChanged || update.selectionSet || update.focusChanged) queueMicrotask(() => events.onquery(findQuery(this.view)));
          }),
        ],
      }),
    });
  }

  get text(): string {
    return this.view.state.doc.toString();
  }

  /** Shows another text, as when an edit was undone; the caret stays where it can. */
  show(text: string): void {
    if (text === this.text) return;
    const head = Math.min(this.view.state.selection.main.head, text.length);
    this.view.dispatch({
      changes: { from: 0, to: this.text.length, insert: text },
      selection: EditorSelection.cursor(head),
      annotations: fromOutside.of(true),
    });
  }

  /** Names the field anew: a line that came before it moves its number. */
  name(label: string, hint: string): void {
    this.view.dispatch({ effects: this.naming.reconfigure(named(label, hint)) });
  }

  /** Draws the chips anew where values of slots changed. */
  fillWith(context: FillContext): void {
    this.view.dispatch({ effects: this.context.reconfigure(contextFacet.of(context)) });
  }

  /** Replaces a part of the text, as if typed. */
  replace(from: number, to: number, insert: string): void {
    this.view.dispatch({
      changes: { from, to, insert },
      selection: EditorSelection.cursor(from + insert.length),
      userEvent: 'input',
    });
  }

  focus(selects = false): void {
    this.view.focus();
    if (selects) this.view.dispatch({ selection: EditorSelection.range(0, this.text.length) });
  }

  destroy(): void {
    this.view.destroy();
  }
}
