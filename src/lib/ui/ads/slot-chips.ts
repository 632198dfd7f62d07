import { Facet, RangeSet, StateField, type EditorState } from '@codemirror/state';
import { Decoration, EditorView, WidgetType, type DecorationSet } from '@codemirror/view';
import { fillPlanSlots, liveSlot, type FillContext } from '$lib/core/ads/fill-slots';
import { parseSlots, type Segment, type SlotSegment } from '$lib/core/ads/parse-slots';

/** What the slots of a line are filled with. */
export const contextFacet = Facet.define<FillContext, FillContext | null>({ combine: (all) => all[0] ?? null });

const plainText = (segments: readonly Segment[] | null): string =>
  (segments ?? []).map((part) => (part.kind === 'text' ? part.text : `[${part.name}]`)).join('');

class Chip extends WidgetType {
  constructor(
    readonly slot: SlotSegment,
    readonly source: string,
    readonly value: string,
  ) {
    super();
  }

  override eq(other: Chip): boolean {
    return other.source === this.source && other.value === this.value && other.slot.at === this.slot.at;
  }

  override toDOM(): HTMLElement {
    const chip = document.createElement('span');
    chip.className = 'chip';
    chip.title = `${this.source}, Alt Enter to edit`;
    const name = chip.appendChild(document.createElement('b'));
    name.textContent = this.slot.name;
    if (this.value !== '') {
      const value = chip.appendChild(document.createElement('span'));
      value.textContent = this.value;
    }
    if (this.slot.caseName) {
      const letterCase = chip.appendChild(document.createElement('i'));
      letterCase.textContent = this.slot.caseName;
    }
    return chip;
  }

  override ignoreEvent(event: Event): boolean {
    return event.type !== 'mousedown';
  }
}

function drawChips(state: EditorState): DecorationSet {
  const source = state.doc.toString();
  const context = state.facet(contextFacet);
  const filled = context && fillPlanSlots(source, context).slots;
  const chips = parseSlots(source).segments.flatMap((part) => {
    if (part.kind === 'text') return [];
    // A plan slot shows what stands in the line, be it its value or its fallback.
    const value = (part.name !== liveSlot && filled?.get(part.at)) || plainText(part.fallback);
    const widget = new Chip(part, source.slice(part.at, part.end), value);
    return [Decoration.replace({ widget }).range(part.at, part.end)];
  });
  return Decoration.set(chips);
}

/** Slots drawn as chips, which the caret jumps over. */
export const chipField = StateField.define<DecorationSet>({
  create: drawChips,
  update: (chips, transaction) => (transaction.docChanged || transaction.reconfigured ? drawChips(transaction.state) : chips),
  provide: (field) => [
    EditorView.decorations.from(field),
    EditorView.atomicRanges.of((view) => view.state.field(field, false) ?? RangeSet.empty),
  ],
});

/** The slot whose chip begins or ends at a position, or null. */
export function slotBeside(state: EditorState, at: number): SlotSegment | null {
  const slots = parseSlots(state.doc.toString()).segments.filter((part) => part.kind === 'slot');
  return slots.find((slot) => slot.end === at) ?? slots.find((slot) => slot.at === at) ?? null;
}

/** How a line and its chips look. */
export const looks = EditorView.theme({
  '&': { fontFamily: 'var(--sans)', fontSize: '14.5px', color: 'var(--ink)' },
  '&.cm-focused': { outline: 'none' },
  '.cm-scroller': { fontFamily: 'inherit', lineHeight: '26px', overflowX: 'hidden' },
  '.cm-content': { padding: '0', caretColor: 'var(--ink)' },
  '.cm-line': { padding: '0 2px' },
  '.cm-placeholder': { color: 'var(--ink-3)' },
  '.chip': {
    background: 'var(--plum-tint)',
    color: 'var(--plum)',
    borderRadius: '3px',
    padding: '2px 7px',
    margin: '0 1px',
    whiteSpace: 'nowrap',
    cursor: 'pointer',
  },
  '.chip b': { fontWeight: '650' },
  '.chip span': {
    borderInlineStart: '1px solid currentColor',
    marginInlineStart: '7px',
    paddingInlineStart: '7px',
  },
  '.chip i': { fontStyle: 'normal', fontSize: '11px', marginInlineStart: '7px' },
});
