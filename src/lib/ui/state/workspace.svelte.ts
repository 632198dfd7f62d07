import { createContext } from 'svelte';
import { SyncedStore } from './synced-store.svelte';

/** Clients, accounts, plans and masters, as this tab holds them. */
export class Workspace extends SyncedStore {
  constructor() {
    super('workspace', '/api/workspace/changes', 'workspace');
  }
}

export const [getWorkspace, setWorkspace] = createContext<Workspace>();
