declare global {
  namespace App {
    interface Locals {
      services: import('$lib/server/compose').Services;
    }
    interface Error {
      message: string;
      code?: string;
      path?: string;
    }
  }
}

export {};

declare module 'svelte/elements' {
  interface SvelteHTMLElements {
    /** The host of a line editor; it only carries a shadow root. */
    'slot-editor': HTMLAttributes<HTMLElement>;
  }
}
