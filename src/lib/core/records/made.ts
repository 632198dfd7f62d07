/**
 * What `make` makes. Marked as pure where it is called, so that a bundler leaves out what nobody uses: whoever only reads rows in the browser
 * brings no schemas along.
 */
export const made = <T>(make: () => T): T => make();
