type SlotEditorModule = typeof import('./slot-editor');

let loaded: SlotEditorModule | null = null;

/** Calls with the editor's module: at once where it was fetched before, so that no key typed meanwhile goes elsewhere. */
export function withSlotEditor(use: (module: SlotEditorModule) => void): void {
  if (loaded) use(loaded);
  else void import('./slot-editor').then((module) => use((loaded = module)));
}
