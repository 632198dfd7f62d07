// The screens draw what the browser holds and edits, so they are rendered there only.
export const ssr = false;
export const prerender = false;
