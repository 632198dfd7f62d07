import { getContext, setContext } from 'svelte';

/** A typed context whose getter throws where nothing was set. */
export function createContext<T>(name: string): { get: () => T; set: (value: T) => T } {
  const key = Symbol(name);
  return {
    get() {
      const value = getContext<T | undefined>(key);
      if (value === undefined) throw new Error(`The context ${name} is missing.`);
      return value;
    },
    set: (value) => setContext(key, value),
  };
}
