import { createContext } from './context';
import { SyncedStore } from './synced-store.svelte';

/** Clients, accounts, plans and masters, as this tab holds them. */
export class Workspace extends SyncedStore {
  constructor() {
    super('workspace', '/api/workspace/changes', 'workspace');
  }
}

const context = createContext<Workspace>('workspace');
export const getWorkspace = context.get;
export const setWorkspace = context.set;
